import { block } from '../report'
import { offered, perRow, printsInRows } from '../perRow'
import type { Part } from '../../parts'
import type { FieldView, Report } from '@/api/client'

/** A condition to begin a highlight with: about what is in hand, else about the first figure there is. */
export function firstCondition(report: Report, fields: FieldView[], inHand?: Part): string {
  const { columns, totals, rows, figures } = block(report)
  if (figures) {
    return 'figure > 0'
  }
  const column =
    inHand?.kind === 'total'
      ? totals.find((total) => total.id === inHand.id)?.column
      : inHand?.kind === 'column'
        ? inHand.id
        : undefined
  const shown = columns.find((c) => c.id === column)?.value
  const value = printsInRows(shown) ? shown : undefined
  const total = totals.find((t) => (inHand?.kind === 'total' ? t.id === inHand.id : t.column === column))
  if (total && (!value || !rows.shown || inHand?.kind === 'total')) {
    return `${total.value} > 0`
  }
  if (value) {
    return about(
      value,
      fields.find((field) => perRow(field) && field.value === value),
    )
  }
  const figure = totals[0]
  const numbers = offered(fields).filter((f) => perRow(f) && isNumber(f))
  const number = numbers.find((f) => f.usual?.startsWith('SUM(')) ?? numbers[0]
  return !rows.shown && figure ? `${figure.value} > 0` : number ? about(number.value, number) : 'TRUE'
}

const isNumber = (field: FieldView) => field.type === 'DECIMAL' || field.type === 'INTEGER'

/** What is asked most of a type: of numbers whether they are large, of dates whether they are past, of others whether they are blank. */
function about(value: string, field?: FieldView): string {
  switch (field?.type) {
    case 'DECIMAL':
    case 'INTEGER':
      return `${value} > 100`
    case 'DATE':
      return `${value} < CURRENT_DATE`
    case 'BOOLEAN':
      return value
    default:
      return `${value} IS NULL`
  }
}
