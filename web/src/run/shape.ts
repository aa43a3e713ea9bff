/** How a run is looked at: page by page, as one list, or all pages at a glance. */
export type Shape = 'pages' | 'list' | 'overview'

const SHAPES: Shape[] = ['pages', 'list', 'overview']

/** The shape that an address asks for, if it asks for one. */
export const shapeOf = (asked: unknown): Shape | undefined => SHAPES.find((shape) => shape === asked)
