import { changed, moved, parts, withBlock } from './report'
import type { Figure, Report } from '@/api/client'

const figuresOf = (report: Report): Figure[] => parts(report).figures ?? []

/** A figure changed; what becomes undefined is taken out. */
export function changeFigure(report: Report, id: string, change: Partial<Figure>): Report {
  return withBlock(report, { figures: changed(figuresOf(report), id, change) })
}

export function moveFigure(report: Report, id: string, before: number): Report {
  return withBlock(report, { figures: moved(figuresOf(report), id, before) })
}
