import { block } from './report'
import { perRow, printsInRows } from './perRow'
import { columnLabel } from './fieldNames'
import type { Column, DatasetView, FieldView, Report } from '@/api/client'
import { words } from '@/words'

/** A rule that is ready to mark rows by what a column shows. */
export interface ReadyMark {
  label: string
  when: string
}

/** A condition is about one value: what is more than a name stands in brackets. */
const operand = (value: string) => (/^"?[\w-]+"?$/.test(value) ? value : `(${value})`)
const level = (id: string) => (/^[a-z_][a-z0-9_]*$/.test(id) ? id : `"${id}"`)

/** Further from the average than twice the standard deviation: squares are compared, as there are no roots. */
const outside = (x: string, over: string) =>
  `(${x} - AVG(${x}) ${over}) * (${x} - AVG(${x}) ${over}) > ` +
  `4 * (AVG(${x} * ${x}) ${over} - AVG(${x}) ${over} * AVG(${x}) ${over})`

/** The rules for a column of rows, by the type of what it shows; none for a column of totals alone. */
export function readyMarks(report: Report, dataset: DatasetView, column: Column): ReadyMark[] {
  const { value } = column
  if (!value || !printsInRows(value)) {
    return []
  }
  const field = dataset.fields.find((one) => perRow(one) && one.value === value)
  const text = words.bench.ready
  const name = columnLabel(report, column)
  const x = operand(value)
  return [...ofType(x, name, field, report), { label: text.missing(name), when: `${x} IS NULL` }]
}

function ofType(x: string, name: string, field: FieldView | undefined, report: Report): ReadyMark[] {
  const text = words.bench.ready
  switch (field?.type) {
    case 'INTEGER':
    case 'DECIMAL': {
      const inner = block(report).levels.at(-1)
      const asked = report.prompts.filter((p) => p.type === 'whole-number' || p.type === 'decimal')
      return [
        { label: text.negative(name), when: `${x} < 0` },
        ...asked.flatMap((prompt) => [
          { label: text.above(name, prompt.label), when: `${x} > :${prompt.name}` },
          { label: text.below(name, prompt.label), when: `${x} < :${prompt.name}` },
        ]),
        { label: text.aboveAverage(name), when: `${x} > AVG(${x}) OVER ()` },
        ...(inner
          ? [
              {
                label: text.aboveGroup(name, inner.name),
                when: `${x} > AVG(${x}) OVER (PARTITION BY ${level(inner.id)})`,
              },
              {
                label: text.largestOf(name, inner.name),
                when: `${x} = MAX(${x}) OVER (PARTITION BY ${level(inner.id)})`,
              },
              {
                label: text.smallestOf(name, inner.name),
                when: `${x} = MIN(${x}) OVER (PARTITION BY ${level(inner.id)})`,
              },
              {
                label: text.outside(name, inner.name),
                when: outside(x, `OVER (PARTITION BY ${level(inner.id)})`),
              },
            ]
          : []),
        { label: text.unusual(name), when: `${x} > 3 * AVG(${x}) OVER ()` },
      ]
    }
    case 'DATE':
      return [
        { label: text.overdue(name), when: `${x} < CURRENT_DATE` },
        { label: text.today(name), when: `${x} = CURRENT_DATE` },
      ]
    default:
      return []
  }
}
