/** A report's definition; the types are made from the published JSON Schema. */
export type {
  Block,
  Cell,
  Column,
  Filter,
  GrammatusReportDefinitionFormatVersion1 as Report,
  Highlight,
  Level,
  Order,
  Prompt,
  Total,
} from './definition'
