import { computed, ref, shallowRef, watch, type Ref } from 'vue'
import { api, type MarkedPlaces } from '@/api/client'

/** What a run marks, and a way from mark to mark across its pages. */
export function useMarks(
  /** The run whose page is on the screen, if it has pages. */
  run: Readonly<Ref<string | undefined>>,
  act: { go: (to: { strip: number; page: number }) => void; pageNow: () => number },
) {
  const found = shallowRef<MarkedPlaces>({ rules: [], places: [] })
  /** The mark that was gone to last; none yet. */
  const at = ref<number>()

  watch(run, async (id) => {
    at.value = undefined
    found.value = { rules: [], places: [] }
    const marks = id && (await api.marks(id).catch(() => undefined))
    if (marks && id === run.value) {
      found.value = marks
    }
  })

  const rules = computed(() => found.value.rules)
  const count = computed(() => found.value.places.length)

  /** Goes to the next mark, or the one before; of one rule, or of any. From the page that is shown, unless a mark was gone to. */
  function step(by: 1 | -1, rule?: number) {
    const { places } = found.value
    const fits = (place: MarkedPlaces['places'][number]) => rule === undefined || place.rule === rule
    const page = act.pageNow()
    const here = at.value ?? places.findIndex((place) => place.page >= page) - (by > 0 ? 1 : 0)
    for (let i = 1; i <= places.length; i++) {
      const next = (((here + by * i) % places.length) + places.length) % places.length
      if (fits(places[next]!)) {
        at.value = next
        act.go(places[next]!)
        return
      }
    }
  }

  return { rules, count, at, step }
}

export type Marks = ReturnType<typeof useMarks>
