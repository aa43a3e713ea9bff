import { computed, ref, type Ref } from 'vue'
import { api, type FileFormat, type RunView } from '@/api/client'
import { saveFile } from '@/shell/saveFile'
import { words } from '@/words'

/** A run as a file, in each format that it can be had in. */
export function useDownloads(
  run: Readonly<Ref<RunView | undefined>>,
  isPrinted: Readonly<Ref<boolean>>,
  fail: (message: string) => void,
) {
  const text = words.run
  const exporting = ref(false)
  const announcement = ref('')

  async function download(format: FileFormat, protect = true) {
    if (!run.value) {
      return
    }
    exporting.value = true
    announcement.value = text.exporting
    try {
      const file = await api.file(run.value.id, format, protect)
      saveFile(file)
      announcement.value = format === 'csv' ? text.exportedCsv(file.name, protect) : text.exported(file.name)
    } catch (e) {
      announcement.value = ''
      fail((e as Error).message)
    } finally {
      exporting.value = false
    }
  }

  const files = computed(() => [
    {
      label: text.export,
      icon: 'pi pi-file-pdf',
      disabled: !isPrinted.value,
      command: () => download('pdf'),
    },
    { label: text.exportCsv, icon: 'pi pi-table', command: () => download('csv') },
    { label: text.exportExact, icon: 'pi pi-table', command: () => download('csv', false) },
  ])

  return { exporting, announcement, download, files }
}
