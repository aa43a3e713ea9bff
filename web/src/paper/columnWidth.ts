/** The widths that a column may have, in points: those that a definition and a reader's view allow. */
export const LEAST_POINTS = 10
export const MOST_POINTS = 1000

/** The nearest width that is allowed. */
export const allowedWidth = (points: number) =>
  Math.min(MOST_POINTS, Math.max(LEAST_POINTS, Math.round(points)))
