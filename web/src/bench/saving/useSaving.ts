import { computed, ref, watch, type Ref } from 'vue'
import { useRouter } from 'vue-router'
import type { useEditing } from './useEditing'
import { api, type Report } from '@/api/client'
import { words } from '@/words'

/** Saving what is on the bench, as it is, as a copy, or in the place of what somebody saved meanwhile. */
export function useSaving(
  id: string,
  report: Readonly<Ref<Report | undefined>>,
  editing: ReturnType<typeof useEditing>,
  act: {
    begin: (definition: Report) => void
    show: () => Promise<unknown>
    /** Waits for edits that are being made. */
    settled: () => Promise<void>
  },
) {
  const router = useRouter()
  const text = words.bench
  const copyOpen = ref(false)
  const said = ref('')
  const wrong = ref('')
  /** Its button stays within the keyboard's reach, so that the place is not lost by saving. */
  const isSaved = computed(() => editing.keeping.value === 'saved' && editing.editable.value)

  /** Whether what is in the way is of another window, not saved yet; asked before the dialog closes. */
  const otherWindow = ref(false)
  watch(editing.conflict, (conflict) => {
    if (conflict) {
      otherWindow.value = conflict.revision === undefined
    }
  })

  async function save() {
    await act.settled()
    if (!report.value || isSaved.value) {
      return
    }
    if (!editing.editable.value) {
      copyOpen.value = true
      return
    }
    try {
      if (await editing.save(report.value)) {
        said.value = text.saved(editing.base.value)
      }
      wrong.value = ''
    } catch (e) {
      wrong.value = (e as Error).message
    }
  }

  async function saveCopy(title: string) {
    try {
      const copy = await api.copy(id, title, { ...report.value!, title })
      // What another window has changed stays its draft.
      if (otherWindow.value) {
        editing.yieldToOther()
      } else {
        await editing.discard().catch(() => {})
      }
      copyOpen.value = false
      await router.push({ name: 'bench', params: { id: copy.id } })
    } catch (e) {
      wrong.value = (e as Error).message
      copyOpen.value = false
    }
  }

  async function takeTheirs() {
    act.begin(await (otherWindow.value ? editing.takeOther() : editing.discard()))
    await act.show()
  }

  async function saveOver() {
    const drafts = otherWindow.value
    await editing.saveOver(report.value!)
    said.value = drafts ? '' : text.saved(editing.base.value)
  }

  return { otherWindow, copyOpen, said, wrong, isSaved, save, saveCopy, takeTheirs, saveOver }
}
