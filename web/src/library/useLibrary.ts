import { computed, ref } from 'vue'
import { api, type Change, type ReportLine } from '@/api/client'
import { folded } from '@/shell/folded'

export type Which = 'all' | 'mine' | 'offered' | 'starters'

/** The reports a person may run, found by title, description, field and author. */
export function useLibrary() {
  const reports = ref<ReportLine[]>()
  const problem = ref('')
  const sought = ref('')
  const which = ref<Which>('all')
  /** The report deleted last, which can be put back. */
  const removed = ref<{ id: string; title: string }>()

  const shown = computed(() => {
    const words = folded(sought.value).split(/\s+/).filter(Boolean)
    const holds = (text: string) => words.every((word) => folded(text).includes(word))
    const found = (reports.value ?? []).filter(
      (report) =>
        holds(`${report.title} ${report.description ?? ''} ${report.fields} ${report.owner ?? ''}`) &&
        isAmong(report),
    )
    // What is called so comes before what only has it in its fields.
    return [...found.filter((r) => holds(r.title)), ...found.filter((r) => !holds(r.title))]
  })
  /** By folder, those that are not filed first. */
  const folders = computed(() => {
    const found = new Map<string, ReportLine[]>()
    shown.value.forEach((report) => found.set(report.folder, [...(found.get(report.folder) ?? []), report]))
    return [...found].sort(([a], [b]) => a.localeCompare(b, undefined, { numeric: true }))
  })

  function isAmong(report: ReportLine): boolean {
    switch (which.value) {
      case 'mine':
        return report.mine
      case 'offered':
        return report.offered && !report.mine
      case 'starters':
        return report.owner === undefined
      default:
        return true
    }
  }

  async function told(action: () => Promise<unknown>) {
    try {
      await action()
      reports.value = await api.reports()
      problem.value = ''
    } catch (e) {
      problem.value = (e as Error).message
    }
  }

  return {
    reports,
    problem,
    sought,
    which,
    removed,
    shown,
    folders,
    load: () => told(async () => {}),
    change: (id: string, change: Change) => told(() => api.change(id, change)),
    remove: (report: ReportLine) =>
      told(async () => {
        await api.deleteReport(report.id)
        removed.value = { id: report.id, title: report.title }
      }),
    restore: () =>
      told(async () => {
        await api.restore(removed.value!.id)
        removed.value = undefined
      }),
  }
}
