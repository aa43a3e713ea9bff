import { alike, changed, operand, over, part, rank } from './among'
import { block } from '../report'
import { perRow, printsInRows } from '../perRow'
import { columnLabel } from '../fieldNames'
import type { Column, DatasetView, Highlight, Report } from '@/api/client'
import { words } from '@/words'

/** A rule that is ready to mark rows or groups by a value of theirs. */
export interface ReadyMark {
  label: string
  when: string
  /** What it marks; rows unless given. */
  reach?: Highlight['reach']
}

/** Further from the average than twice the standard deviation: squares are compared, as there are no roots. */
const outside = (x: string, group: string) =>
  `(${x} - AVG(${x}) ${group}) * (${x} - AVG(${x}) ${group}) > ` +
  `4 * (AVG(${x} * ${x}) ${group} - AVG(${x}) ${group} * AVG(${x}) ${group})`

/** The rules for a column of rows, by the type of what it shows; none for a column of totals alone. */
export function readyMarks(report: Report, dataset: DatasetView, column: Column): ReadyMark[] {
  const { value } = column
  if (!value || !printsInRows(value)) {
    return []
  }
  const field = dataset.fields.find((one) => perRow(one) && one.value === value)
  const text = words.bench.ready
  const name = columnLabel(report, column, dataset)
  const x = operand(value)
  const isNumber = field?.type === 'INTEGER' || field?.type === 'DECIMAL'
  // Where rows are not printed, a rule is about the first of a group, which stands among no others.
  const amongRows = field && block(report).rows?.shown
  return [
    ...(isNumber ? ofNumber(x, name, report) : field?.type === 'DATE' ? ofDate(x, name) : []),
    ...(isNumber && amongRows ? amongNumbers(x, name, report, dataset.tables[0]?.id ?? '') : []),
    ...(amongRows ? [{ label: text.alike(name), when: alike(x) }] : []),
    { label: text.missing(name), when: `${x} IS NULL` },
  ]
}

export function ofDate(x: string, name: string): ReadyMark[] {
  const text = words.bench.ready
  return [
    { label: text.overdue(name), when: `${x} < CURRENT_DATE` },
    { label: text.today(name), when: `${x} = CURRENT_DATE` },
  ]
}

/** The rules about a number by itself. */
export function ofNumber(x: string, name: string, report: Report): ReadyMark[] {
  const text = words.bench.ready
  return [
    { label: text.negative(name), when: `${x} < 0` },
    ...report.prompts
      .filter((prompt) => prompt.type === 'whole-number' || prompt.type === 'decimal')
      .flatMap((prompt) => [
        { label: text.above(name, prompt.label), when: `${x} > :${prompt.name}` },
        { label: text.below(name, prompt.label), when: `${x} < :${prompt.name}` },
      ]),
  ]
}

/** The rules about a number among those of other rows, by the id of their table. */
function amongNumbers(x: string, name: string, report: Report, rows: string): ReadyMark[] {
  const text = words.bench.ready
  const { levels } = block(report)
  const group = over(levels)
  const inner = levels.at(-1)?.name
  return [
    { label: text.aboveAverage(name), when: `${x} > AVG(${x}) OVER ()` },
    ...(inner
      ? [
          { label: text.aboveGroup(name, inner), when: `${x} > AVG(${x}) ${group}` },
          { label: text.largestOf(name, inner), when: `${x} = MAX(${x}) ${group}` },
          { label: text.smallestOf(name, inner), when: `${x} = MIN(${x}) ${group}` },
          { label: text.outside(name, inner), when: outside(x, group) },
        ]
      : []),
    { label: text.unusual(name), when: `${x} > 3 * AVG(${x}) OVER ()` },
    { label: text.firstTen(name, inner), when: `${rank(x, levels)} <= 10` },
    { label: text.lastTen(name, inner), when: `${rank(x, levels, false)} <= 10` },
    { label: text.firstTenth(name, inner), when: `${part(x, levels)} <= 0.1` },
    { label: text.changed(name), when: changed(x, levels, rows) },
  ]
}
