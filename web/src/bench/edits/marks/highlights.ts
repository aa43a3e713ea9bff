import { changed, moved, parts, withBlock } from '../report'
import type { Highlight, Report } from '@/api/client'

export function changeHighlight(report: Report, id: string, change: Partial<Highlight>): Report {
  return withBlock(report, { highlights: changed(parts(report).highlights, id, change) })
}

export function moveHighlight(report: Report, id: string, before: number): Report {
  return withBlock(report, { highlights: moved(parts(report).highlights, id, before) })
}
