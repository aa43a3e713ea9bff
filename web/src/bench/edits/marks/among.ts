import { block } from '../report'
import type { Level, Report } from '@/api/client'

/** A condition is about one value: what is more than a name stands in brackets. */
export const operand = (value: string) => (/^"?[\w-]+"?$/.test(value) ? value : `(${value})`)

const named = (id: string) => (/^[a-z_][a-z0-9_]*$/.test(id) ? id : `"${id}"`)

/** Names the groups of levels that something stands in: all of them, from the outermost down. */
const partition = (levels: Level[]) =>
  levels.length ? `PARTITION BY ${levels.map((level) => named(level.id)).join(', ')}` : ''

/** Over the groups of these levels, or the whole report. */
export const over = (levels: Level[]) => `OVER (${partition(levels)})`

/** Over them in an order. */
const ordered = (levels: Level[], order: string) =>
  `OVER (${[partition(levels), `ORDER BY ${order}`].filter(Boolean).join(' ')})`

/** The place of a value among the others in its group, the largest first. */
export const rank = (x: string, levels: Level[], descending = true) =>
  `RANK() ${ordered(levels, descending ? `${x} DESC` : x)}`

/** Which part of the others in its group are no smaller. */
export const part = (x: string, levels: Level[]) => `CUME_DIST() ${ordered(levels, `${x} DESC`)}`

/** Further from what is printed before it than some part of that. */
export const changed = (x: string, levels: Level[], stepped: string) => {
  const before = `LAG(${x}) ${ordered(levels, named(stepped))}`
  return `ABS(${x} - ${before}) > 0.1 * ABS(${before})`
}

/** More than one in the report has it. */
export const alike = (field: string) => `COUNT(*) OVER (PARTITION BY ${field}) > 1 AND ${field} IS NOT NULL`

/** The levels around a level, from the outermost down. */
export function around(report: Report, id: string): Level[] {
  const { levels } = block(report)
  return levels.slice(
    0,
    levels.findIndex((level) => level.id === id),
  )
}
