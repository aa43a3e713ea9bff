import { parts } from './report'
import type { Level, Report } from '@/api/client'

/** How the groups of a level say their names: as the definition has it, or in a column of their own. */
export type Heading = Level['header'] | 'column'

/** Whether a level's groups can be named in a column: where rows are printed, by what these have. */
export function canStandInColumn(report: Report, level: Level): boolean {
  return parts(report).rows.shown && !level.bucket && !level.classes
}

/** The column in which the groups of a level stand by their names, where it has one of its own. */
const columnOfLevel = (level: string) => `c-in-${level}`.slice(0, 64)

export function headingOf(report: Report, level: Level): Heading {
  return level.header === 'none' &&
    parts(report).columns.some((column) => column.id === columnOfLevel(level.id))
    ? 'column'
    : level.header
}
