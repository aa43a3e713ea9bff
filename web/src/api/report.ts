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

/** The parts that a table has beside those of every block. */
type TableParts = 'levels' | 'columns' | 'totals' | 'counts' | 'rows'

/** The parts that blocks of every kind may have. */
type BlockParts = Omit<
  AnyBlock,
  | 'kind'
  | TableParts
  | 'figures'
  | 'paragraphs'
  | 'layout'
  | 'totalText'
  | 'totalsCover'
  | 'rounding'
  | 'highlights'
>

/** A table; "banded" is its older word. */
export type TableBlock = BlockParts & { kind: 'table' | 'banded' } & Required<
    Pick<AnyBlock, TableParts | 'highlights'>
  > &
  Pick<AnyBlock, 'layout' | 'totalText' | 'totalsCover' | 'rounding'>

/** A block of key figures. */
export type FiguresBlock = BlockParts & { kind: 'figures' } & Required<
    Pick<AnyBlock, 'figures' | 'highlights'>
  >

/** A block of paragraphs. */
export type TextBlock = BlockParts & { kind: 'text' } & Required<Pick<AnyBlock, 'paragraphs'>>

/** A block as the bench works on it. */
export type Block = TableBlock | FiguresBlock | TextBlock

/** A report as the bench works on it. */
export type Report = Omit<AnyReport, 'blocks'> & { blocks: Block[] }
