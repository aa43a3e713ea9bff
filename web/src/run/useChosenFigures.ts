import { ref, shallowRef, watch, type Ref } from 'vue'
import { api, type SelectionSummary } from '@/api/client'
import { useNewest } from '@/shell/useNewest'

/** Figures that a reader has chosen, and what they come to together, as the server works it out. */
export function useChosenFigures(run: Ref<string | undefined>) {
  const chosen = ref<string[]>([])
  const together = shallowRef<SelectionSummary>()
  const [answers, ask] = useNewest(async (figures: string) => [
    await api.together(run.value!, figures.split(',')),
  ])

  watch(run, () => (chosen.value = []))
  watch(chosen, (figures) => {
    if (figures.length === 0) {
      together.value = undefined
    } else {
      void ask(figures.join(','))
    }
  })
  watch(answers, ([found]) => (together.value = chosen.value.length ? found : undefined))

  /** Chooses a figure, or no longer. */
  function toggle(figure: string) {
    chosen.value = chosen.value.includes(figure)
      ? chosen.value.filter((other) => other !== figure)
      : [...chosen.value, figure]
  }

  return { chosen, together, toggle, clear: () => (chosen.value = []) }
}
