import { block, changed, moved, withBlock } from '../report'
import type { Highlight, Report } from '@/api/client'

export function changeHighlight(report: Report, id: string, change: Partial<Highlight>): Report {
  return withBlock(report, { highlights: changed(block(report).highlights, id, change) })
}

export function moveHighlight(report: Report, id: string, before: number): Report {
  return withBlock(report, { highlights: moved(block(report).highlights, id, before) })
}
