import { block, changed, freeId, moved, withBlock } from './report'
import type { Paragraph, Report } from '@/api/client'

const paragraphsOf = (report: Report): Paragraph[] => block(report).paragraphs ?? []

/** A paragraph of a kind, after the others. */
export function addParagraph(report: Report, kind: Paragraph['kind'], text: string): Report {
  const id = freeId(report, `p-${kind}`)
  const paragraph: Paragraph = kind === 'lines' ? { id, kind, lines: 4 } : { id, kind, text }
  return withBlock(report, { paragraphs: [...paragraphsOf(report), paragraph] })
}

export function changeParagraph(report: Report, id: string, change: Partial<Paragraph>): Report {
  return withBlock(report, { paragraphs: changed(paragraphsOf(report), id, change) })
}

export function removeParagraph(report: Report, id: string): Report {
  return withBlock(report, { paragraphs: paragraphsOf(report).filter((one) => one.id !== id) })
}

export function moveParagraph(report: Report, id: string, before: number): Report {
  return withBlock(report, { paragraphs: moved(paragraphsOf(report), id, before) })
}
