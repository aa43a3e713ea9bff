import type { Block, Document, DocumentBlock, FiguresBlock, Report, TableBlock, TextBlock } from './report'

/** A definition as the bench works on it: every block has the lists of its kind, if only empty ones. */
export function complete(document: Document): Report {
  return { ...document, blocks: document.blocks.map(completeBlock) }
}

export function completeBlock(block: DocumentBlock): Block {
  switch (block.kind) {
    case 'figures':
      return { ...block, figures: block.figures ?? [], highlights: block.highlights ?? [] } as FiguresBlock
    case 'text':
      return { ...block, paragraphs: block.paragraphs ?? [] } as TextBlock
    case 'table':
    case 'banded':
      return {
        ...block,
        levels: block.levels ?? [],
        columns: block.columns ?? [],
        totals: block.totals ?? [],
        counts: block.counts ?? [],
        highlights: block.highlights ?? [],
        rows: block.rows ?? { shown: false, order: [] },
      } as TableBlock
  }
}

/** The same as a document, without the lists that a block need not have. */
export function documentOf(report: Report): Document {
  return { ...report, blocks: report.blocks.map(documentBlock) }
}

function documentBlock(block: Block): DocumentBlock {
  if (block.kind !== 'figures') {
    return block
  }
  const { highlights, ...rest } = block
  return highlights.length > 0 ? block : rest
}

/** Whether a block is a table, by either of its words. */
export const isTable = (block: Block): block is TableBlock =>
  block.kind === 'table' || block.kind === 'banded'
