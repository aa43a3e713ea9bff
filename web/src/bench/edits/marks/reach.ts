import { block, parts } from '../report'
import { columnLabel, figureLabel } from '../fieldNames'
import type { DatasetView, Highlight, Report } from '@/api/client'
import { words } from '@/words'

type Reach = NonNullable<Highlight['reach']>

/** What a rule can mark, by a key that names it: the row, or a part of the groups of a level. */
export interface ReachChoice {
  key: string
  label: string
}

const ROW = 'row'

/** What a rule can mark in the block that is worked on. */
export function reaches(report: Report, dataset: DatasetView): ReachChoice[] {
  const text = words.bench.inspector
  const { figures } = parts(report)
  if (block(report).kind === 'figures') {
    return figures.map((figure) => ({
      key: `figure ${figure.id}`,
      label: figureLabel(report, figure, dataset),
    }))
  }
  return [
    { key: ROW, label: text.reachRow },
    ...parts(report).levels.flatMap((level) => [
      { key: `heading ${level.id}`, label: text.reachHeading(level.name) },
      { key: `totals ${level.id}`, label: text.reachTotals(level.name) },
      { key: `group ${level.id}`, label: text.reachGroup(level.name) },
    ]),
    { key: 'totals report', label: text.reachReport },
  ]
}

/** The columns of which a rule can mark a cell alone. */
export const reachedColumns = (report: Report): ReachChoice[] =>
  parts(report).columns.map((column) => ({ key: column.id, label: columnLabel(report, column) }))

export function keyOf(reach: Highlight['reach']): string {
  return reach?.figure ? `${reach.of} ${reach.figure}` : reach?.level ? `${reach.of} ${reach.level}` : ROW
}

/** What a rule marks once another reach is chosen; none for the row or line as a whole. */
export function reachOf(key: string, column: string | undefined): Highlight['reach'] {
  const [of, level] = key.split(' ') as [Reach['of'], string | undefined]
  if (of === 'figure') {
    return { of, figure: level }
  }
  return level || column ? { of, ...(level ? { level } : {}), ...(column ? { column } : {}) } : undefined
}
