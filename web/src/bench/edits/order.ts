import { block, changed, freeId, withBlock } from './report'
import type { Order, Report } from '@/api/client'

export type Direction = Order['direction']

/** What a column is ordered by at a level: the total it prints there. */
function orderedBy(report: Report, column: string, level: string): string | undefined {
  return block(report).totals.find(
    (total) => total.column === column && total.cells.some((cell) => cell.at === level),
  )?.value
}

/** Whether and how a column decides the order now. */
export function columnDirection(report: Report, columnId: string): Direction | undefined {
  const { levels, rows, columns } = block(report)
  for (const level of levels) {
    const by = orderedBy(report, columnId, level.id)
    if (by && level.order[0]?.by === by) {
      return level.order[0].direction
    }
  }
  const value = columns.find((column) => column.id === columnId)?.value
  return rows.order[0]?.by === value ? rows.order[0]?.direction : undefined
}

/** Orders every level by the total it prints under a column, and the rows by the column itself. */
export function orderByColumn(report: Report, columnId: string, direction: Direction): Report {
  const { levels, columns, rows } = block(report)
  const column = columns.find((c) => c.id === columnId)
  if (!column) {
    return report
  }
  const taken: string[] = []
  const term = (about: string, by: string): Order => {
    const id = freeId(report, `o-${about}`, taken)
    taken.push(id)
    return { id, by, direction }
  }
  return withBlock(report, {
    levels: levels.map((level) => {
      const total = orderedBy(report, columnId, level.id)
      const by = total ?? (level.header === 'line' ? column.value : undefined)
      return by ? { ...level, order: [term(level.id, by)] } : level
    }),
    rows: {
      ...rows,
      order: column.value
        ? [term('rows', column.value), ...rows.order.filter((o) => o.by !== column.value)].slice(0, 20)
        : rows.order,
    },
  })
}

/** Replaces a level's order, or the rows' own where no level is named. */
export function setOrder(report: Report, level: string | undefined, order: Order[]): Report {
  const { levels, rows } = block(report)
  return level
    ? withBlock(report, { levels: changed(levels, level, { order }) })
    : withBlock(report, { rows: { ...rows, order } })
}
