import { onMounted, provide, ref, watch, type Ref } from 'vue'
import { block, partsOf } from './edits/report'
import { partName, type Part } from './parts'
import type { useEditing } from './saving/useEditing'
import type { useHistory } from './saving/useHistory'
import type { usePreview } from './usePreview'
import { TRIED_ANSWERS } from './triedAnswers'
import { api, type Answers, type DatasetView, type Report, type ReportEdit } from '@/api/client'

/** The report on the bench as it is seen: loaded, shown and kept anew with every change, turned and folded. */
export function useShownReport(bench: {
  history: ReturnType<typeof useHistory>
  preview: ReturnType<typeof usePreview>
  editing: ReturnType<typeof useEditing>
  dataset: Ref<DatasetView | undefined>
  selection: Ref<Part[]>
  fitWidth: () => void
  wrong: Ref<string>
  /** Is told once the report is there. */
  begun: () => void
  /** Id of the block that is worked on. */
  worked: Readonly<Ref<string | undefined>>
  /** The report with the block that is worked on first. */
  focused: (report: Report) => Report
}) {
  const { report, begin, isBusy, whenSettled } = bench.history
  const { page, seen, show, change, turn } = bench.preview
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

  /** Shows the report as it is; while an edit is waited for, what comes of that is shown. */
  async function again() {
    if (isBusy.value) {
      whenSettled(() => report.value !== seen.value && void again())
    } else {
      await show(report.value!, answers.value, number.value, foldedTo.value, undefined, bench.worked.value)
    }
  }

  /** A definition with a named edit made, and shown; none where it could not be made. */
  const edited = (definition: Report, edit: ReportEdit, block = bench.worked.value) =>
    change({
      definition,
      answers: answers.value,
      page: number.value,
      change: edit,
      block,
      downTo: foldedTo.value,
    })

  /** What can be done next is about the block that is worked on. */
  watch(
    () => report.value && block(bench.focused(report.value)).id,
    (now, before) => now && before && report.value === seen.value && void again(),
  )

  onMounted(async () => {
    try {
      const definition = await bench.editing.load()
      bench.dataset.value = await api.dataset(definition.dataset)
      begin(definition)
      document.title = `${definition.title} · Grammatus`
      await show(definition, answers.value, 1)
      bench.fitWidth()
      bench.begun()
    } catch (e) {
      bench.wrong.value = (e as Error).message
    }
  })

  /** Every change is seen and kept; the first one is only what was loaded. */
  watch(report, (now, before) => {
    if (now && before) {
      const folds = now.blocks.some((one) => partsOf(one).levels.some((level) => level.id === foldedTo.value))
      const isSeen = now === seen.value && (folds || foldedTo.value === undefined)
      if (!folds) {
        foldedTo.value = undefined
      }
      answers.value = Object.fromEntries(
        Object.entries(answers.value).filter(([name]) => now.prompts.some((prompt) => prompt.name === name)),
      )
      if (!isSeen) {
        void again()
      }
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

  return { number, foldedTo, fold, again, edited }
}
