import { block, changed, freeId, withBlock } from './report'
import type { ColumnOrder, Order, Report } from '@/api/client'

export type Direction = Order['direction']

/**
 * Orders a table by one of its columns. What that means for each level and for the rows is the server's to say.
 *
 * @param meant what ordering by the column means
 */
export function orderByColumn(report: Report, meant: ColumnOrder, direction: Direction): Report {
  const { levels, rows } = block(report)
  const taken: string[] = []
  const term = (about: string, by: string): Order => {
    const id = freeId(report, `o-${about}`, taken)
    taken.push(id)
    return { id, by, direction }
  }
  const by = new Map(meant.levels.map((level) => [level.level, level.by]))
  return withBlock(report, {
    levels: levels.map((level) => {
      const text = by.get(level.id)
      return text ? { ...level, order: [term(level.id, text)] } : level
    }),
    rows: {
      ...rows,
      order: meant.rows
        ? [term('rows', meant.rows), ...rows.order.filter((o) => o.by !== meant.rows)].slice(0, 20)
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
