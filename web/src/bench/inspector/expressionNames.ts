import type { InjectionKey, Ref } from 'vue'
import { hasEnds } from '../edits/prompts'
import { block } from '../edits/report'
import type { DatasetView, Report } from '@/api/client'
import type { ExpressionName } from '@/shell/completions'
import { words } from '@/words'

/** The names that expressions of the report at hand may use. */
export const EXPRESSION_NAMES: InjectionKey<Readonly<Ref<ExpressionName[]>>> = Symbol('names in expressions')

/** Fields and measures, then the answers to prompts. */
export function expressionNames(report: Report, dataset: DatasetView): ExpressionName[] {
  const { about } = words.bench.rule
  const own =
    block(report).kind === 'figures'
      ? [
          { id: 'figure', label: about.FIGURE() },
          { id: 'other', label: about.OTHER() },
          { id: 'change', label: about.CHANGE() },
        ]
      : []
  const answers = report.prompts.flatMap((prompt) =>
    hasEnds(prompt)
      ? [
          { id: `:${prompt.name}_from`, label: `${prompt.label}, start` },
          { id: `:${prompt.name}_to`, label: `${prompt.label}, end` },
        ]
      : [{ id: `:${prompt.name}`, label: prompt.label }],
  )
  return [...own, ...dataset.fields.map(({ id, label }) => ({ id, label })), ...answers]
}
