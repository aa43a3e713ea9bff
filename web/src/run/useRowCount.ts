import { watchDebounced } from '@vueuse/core'
import { ref, type Ref } from 'vue'
import { api, type Answers, type View } from '@/api/client'
import { words } from '@/words'

/** Nobody counts what is still being typed. */
const PAUSE_MILLIS = 300

/** How many rows a report would keep with answers that it was not run with yet, in words, where that is known. */
export function useRowCount(
  report: string,
  of: { asked: Ref<Answers>; isSettled: Ref<boolean>; view: () => View },
) {
  const count = ref('')
  let ranWith = ''
  let newest = 0

  watchDebounced(
    [of.asked, of.isSettled],
    async () => {
      const mine = ++newest
      const asks = of.isSettled.value && JSON.stringify(of.asked.value) !== ranWith
      const found = asks
        ? await api.countRows(report, of.asked.value, of.view()).catch(() => undefined)
        : undefined
      if (mine === newest) {
        count.value = found?.count ? words.run.wouldKeep(found.count.rows, found.count.noun) : ''
      }
    },
    { deep: true, debounce: PAUSE_MILLIS },
  )

  /** Notes a run that starts: it tells by itself how many it keeps. */
  function started(answers: Answers) {
    newest++
    ranWith = JSON.stringify(answers)
    count.value = ''
  }

  return { count, started }
}
