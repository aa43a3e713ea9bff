import { block } from './report'
import { perRow } from './perRow'
import type { DatasetView, Report } from '@/api/client'

/** What groups can be compared by: an aggregate with the name it goes by. */
export interface MeasureChoice {
  value: string
  label: string
}

/** The report's totals first, then the measures of its dataset. */
export function measureChoices(report: Report, dataset: DatasetView): MeasureChoice[] {
  const { columns, totals } = block(report)
  const label = (id: string) => columns.find((column) => column.id === id)?.label || id
  const found = new Map<string, string>()
  for (const total of totals) {
    if (!found.has(total.value)) {
      found.set(total.value, `${label(total.column)} · ${total.value}`)
    }
  }
  for (const field of dataset.fields) {
    if (!perRow(field) && field.usual && !found.has(field.usual)) {
      found.set(field.usual, field.label)
    }
  }
  return [...found].map(([value, label]) => ({ value, label }))
}

/** The choices, with what is chosen now among them. */
export function withChosen(choices: MeasureChoice[], chosen?: string): MeasureChoice[] {
  return chosen && !choices.some((choice) => choice.value === chosen)
    ? [...choices, { value: chosen, label: chosen }]
    : choices
}
