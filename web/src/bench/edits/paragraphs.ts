import { changed, moved, parts, withBlock } from './report'
import type { Paragraph, Report } from '@/api/client'

const paragraphsOf = (report: Report): Paragraph[] => parts(report).paragraphs ?? []

export function changeParagraph(report: Report, id: string, change: Partial<Paragraph>): Report {
  return withBlock(report, { paragraphs: changed(paragraphsOf(report), id, change) })
}

export function removeParagraph(report: Report, id: string): Report {
  return withBlock(report, { paragraphs: paragraphsOf(report).filter((one) => one.id !== id) })
}

export function moveParagraph(report: Report, id: string, before: number): Report {
  return withBlock(report, { paragraphs: moved(paragraphsOf(report), id, before) })
}
