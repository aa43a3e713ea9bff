import { ref, shallowRef, watch, type Ref } from 'vue'
import { api, type PageView, type RunView } from '@/api/client'

/** The page of a run that is on the screen: the newest page asked for wins, and the old one stays until it is there. */
export function useShownPage(
  run: Readonly<Ref<RunView | undefined>>,
  shown: {
    /** Whether the page after it is shown, too. */
    spread: Readonly<Ref<boolean>>
    first: () => void
    turned: () => void
    fail: (message: string) => void
  },
) {
  const page = shallowRef<PageView>()
  const beside = shallowRef<PageView>()
  const number = ref(1)
  /** The run whose page is on the screen: the newest, or the one before while its page is still to come. */
  const shownRun = ref<string>()

  watch([page, shown.spread], async ([first, spread]) => {
    const current = run.value
    if (!spread || !first || !current || first.number >= current.pages) {
      beside.value = undefined
      return
    }
    const found = await api.page(current.id, first.number + 1).catch(() => undefined)
    if (page.value === first && shown.spread.value) {
      beside.value = found
    }
  })

  watch([run, number], async ([current, wanted]) => {
    if (current?.state !== 'DONE') {
      return
    }
    if (current.pages === 0) {
      page.value = undefined
      shownRun.value = current.id
      return
    }
    if (wanted > current.pages) {
      number.value = current.pages
      return
    }
    try {
      const found = await api.page(current.id, wanted)
      if (run.value?.id === current.id && number.value === wanted) {
        const isFirst = page.value === undefined
        page.value = found
        shownRun.value = current.id
        if (isFirst) {
          shown.first()
        }
        shown.turned()
      }
    } catch (e) {
      shown.fail((e as Error).message)
    }
  })

  return { page, beside, number, shownRun }
}
