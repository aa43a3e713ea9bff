import { arranged } from './levels'
import { block, changed, freeId, moved, withBlock } from './report'
import { everywhere } from './totals'
import { perRow } from '../perRow'
import type { Column, FieldView, Report, Total } from '@/api/client'

/** Columns with the totals under them, as they are copied. */
export interface CopiedColumns {
  columns: Column[]
  totals: Total[]
}

/** A field's column, with its usual total at every level. */
export function addColumn(report: Report, field: FieldView, before = block(report).columns.length): Report {
  const id = freeId(report, `c-${field.id}`)
  const columns = [...block(report).columns]
  // What is empty in rows would stand as texts do; a measure's figures stand as figures.
  const align = perRow(field) ? {} : { align: 'end' as const }
  columns.splice(before, 0, { id, label: field.label, value: field.value, ...align })
  const grown = withBlock(report, { columns })
  if (!field.usual) {
    return arranged(grown)
  }
  const total: Total = {
    id: freeId(grown, `t-${field.id}`),
    column: id,
    value: field.usual,
    cells: everywhere(grown),
  }
  return arranged(withBlock(grown, { totals: [...block(grown).totals, total] }))
}

export function removeColumns(report: Report, ids: string[]): Report {
  const { columns, totals } = block(report)
  return withBlock(report, {
    columns: columns.filter((column) => !ids.includes(column.id)),
    totals: totals.filter((total) => !ids.includes(total.column)),
  })
}

export function moveColumn(report: Report, id: string, before: number): Report {
  return withBlock(report, { columns: moved(block(report).columns, id, before) })
}

/** Moves a column past its neighbour; switched-off columns are passed over in one step. */
export function nudgeColumn(report: Report, id: string, step: -1 | 1): Report {
  const { columns } = block(report)
  let at = columns.findIndex((column) => column.id === id)
  do {
    at += step
  } while (columns[at]?.off)
  return at < 0 || at >= columns.length ? report : moveColumn(report, id, step > 0 ? at + 1 : at)
}

export function changeColumn(report: Report, id: string, change: Partial<Column>): Report {
  return withBlock(report, { columns: changed(block(report).columns, id, change) })
}

export function copyColumns(report: Report, ids: string[]): CopiedColumns {
  const { columns, totals } = block(report)
  return {
    columns: columns.filter((column) => ids.includes(column.id)),
    totals: totals.filter((total) => ids.includes(total.column)),
  }
}

/** Puts copied columns after one, under ids of their own; totals at levels that are not here are left out. */
export function pasteColumns(report: Report, copied: CopiedColumns, after?: string): Report {
  const places = new Set([...block(report).levels.map((level) => level.id), 'report'])
  const taken: string[] = []
  const fresh = (id: string) => {
    const free = freeId(report, id, taken)
    taken.push(free)
    return free
  }
  const renamed = new Map(copied.columns.map((column) => [column.id, fresh(column.id)]))
  const columns = [...block(report).columns]
  const at = columns.findIndex((column) => column.id === after)
  columns.splice(
    at < 0 ? columns.length : at + 1,
    0,
    ...copied.columns.map((column) => ({ ...column, id: renamed.get(column.id)! })),
  )
  const totals = copied.totals.map((total) => ({
    ...total,
    id: fresh(total.id),
    column: renamed.get(total.column)!,
    cells: total.cells.filter((cell) => places.has(cell.at)),
  }))
  return withBlock(report, { columns, totals: [...block(report).totals, ...totals] })
}
