import type { Level } from '@/api/client'

export type NumberClass = NonNullable<Level['classes']>[number]

const FIRST_EDGE = 10

/** One class more below the rest, as wide as the one before it. */
export function widened(classes: NumberClass[]): NumberClass[] {
  const edges = classes.map((entry) => Number(entry.upTo)).filter((edge) => Number.isFinite(edge))
  const last = edges.at(-1) ?? 0
  const step = last - (edges.at(-2) ?? 0) || FIRST_EDGE
  return [...classes.slice(0, -1), { upTo: String(last + step) }, classes.at(-1) ?? {}]
}
