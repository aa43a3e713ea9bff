import type { Block as AnyBlock, GrammatusReportDefinitionFormatVersion1 as AnyReport } from './definition'

/** A report's definition; the types are made from the published JSON Schema. */
export type {
  Cell,
  Column,
  FieldInReport,
  Figure,
  Filter,
  Highlight,
  Level,
  Order,
  Paragraph,
  Prompt,
  Total,
} from './definition'

/** A report's definition as it is written, kept and sent. */
export type Document = AnyReport
export type DocumentBlock = AnyBlock

/** A block as the bench works on it. */
export type Block = AnyBlock &
  Required<Pick<AnyBlock, 'levels' | 'columns' | 'totals' | 'counts' | 'highlights' | 'rows'>>

/** A report as the bench works on it. */
export type Report = Omit<AnyReport, 'blocks'> & { blocks: Block[] }
