import { onMounted, provide, ref, watch, type Ref } from 'vue'
import { partName, type Part } from './parts'
import type { useEditing } from './saving/useEditing'
import type { useHistory } from './saving/useHistory'
import type { usePreview } from './usePreview'
import { TRIED_ANSWERS } from './triedAnswers'
import { api, type Answers, type DatasetView, type Report } from '@/api/client'

/** The report on the bench as it is seen: loaded, shown and kept anew with every change, turned and folded. */
export function useShownReport(bench: {
  history: ReturnType<typeof useHistory>
  preview: ReturnType<typeof usePreview>
  editing: ReturnType<typeof useEditing>
  dataset: Ref<DatasetView | undefined>
  selection: Ref<Part[]>
  fitWidth: () => void
  wrong: Ref<string>
  /** The report with the block that is worked on first. */
  focused: (report: Report) => Report
}) {
  const { report, begin } = bench.history
  const { page, show, turn } = bench.preview
  const answers = ref<Answers>({})
  const number = ref(1)
  /** Id of the innermost level that is shown. */
  const foldedTo = ref<string>()

  /** Shows the report as it is answered otherwise. */
  function tryWith(other: Answers) {
    answers.value = other
    void again()
  }
  provide(TRIED_ANSWERS, { answers, tryWith })

  const again = () => show(report.value!, answers.value, number.value, foldedTo.value)

  onMounted(async () => {
    try {
      const definition = await bench.editing.load()
      bench.dataset.value = await api.dataset(definition.dataset)
      begin(definition)
      document.title = `${definition.title} · Grammatus`
      await show(definition, answers.value, 1)
      bench.fitWidth()
    } catch (e) {
      bench.wrong.value = (e as Error).message
    }
  })

  /** Every change is seen and kept; the first one is only what was loaded. */
  watch(report, (now, before) => {
    if (now && before) {
      if (!now.blocks.some((one) => one.levels.some((level) => level.id === foldedTo.value))) {
        foldedTo.value = undefined
      }
      answers.value = Object.fromEntries(
        Object.entries(answers.value).filter(([name]) => now.prompts.some((prompt) => prompt.name === name)),
      )
      void again()
      bench.editing.keep(now)
      const worked = bench.focused(now)
      bench.selection.value = bench.selection.value.filter((part) => partName(worked, part) !== undefined)
      document.title = `${now.title} · Grammatus`
    }
  })
  watch(number, (wanted) => void turn(wanted))
  watch(page, (now) => {
    if (now) {
      number.value = now.number
    }
  })

  /** Shows nothing inside a level's groups while its report is edited; of none, everything again. */
  function fold(level: string | undefined) {
    foldedTo.value = level
    void again()
  }

  return { number, foldedTo, fold, again }
}
