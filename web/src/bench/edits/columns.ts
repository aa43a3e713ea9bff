import { isLabel, rowsShown, showRows } from './levels'
import { block, changed, freeId, moved, withBlock } from './report'
import { everywhere } from './totals'
import { perRow } from './perRow'
import type { Column, FieldView, Report, Total } from '@/api/client'

/** Columns with the totals under them, as they are copied. */
export interface CopiedColumns {
  columns: Column[]
  totals: Total[]
}

/**
 * A field's column, with its usual total at every level.
 *
 * A report that only groups, and is given figures, becomes a summary; a plain list again as soon as something stands in its rows.
 */
export function addColumn(report: Report, field: FieldView, before = block(report).columns.length): Report {
  const { levels } = block(report)
  const grown = withColumn(report, field, before)
  const isFirst = block(report).columns.every((column) => column.off || isLabel(report, column))
  if (isFirst && levels.length > 0 && field.usual) {
    return showRows(grown, false)
  }
  return showRows(grown, rowsShown(grown, perRow(field) && levels.length === 0))
}

function withColumn(report: Report, field: FieldView, before: number): Report {
  const id = freeId(report, `c-${field.id}`)
  const columns = [...block(report).columns]
  // What is empty in rows would stand as texts do; a measure's figures stand as figures.
  const align = perRow(field) ? {} : { align: 'end' as const }
  const value = field.value ? { value: field.value } : {}
  columns.splice(before, 0, { id, label: field.label, ...value, ...align })
  const grown = withBlock(report, { columns })
  if (!field.usual) {
    return grown
  }
  const total: Total = {
    id: freeId(grown, `t-${field.id}`),
    column: id,
    value: field.usual,
    cells: everywhere(grown),
  }
  return withBlock(grown, { totals: [...block(grown).totals, total] })
}

export function removeColumns(report: Report, ids: string[]): Report {
  const { columns, totals } = block(report)
  const rest = withBlock(report, {
    columns: columns.filter((column) => !ids.includes(column.id)),
    totals: totals.filter((total) => !ids.includes(total.column)),
  })
  return showRows(rest, rowsShown(rest))
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

/** A column changed; what it totals goes along with what it shows. */
export function changeColumn(report: Report, id: string, change: Partial<Column>): Report {
  const { columns, totals } = block(report)
  const before = columns.find((column) => column.id === id)?.value
  const next = withBlock(report, { columns: changed(columns, id, change) })
  const { value } = change
  return before && value
    ? withBlock(next, {
        totals: totals.map((total) =>
          total.column === id ? { ...total, value: takenOver(total.value, before, value) } : total,
        ),
      })
    : next
}

/** An aggregate of something, taken of something else where that is all it is taken of. */
function takenOver(aggregate: string, before: string, value: string): string {
  const [, head, of] = /^([A-Z]+\s*\(\s*(?:DISTINCT\s+)?)([\s\S]*?)\s*\)(?=$|\s)/i.exec(aggregate) ?? []
  return of === before
    ? `${head}${value})${aggregate.slice(aggregate.indexOf(')', head!.length + of.length) + 1)}`
    : aggregate
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
