import type { FlatList, PageView } from '@/api/client'

/** A row of the page with its cells, unpacked from the flat lists of the page model. Lengths in hundredths of a point. */
export interface Band {
  role: PageView['parts']['roles'][number]
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

export type Run = PageView['fonts']['runs'][number]

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

/** A line from left to right. */
export interface Rule {
  x: number
  y: number
  width: number
  thickness: number
  ink: string
}

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

/** The things of a flat list, which names the numbers that each of them has. */
function unpacked<Name extends string>(list: FlatList): Record<Name, number>[] {
  const size = list.names.length
  return Array.from({ length: list.numbers.length / size }, (_, i) => {
    const thing = {} as Record<string, number>
    list.names.forEach((name, at) => (thing[name] = list.numbers[i * size + at]!))
    return thing
  })
}

export function bandsOf(page: PageView): Band[] {
  const cells = allCells(page)
  const bands = unpacked<'role' | 'top' | 'height' | 'node' | 'firstCell' | 'row' | 'mark' | 'block'>(
    page.bands,
  )
  return bands.map((band, i) => {
    const mark = page.parts.marks[band.mark]
    return {
      role: page.parts.roles[band.role] ?? 'ROW',
      top: band.top,
      height: band.height,
      node: band.node,
      row: band.row,
      block: band.block,
      look: mark?.look,
      fill: mark?.fill || undefined,
      markLabel: mark?.label,
      cells: cells.slice(band.firstCell, bands[i + 1]?.firstCell),
    }
  })
}

/** The runs of a page, by the cells that they are drawn in. */
function runsByCell(page: PageView): Map<number, Run[]> {
  const byCell = new Map<number, Run[]>()
  for (const run of page.fonts.runs) {
    byCell.set(run.cell, [...(byCell.get(run.cell) ?? []), run])
  }
  return byCell
}

/** All cells of a page, from top to bottom. */
export function allCells(page: PageView): Cell[] {
  const runs = runsByCell(page)
  return unpacked<'x' | 'baseline' | 'width' | 'text' | 'style' | 'node' | 'id' | 'figure' | 'turned'>(
    page.cells,
  ).map((cell, i) => ({
    ...cell,
    text: page.texts[cell.text] ?? '',
    figure: cell.figure === 1,
    turned: cell.turned === 1,
    runs: runs.get(i),
  }))
}

/** The coloured grounds of a page, each with its colour. */
export function fillsOf(page: PageView): Fill[] {
  return unpacked<'x' | 'y' | 'width' | 'height' | 'colour'>(page.drawings.fills).map((fill) => ({
    ...fill,
    colour: page.drawings.fillColours[fill.colour] ?? '',
  }))
}

/** The lines of a page, each with its ink. */
export function rulesOf(page: PageView): Rule[] {
  return unpacked<'x' | 'y' | 'width' | 'thickness' | 'ink'>(page.drawings.rules).map((rule) => ({
    ...rule,
    ink: page.drawings.ruleInks[rule.ink] ?? '',
  }))
}

/** The columns of a block, from left to right. */
export function columnsOf(page: PageView, block: number): PageView['parts']['columns'] {
  return page.parts.columns.filter((column) => column.block === block)
}

/** The first cell on a page that comes from a part of the definition. */
export function firstCellOf(page: PageView, part: string): Cell | undefined {
  return allCells(page).find((cell) => page.ids[cell.id] === part)
}

export function bracesOf(page: PageView): Brace[] {
  return unpacked<'node' | 'top' | 'bottom' | 'opens' | 'closes' | 'block'>(page.parts.braces).map(
    (brace) => ({
      ...brace,
      depth: page.nodes[brace.node]?.depth ?? 1,
      label: page.nodes[brace.node]?.label ?? '',
      opens: brace.opens === 1,
      closes: brace.closes === 1,
    }),
  )
}

/** Whether one of the page's groups lies inside another, itself included: a test of two numbers. */
export function inside(page: PageView, node: number, around: number): boolean {
  const inner = page.nodes[node]
  const outer = page.nodes[around]
  return !!inner && !!outer && inner.place >= outer.place && inner.place <= outer.last
}
