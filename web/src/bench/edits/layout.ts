import { stripped } from './report'
import type { Report } from '@/api/client'

/** A layout with one choice made otherwise; one that says nothing any more is left out. */
export function laidOut<T extends object, K extends keyof T>(
  layout: T | undefined,
  key: K,
  value: T[K] | undefined,
): T | undefined {
  const said = Object.entries({ ...layout, [key]: value }).filter(
    ([, one]) => one !== undefined && one !== null && one !== false && one !== '',
  )
  return said.length ? (Object.fromEntries(said) as T) : undefined
}

/** The parts of a line at the edge of pages. */
export const PARTS = ['start', 'centre', 'end'] as const
export type EdgePart = (typeof PARTS)[number]

/** The report with the text of one part of a line at an edge of its pages in another. */
export function withMovedText(
  report: Report,
  edge: keyof NonNullable<Report['page']['lines']>,
  from: EdgePart,
  to: EdgePart,
): Report {
  const line = report.page.lines?.[edge]
  const lines = line && { ...report.page.lines, [edge]: movedText(line, from, to) }
  return lines ? { ...report, page: { ...report.page, lines } } : report
}

/** A line with the text of one part in another; what stands there comes in its place. */
export function movedText<T extends Partial<Record<EdgePart, string>>>(
  line: T,
  part: EdgePart,
  to: EdgePart,
): T {
  return stripped({ ...line, [part]: line[to], [to]: line[part] })
}
