import { changed, moved, parts, withBlock } from './report'
import type { Column, Report, Total } from '@/api/client'

/** Columns with the totals under them, as they are copied. */
export interface CopiedColumns {
  columns: Column[]
  totals: Total[]
}

export function moveColumn(report: Report, id: string, before: number): Report {
  return withBlock(report, { columns: moved(parts(report).columns, id, before) })
}

/** Moves a column past its neighbour; switched-off columns are passed over in one step. */
export function nudgeColumn(report: Report, id: string, step: -1 | 1): Report {
  const { columns } = parts(report)
  let at = columns.findIndex((column) => column.id === id)
  do {
    at += step
  } while (columns[at]?.off)
  return at < 0 || at >= columns.length ? report : moveColumn(report, id, step > 0 ? at + 1 : at)
}

export function changeColumn(report: Report, id: string, change: Partial<Column>): Report {
  return withBlock(report, { columns: changed(parts(report).columns, id, change) })
}

export function copyColumns(report: Report, ids: string[]): CopiedColumns {
  const { columns, totals } = parts(report)
  return {
    columns: columns.filter((column) => ids.includes(column.id)),
    totals: totals.filter((total) => ids.includes(total.column)),
  }
}
