import { around, changed, operand, part, rank } from './among'
import { columnLabel } from '../fieldNames'
import { ofNumber, type ReadyMark } from './readyMarks'
import { block } from '../report'
import type { DatasetView, Report, Total } from '@/api/client'
import { words } from '@/words'

/** The rules for a total, at the groups of the innermost level that it is printed at; none for one of the report alone. */
export function readyTotals(report: Report, dataset: DatasetView, total: Total): ReadyMark[] {
  const { levels, columns } = block(report)
  const level = levels.findLast((one) => total.cells.some((cell) => cell.at === one.id))
  const column = columns.find((one) => one.id === total.column)
  if (!level || !column) {
    return []
  }
  const text = words.bench.ready
  const cell = total.cells.find((one) => one.at === level.id)!
  const isLine = level.header === 'line'
  const reach: ReadyMark['reach'] = {
    of: isLine ? 'row' : cell.in === 'header' ? 'heading' : 'totals',
    ...(isLine ? {} : { level: level.id }),
    column: column.id,
  }
  const x = operand(total.value)
  const name = columnLabel(report, column, dataset)
  const outer = around(report, level.id)
  const of = outer.at(-1)?.name
  return [
    ...ofNumber(x, name, report),
    { label: text.firstThree(name, of), when: `${rank(x, outer)} <= 3` },
    { label: text.lastThree(name, of), when: `${rank(x, outer, false)} <= 3` },
    { label: text.firstTenth(name, of), when: `${part(x, outer)} <= 0.1` },
    { label: text.changed(name), when: changed(x, outer, level.id) },
    { label: text.missing(name), when: `${x} IS NULL` },
  ].map((mark) => ({ ...mark, reach }))
}
