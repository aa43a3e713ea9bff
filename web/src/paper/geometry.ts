import type { PageView } from '@/api/client'

/** A row of the page with its cells, unpacked from the flat lists of the page model. Lengths in hundredths of a point. */
export interface Band {
  role: PageView['roles'][number]
  top: number
  height: number
  node: number
  /** Number of the row it prints, or -1. */
  row: number
  /** Index of the block that it is a part of. */
  block: number
  /** Id of how it is marked. */
  look?: string
  /** What is behind it where it is marked, as a colour. */
  fill?: string
  /** What its mark stands for. */
  markLabel?: string
  cells: Cell[]
}

export interface Cell {
  x: number
  baseline: number
  width: number
  text: string
  style: number
  node: number
  id: number
  figure: boolean
  /** Whether it reads from bottom to top. */
  turned: boolean
  /** What is drawn of it where its text is not plain. */
  runs?: Run[]
}

export type Run = PageView['runs'][number]

export interface Brace {
  node: number
  depth: number
  label: string
  top: number
  bottom: number
  opens: boolean
  closes: boolean
  /** Index of the block that it is a part of. */
  block: number
}

/** A coloured ground. */
export interface Fill {
  x: number
  y: number
  width: number
  height: number
  colour: string
}

const BAND = 8
/** A line from left to right. */
export interface Rule {
  x: number
  y: number
  width: number
  thickness: number
  ink: string
}

const FILL = 5
const RULE = 5
const CELL = 8
const BRACE = 6

/** CSS pixels in a hundredth of a point, at full size. */
export const PIXEL = 96 / 7200

/** Height of a line, in ems. */
export const LINE = 1.2

/** How far the face rises and falls, in ems. */
const ASCENT = 1.024
const DESCENT = 0.4

/**
 * From a line's top to its baseline, in pixels. Browsers round a face's rise, its fall and half of what is left to whole
 * pixels; so do we, or texts of different sizes would not stand on one line.
 */
export function baselineOffset(sizeInPixels: number): number {
  const rise = Math.round(sizeInPixels * ASCENT)
  const fall = Math.round(sizeInPixels * DESCENT)
  return rise + Math.floor((sizeInPixels * LINE - rise - fall) / 2)
}

function at(list: number[], index: number): number {
  return list[index] ?? 0
}

export function bandsOf(page: PageView): Band[] {
  const bands: Band[] = []
  const runs = runsByCell(page)
  for (let i = 0; i < page.bands.length; i += BAND) {
    const first = at(page.bands, i + 4)
    const end = i + BAND < page.bands.length ? at(page.bands, i + BAND + 4) : page.cells.length / CELL
    bands.push({
      role: page.roles[at(page.bands, i)] ?? 'ROW',
      top: at(page.bands, i + 1),
      height: at(page.bands, i + 2),
      node: at(page.bands, i + 3),
      row: at(page.bands, i + 5),
      block: at(page.bands, i + 7),
      look: page.marks[at(page.bands, i + 6)]?.look,
      fill: page.marks[at(page.bands, i + 6)]?.fill || undefined,
      markLabel: page.marks[at(page.bands, i + 6)]?.label,
      cells: cellsOf(page, first, end, runs),
    })
  }
  return bands
}

/** The runs of a page, by the cells that they are drawn in. */
function runsByCell(page: PageView): Map<number, Run[]> {
  const byCell = new Map<number, Run[]>()
  for (const run of page.runs) {
    byCell.set(run.cell, [...(byCell.get(run.cell) ?? []), run])
  }
  return byCell
}

function cellsOf(page: PageView, first: number, end: number, runs = runsByCell(page)): Cell[] {
  const cells: Cell[] = []
  for (let i = first * CELL; i < end * CELL; i += CELL) {
    cells.push({
      x: at(page.cells, i),
      baseline: at(page.cells, i + 1),
      width: at(page.cells, i + 2),
      text: page.texts[at(page.cells, i + 3)] ?? '',
      style: at(page.cells, i + 4),
      node: at(page.cells, i + 5),
      id: at(page.cells, i + 6),
      figure: at(page.cells, i + 7) === 1,
      turned: at(page.cells, i + 7) === 2,
      runs: runs.get(i / CELL),
    })
  }
  return cells
}

/** Things that stand one after the other in a flat list, so many numbers each. */
function unpacked<T>(list: number[], size: number, make: (numbers: number[]) => T): T[] {
  return Array.from({ length: list.length / size }, (_, i) => make(list.slice(i * size, (i + 1) * size)))
}

/** The coloured grounds of a page, each with its colour. */
export function fillsOf(page: PageView): Fill[] {
  return unpacked(page.fills, FILL, ([x = 0, y = 0, width = 0, height = 0, colour = 0]) => ({
    x,
    y,
    width,
    height,
    colour: page.fillColours[colour] ?? '',
  }))
}

/** The lines of a page, each with its ink. */
export function rulesOf(page: PageView): Rule[] {
  return unpacked(page.rules, RULE, ([x = 0, y = 0, width = 0, thickness = 0, ink = 0]) => ({
    x,
    y,
    width,
    thickness,
    ink: page.ruleInks[ink] ?? '',
  }))
}

/** The columns of a block, from left to right. */
export function columnsOf(page: PageView, block: number): PageView['columns'] {
  return page.columns.filter((column) => column.block === block)
}

/** All cells of a page, from top to bottom. */
export function allCells(page: PageView): Cell[] {
  return cellsOf(page, 0, page.cells.length / CELL)
}

/** The first cell on a page that comes from a part of the definition. */
export function firstCellOf(page: PageView, part: string): Cell | undefined {
  return allCells(page).find((cell) => page.ids[cell.id] === part)
}

export function bracesOf(page: PageView): Brace[] {
  const braces: Brace[] = []
  for (let i = 0; i < page.braces.length; i += BRACE) {
    const node = at(page.braces, i)
    braces.push({
      node,
      depth: page.nodes[node]?.depth ?? 1,
      label: page.nodes[node]?.label ?? '',
      top: at(page.braces, i + 1),
      bottom: at(page.braces, i + 2),
      opens: at(page.braces, i + 3) === 1,
      closes: at(page.braces, i + 4) === 1,
      block: at(page.braces, i + 5),
    })
  }
  return braces
}

/** Whether one of the page's groups lies inside another, itself included: a test of two numbers. */
export function inside(page: PageView, node: number, around: number): boolean {
  const inner = page.nodes[node]
  const outer = page.nodes[around]
  return !!inner && !!outer && inner.place >= outer.place && inner.place <= outer.last
}
