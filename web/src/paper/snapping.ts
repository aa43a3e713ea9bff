import type { PageView } from '@/api/client'

/** A millimetre, in hundredths of a point. */
export const MILLIMETRE = 7200 / 25.4
/** Marks of the ruler that edges are drawn to stand so many millimetres apart. */
export const MARK = 5

/** Where an edge comes to stand. */
export interface Snapped {
  /** In hundredths of a point, from the left edge of the paper. */
  x: number
  /** What drew it there: another edge on the page, or a mark of the ruler. */
  to?: 'edge' | 'mark'
}

/**
 * Where an edge comes to stand that is dragged to a place: at another edge of the page that is near, so that what stands below one another
 * is in line, else at a mark of the ruler, else where it is.
 *
 * @param column id of the column whose edge it is
 * @param from where the ruler begins
 * @param near how near is near, in hundredths of a point
 */
export function snapped(page: PageView, column: string, x: number, from: number, near: number): Snapped {
  const own = page.parts.columns.find((one) => one.id === column)
  const others = [
    ...page.parts.columns
      .filter((one) => one.block !== own?.block)
      .flatMap((one) => [one.x, one.x + one.width]),
    ...page.parts.blocks.map((block) => block.x + block.width),
  ]
  const edge = nearest(others, x)
  if (edge !== undefined && Math.abs(edge - x) <= near) {
    return { x: edge, to: 'edge' }
  }
  const mark = from + Math.round((x - from) / (MARK * MILLIMETRE)) * MARK * MILLIMETRE
  return Math.abs(mark - x) <= near / 2 ? { x: mark, to: 'mark' } : { x }
}

const nearest = (places: number[], x: number) =>
  places.reduce<number | undefined>(
    (best, one) => (best === undefined || Math.abs(one - x) < Math.abs(best - x) ? one : best),
    undefined,
  )
