import { changed, parts, stripped, withBlock } from './report'
import type { Level, Report } from '@/api/client'

export function changeLevel(report: Report, id: string, change: Partial<Level>): Report {
  return withBlock(report, { levels: changed(parts(report).levels, id, change) })
}

/** How many rows, from the first, are kept in each group; none keeps all. */
export type Rows = ReturnType<typeof parts>['rows']
export type RowLimits = Partial<Pick<Rows, 'limit' | 'percent' | 'others'>>

/** Shows so many rows of each group; of no limits, all of them. */
export function limitRows(report: Report, limits: RowLimits): Report {
  const { shown, order } = parts(report).rows
  return withBlock(report, { rows: stripped({ shown, order, ...limits }) })
}
