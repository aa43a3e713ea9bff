import { watchDebounced } from '@vueuse/core'
import { watch, type Ref } from 'vue'
import type { Answers, RunView } from '@/api/client'

/** A report whose last run took less is run again as soon as an answer changes. */
const QUICK_MILLIS = 1000
/** Nobody runs what is still being typed. */
const PAUSE_MILLIS = 500

/**
 * Runs a report again when its answers change, where that is quick: else its reader says when.
 *
 * @param again runs it
 */
export function useQuickRuns(
  of: { run: Ref<RunView | undefined>; asked: Ref<Answers>; isSettled: Ref<boolean> },
  again: () => void,
) {
  let began = 0
  let took = Number.POSITIVE_INFINITY
  let ranWith = ''
  const now = () => JSON.stringify(of.asked.value)

  watch(
    () => of.run.value?.state,
    (state) => {
      if (state === 'DONE') {
        took = performance.now() - began
      }
    },
  )
  watchDebounced(
    [now, of.isSettled],
    () => {
      if (ranWith && now() !== ranWith && of.isSettled.value && took < QUICK_MILLIS) {
        again()
      }
    },
    { debounce: PAUSE_MILLIS },
  )

  /** Notes a run that starts. */
  function started(answers: Answers) {
    began = performance.now()
    ranWith = JSON.stringify(answers)
  }

  return { started }
}
