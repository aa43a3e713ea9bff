import { block, changed, freeId, moved, stripped, withBlock } from './report'
import { printsInRows } from './perRow'
import type { Column, FieldView, Level, Report, Total } from '@/api/client'

type LevelSource = Pick<FieldView, 'id' | 'label'> & { level: NonNullable<FieldView['level']> }

/** A field's level. A first level under measures alone makes a summary: its groups are lines, its rows are not printed. */
export function addLevel(report: Report, field: LevelSource, before = block(report).levels.length): Report {
  const { levels, columns, totals, rows } = block(report)
  const summed = new Set(totals.map((total) => total.column))
  const measuresAlone = columns.length > 0 && columns.every((column) => summed.has(column.id))
  const id = freeId(report, field.id)
  const main = totals.find((total) => total.value.startsWith('SUM(')) ?? totals[0]
  const level: Level = stripped({
    id,
    name: field.label,
    key: field.level.key,
    bucket: field.level.bucket as Level['bucket'],
    label: field.level.label,
    order:
      main && !field.level.bucket
        ? [{ id: freeId(report, `o-${id}`, [id]), by: main.value, direction: 'descending' as const }]
        : [],
    header: 'heading',
    footer: 'totals',
  })
  const grown = withBlock(report, {
    levels: [...levels.slice(0, before), level, ...levels.slice(before)],
    totals: totals.map((total) =>
      total.cells.some((cell) => cell.at === 'report')
        ? { ...total, cells: [...total.cells, { at: id, in: 'footer' as const }] }
        : total,
    ),
    rows: levels.length === 0 && measuresAlone ? { ...rows, shown: false } : rows,
  })
  return arranged(grown)
}

/**
 * A level of what a column shows; the column goes, unless something is totalled under it.
 *
 * @param field the field that the column shows, where it shows one
 */
export function levelFromColumn(report: Report, columnId: string, field?: FieldView): Report {
  const { columns, totals } = block(report)
  const column = columns.find((c) => c.id === columnId)
  if (!column?.value) {
    return report
  }
  const isTotalled = totals.some((total) => total.column === columnId)
  const rest = isTotalled ? report : withBlock(report, { columns: columns.filter((c) => c.id !== columnId) })
  return addLevel(rest, {
    id: field?.id ?? column.id.replace(/^c-/, ''),
    label: column.label || column.value,
    level: field?.level ?? { key: column.value },
  })
}

export function removeLevel(report: Report, id: string): Report {
  const { levels, totals, columns, rows } = block(report)
  const left = levels.filter((level) => level.id !== id)
  return arranged(
    withBlock(report, {
      levels: left,
      totals: totals.map((total) => ({ ...total, cells: total.cells.filter((cell) => cell.at !== id) })),
      columns: columns
        .filter((column) => column.id !== labelColumnId(id) && column.id !== columnOfLevel(id))
        .map((column) => (column.once === id ? stripped({ ...column, once: undefined }) : column)),
      rows: left.length === 0 ? { ...rows, shown: rowsShown(report, true) } : rows,
    }),
  )
}

export function moveLevel(report: Report, id: string, before: number): Report {
  return arranged(withBlock(report, { levels: moved(block(report).levels, id, before) }))
}

export function changeLevel(report: Report, id: string, change: Partial<Level>): Report {
  const next = withBlock(report, { levels: changed(block(report).levels, id, change) })
  return 'off' in change ? arranged(next) : next
}

export function showRows(report: Report, shown: boolean): Report {
  const { rows } = block(report)
  return arranged(withBlock(report, { rows: { ...rows, shown } }))
}

/** Whether a column says what groups printed as lines are called. */
export function isLabel(report: Report, column: Column): boolean {
  return block(report).levels.some((level) => column.id === labelColumnId(level.id))
}

/** Whether rows are worth printing: not where nothing would stand in them. */
export function rowsShown(report: Report, wanted = block(report).rows.shown): boolean {
  const { columns } = block(report)
  const printed = columns.filter((column) => !column.off && !isLabel(report, column))
  return printed.length === 0 || printed.some((column) => printsInRows(column.value))
    ? wanted || block(report).rows.shown
    : false
}

/** How many rows, from the first, are kept in each group; none keeps all. */
export type Rows = ReturnType<typeof block>['rows']
export type RowLimits = Partial<Pick<Rows, 'limit' | 'percent' | 'others'>>

/** Shows so many rows of each group; of no limits, all of them. */
export function limitRows(report: Report, limits: RowLimits): Report {
  const { shown, order } = block(report).rows
  return withBlock(report, { rows: stripped({ shown, order, ...limits }) })
}

/** The column in which the groups of a level stand by their names, where it has one of its own. */
export const columnOfLevel = (level: string) => `c-in-${level}`.slice(0, 64)

/** The column in which a level printed as lines says what its groups are called. */
function labelColumnId(level: string): string {
  return `c-of-${level}`.slice(0, 64)
}

/**
 * Puts headers in their usual form: without rows the innermost level is printed as lines, with its labels in a column of their
 * own and its totals beside them; every other level that was lines becomes a heading with its totals below.
 */
export function arranged(report: Report): Report {
  const { levels, rows } = block(report)
  const innermost = rows.shown ? undefined : levels.findLast((level) => !level.off)
  let next = report
  for (const level of levels) {
    if (level.id === innermost?.id && level.header !== 'line') {
      next = asLines(next, level)
    } else if (level.id !== innermost?.id && level.header === 'line') {
      next = asHeading(next, level)
    }
  }
  return next
}

function asLines(report: Report, level: Level): Report {
  const { columns, levels, totals } = block(report)
  const id = labelColumnId(level.id)
  const value = level.label ?? level.key
  const shown = columns.some((column) => column.value === value)
  const label: Column = { id, label: level.name, value }
  return withBlock(report, {
    levels: changed(levels, level.id, { header: 'line', footer: 'none' }),
    columns: shown ? columns : [label, ...columns],
    totals: placed(totals, level.id, 'header'),
  })
}

function asHeading(report: Report, level: Level): Report {
  const { columns, levels, totals } = block(report)
  return withBlock(report, {
    levels: changed(levels, level.id, { header: 'heading', footer: 'totals' }),
    columns: columns.filter((column) => column.id !== labelColumnId(level.id)),
    totals: placed(totals, level.id, 'footer'),
  })
}

/** Totals with their cells at a level in another place; a total at every level has one there too. */
function placed(totals: Total[], level: string, place: 'header' | 'footer'): Total[] {
  return totals.map((total) => ({
    ...total,
    cells: total.cells.map((cell) => (cell.at === level ? { at: level, in: place } : cell)),
  }))
}
