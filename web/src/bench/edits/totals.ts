import { changed, parts, withBlock } from './report'
import type { Report, Total } from '@/api/client'

export type Place = 'header' | 'footer' | 'none'

/** Stands for the whole report where a level's id is asked for. */
export const REPORT = 'report'

export function placeOf(total: Total, at: string): Place {
  return total.cells.find((cell) => cell.at === at)?.in ?? 'none'
}

export function changeTotal(report: Report, id: string, change: Partial<Total>): Report {
  return withBlock(report, { totals: changed(parts(report).totals, id, change) })
}
