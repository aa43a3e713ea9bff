import { parts } from '../../edits/report'
import { columnLabel, figureLabel } from '../../edits/fieldNames'
import type { DatasetView, Highlight, Offers, Report } from '@/api/client'
import { words } from '@/words'

/** What a rule can mark, as core offers it. */
export type Reach = Offers['reaches'][number]

const ROW: Reach = { of: 'row' }
const REPORT = 'report'

/** Names a part that can be marked, among all of a block's. */
export const keyOf = ({ of, level, figure }: Reach | NonNullable<Highlight['reach']> = ROW) =>
  [of, level ?? '', figure ?? ''].join(' ')

/** What a part that can be marked is called. */
export function reachLabel(reach: Reach, report: Report, dataset: DatasetView): string {
  const text = words.bench.inspector
  const name = parts(report).levels.find((level) => level.id === reach.level)?.name ?? ''
  switch (reach.of) {
    case 'figure': {
      const figure = parts(report).figures.find((one) => one.id === reach.figure)
      return figure ? figureLabel(report, figure, dataset) : ''
    }
    case 'heading':
      return text.reachHeading(name)
    case 'totals':
      return reach.level === REPORT ? text.reachReport : text.reachTotals(name)
    case 'group':
      return text.reachGroup(name)
    default:
      return text.reachRow
  }
}

/** The columns of which a rule can mark a cell alone. */
export const markedColumns = (report: Report) =>
  parts(report).columns.map((column) => ({ key: column.id, label: columnLabel(report, column) }))
