import { block, changed, freeId, moved, withBlock } from './report'
import type { Highlight, Report } from '@/api/client'

export function addHighlight(
  report: Report,
  label: string,
  when: string,
  reach?: Highlight['reach'],
): Report {
  const highlight: Highlight = {
    id: freeId(report, `h-${label}`),
    label,
    when,
    look: 'alert',
    ...(reach ? { reach } : {}),
  }
  return withBlock(report, { highlights: [...block(report).highlights, highlight] })
}

export function changeHighlight(report: Report, id: string, change: Partial<Highlight>): Report {
  return withBlock(report, { highlights: changed(block(report).highlights, id, change) })
}

export function removeHighlight(report: Report, id: string): Report {
  return withBlock(report, { highlights: block(report).highlights.filter((h) => h.id !== id) })
}

export function moveHighlight(report: Report, id: string, before: number): Report {
  return withBlock(report, { highlights: moved(block(report).highlights, id, before) })
}
