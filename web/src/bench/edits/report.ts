import { isTable } from '@/api/documents'
import type { Block, FiguresBlock, Report, TableBlock, TextBlock } from '@/api/client'

type TableLists = Pick<TableBlock, 'levels' | 'columns' | 'totals' | 'counts' | 'highlights' | 'rows'>

/** What a block is made of; what its kind does not have is empty. */
export type Parts = TableLists & Pick<FiguresBlock, 'figures'> & Pick<TextBlock, 'paragraphs'>

const NO_PARTS: Parts = {
  levels: [],
  columns: [],
  totals: [],
  counts: [],
  highlights: [],
  rows: { shown: false, order: [] },
  figures: [],
  paragraphs: [],
}

/** A change to some properties of a block. */
export type BlockChange = Partial<Omit<TableBlock, 'kind'> & Omit<Parts, 'highlights'>>

/** The table that is worked on: the first that is switched on. */
export function block(report: Report): Block {
  const [first] = report.blocks
  return report.blocks.find((one) => !one.off) ?? first!
}

/** What a block is made of. */
export const partsOf = (of: Block): Parts => ({ ...NO_PARTS, ...of })

/** What the block that is worked on is made of. */
export const parts = (report: Report): Parts => partsOf(block(report))

/** The block that is worked on, where it is a table. */
export function table(report: Report): TableBlock | undefined {
  const worked = block(report)
  return isTable(worked) ? worked : undefined
}

/** A block with some properties changed. */
export const changedBlock = (of: Block, change: BlockChange): Block => stripped({ ...of, ...change } as Block)

/** The report with that table changed; properties that become undefined are taken out. */
export function withBlock(report: Report, change: BlockChange): Report {
  const { id } = block(report)
  const blocks = report.blocks.map((one) => (one.id === id ? changedBlock(one, change) : one))
  return { ...report, blocks }
}

/** A list with one part changed; properties that become undefined are taken out. */
export function changed<T extends { id: string }>(list: T[], id: string, change: Partial<T>): T[] {
  return list.map((part) => (part.id === id ? stripped({ ...part, ...change }) : part))
}

export function stripped<T extends object>(part: T): T {
  return Object.fromEntries(Object.entries(part).filter(([, value]) => value !== undefined)) as T
}

/** A list with one part moved so that it stands before what is at an index now. */
export function moved<T extends { id: string }>(list: T[], id: string, before: number): T[] {
  const from = list.findIndex((part) => part.id === id)
  if (from < 0) {
    return list
  }
  const rest = list.filter((part) => part.id !== id)
  const to = Math.min(rest.length, Math.max(0, before > from ? before - 1 : before))
  return [...rest.slice(0, to), list[from]!, ...rest.slice(to)]
}

/** A report about nothing yet. */
export function emptyReport(id: string, title: string, dataset: string, counts: string[]): Report {
  return {
    format: 'grammatus-report',
    version: 1,
    id,
    title,
    dataset,
    locale: 'en-GB',
    prompts: [],
    filters: [],
    blocks: [
      {
        id: 'table',
        kind: 'banded',
        levels: [],
        columns: [],
        totals: [],
        counts,
        highlights: [],
        rows: { shown: true, order: [] },
      },
    ],
    page: { paper: 'A4', orientation: 'portrait', margins: { top: 14, right: 15, bottom: 12, left: 18 } },
  }
}
