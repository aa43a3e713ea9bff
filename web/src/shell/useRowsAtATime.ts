import { computed, ref, shallowRef, watch } from 'vue'

/** Rows of a longer list, as the server gives them. */
interface Some {
  offset: number
  all: number
}

/**
 * Some rows of a longer list, with the ways to those before and after them. An answer to what is not asked for any more is dropped.
 *
 * @param key tells what the rows are of; none where there is nothing to show
 * @param load fetches rows from an offset on
 */
export function useRowsAtATime<R extends Some>(
  atOnce: number,
  key: () => string | undefined,
  load: (offset: number) => Promise<R>,
) {
  const rows = shallowRef<R>()
  const offset = ref(0)
  const problem = ref('')
  const hasEarlier = computed(() => offset.value > 0)
  const hasLater = computed(() => rows.value !== undefined && offset.value + atOnce < rows.value.all)

  watch(key, (now) => {
    offset.value = 0
    // What is there stays until other rows take its place.
    if (now === undefined) {
      rows.value = undefined
    }
  })
  watch(
    [key, offset],
    async ([now, from]) => {
      if (now === undefined) {
        return
      }
      try {
        const found = await load(from)
        if (now === key() && from === offset.value) {
          rows.value = found
          problem.value = ''
        }
      } catch (e) {
        rows.value = undefined
        problem.value = (e as Error).message
      }
    },
    { immediate: true },
  )

  return {
    rows,
    problem,
    hasEarlier,
    hasLater,
    earlier: () => (offset.value = Math.max(0, offset.value - atOnce)),
    later: () => (offset.value += atOnce),
  }
}
