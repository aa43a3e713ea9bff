import { block } from '../edits/report'
import { measureChoices } from '../edits/measures'
import { perRow } from '../edits/perRow'
import type { DatasetView, FieldView, Report } from '@/api/client'
import { words } from '@/words'

/** A total that can be made of what a column shows. */
export interface TotalChoice {
  value: string
  label: string
  /** What should be known of it. */
  advice?: string
}

const FUNCTIONS = ['SUM', 'AVG', 'COUNT', 'MIN', 'MAX']

/** What does not add up, such as a price, can be averaged by what does, such as a quantity. */
function weightedAverages(dataset: DatasetView, field: FieldView): TotalChoice[] {
  const isNumber = field.type === 'INTEGER' || field.type === 'DECIMAL'
  const weights = isNumber && !field.usual ? dataset.fields.filter((f) => perRow(f) && f.usual) : []
  return weights.map((weight) => ({
    value: `SUM(${field.value} * ${weight.value}) / SUM(${weight.value}) FILTER (WHERE ${field.value} IS NOT NULL)`,
    label: words.bench.inspector.weighted(weight.label),
  }))
}

function ofColumn(report: Report, dataset: DatasetView, value: string | undefined): TotalChoice[] {
  const fields = dataset.fields.filter((f) => f.value === value)
  if (fields.length) {
    return fields
      .flatMap((field) => field.totals)
      .map((total): TotalChoice => ({ value: total.value, label: total.name, advice: total.advice }))
      .concat(fields.flatMap((field) => weightedAverages(dataset, field)))
  }
  // Every measure fits a column that is empty in rows.
  return value
    ? FUNCTIONS.map((name) => ({ value: `${name}(${value})`, label: name }))
    : measureChoices(report, dataset)
}

/** The totals that can be made of what a column shows, with the one it has. */
export function totalChoices(
  report: Report,
  dataset: DatasetView,
  columnId: string,
  current?: string,
): TotalChoice[] {
  const value = block(report).columns.find((column) => column.id === columnId)?.value
  const known = ofColumn(report, dataset, value)
  return current && !known.some((choice) => choice.value === current)
    ? [...known, { value: current, label: current }]
    : known
}
