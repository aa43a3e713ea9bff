import { changed, parts, withBlock } from './report'
import type { Order, Report } from '@/api/client'

/** Replaces a level's order, or the rows' own where no level is named. */
export function setOrder(report: Report, level: string | undefined, order: Order[]): Report {
  const { levels, rows } = parts(report)
  return level
    ? withBlock(report, { levels: changed(levels, level, { order }) })
    : withBlock(report, { rows: { ...rows, order } })
}
