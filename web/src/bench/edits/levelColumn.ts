import { block, withBlock } from './report'
import { changeLevel, columnOfLevel } from './levels'
import type { Column, Level, Report } from '@/api/client'

/** How the groups of a level say their names: as the definition has it, or in a column of their own. */
export type Heading = Level['header'] | 'column'

/** Whether a level's groups can be named in a column: where rows are printed, by what these have. */
export function canStandInColumn(report: Report, level: Level): boolean {
  return block(report).rows.shown && !level.bucket && !level.classes
}

export function headingOf(report: Report, level: Level): Heading {
  return level.header === 'none' &&
    block(report).columns.some((column) => column.id === columnOfLevel(level.id))
    ? 'column'
    : level.header
}

/** The report with a level's groups named otherwise. In a column a name stands once, and again at the top of a page. */
export function setHeading(report: Report, level: Level, heading: Heading): Report {
  const id = columnOfLevel(level.id)
  const { columns, levels } = block(report)
  const rest = columns.filter((column) => column.id !== id)
  if (heading !== 'column') {
    return changeLevel(withBlock(report, { columns: rest }), level.id, { header: heading })
  }
  const column: Column = { id, label: level.name, value: level.label ?? level.key, once: level.id }
  // Those of levels further out stand before it.
  const outer = levels.slice(
    0,
    levels.findIndex((one) => one.id === level.id),
  )
  const before = rest.filter((one) => outer.some((out) => one.id === columnOfLevel(out.id))).length
  const grown = withBlock(report, { columns: [...rest.slice(0, before), column, ...rest.slice(before)] })
  return changeLevel(grown, level.id, { header: 'none' })
}
