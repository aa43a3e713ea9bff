import type { Block, Document, DocumentBlock, Report } from './report'

/** What tables alone are made of. */
const OF_TABLES = ['levels', 'columns', 'totals', 'counts', 'highlights', 'rows'] as const

/** A definition as the bench works on it: every block has a table's parts, if only none. */
export function complete(document: Document): Report {
  return { ...document, blocks: document.blocks.map(completeBlock) }
}

export function completeBlock(block: DocumentBlock): Block {
  return {
    ...block,
    levels: block.levels ?? [],
    columns: block.columns ?? [],
    totals: block.totals ?? [],
    counts: block.counts ?? [],
    highlights: block.highlights ?? [],
    rows: block.rows ?? { shown: false, order: [] },
  }
}

/** The same as a document, where each kind of block has its own parts alone. */
export function documentOf(report: Report): Document {
  return {
    ...report,
    blocks: report.blocks.map((block) =>
      isTable(block)
        ? block
        : (Object.fromEntries(
            Object.entries(block).filter(
              ([name]) =>
                !(OF_TABLES as readonly string[]).includes(name) ||
                (name === 'highlights' && block.kind === 'figures' && block.highlights.length > 0),
            ),
          ) as unknown as DocumentBlock),
    ),
  }
}

/** Whether a block is a table, by either of its words. */
export const isTable = (block: DocumentBlock) => block.kind === 'table' || block.kind === 'banded'
