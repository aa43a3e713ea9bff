import { columnsOf, PIXEL, type Band, type Cell } from './geometry'
import type { PageView } from '@/api/client'

/** What stands under the pointer on a page. */
export interface Hit {
  band: Band
  cell?: Cell
  /** Id of the definition's part that the cell comes from. */
  part?: string
  /** Id of the column at this place, whether something is printed there or not. */
  column?: string
  /** Index of the group on the page. */
  node: number
}

/**
 * Finds what an event on a page is about; the page's bands and cells carry their indexes.
 *
 * @param clientX where the pointer is; left out, no column is told
 */
export function hitOf(
  target: Element,
  clientX: number | undefined,
  page: PageView,
  bands: Band[],
  zoom: number,
): Hit | undefined {
  const row = target.closest<HTMLElement>('[data-band]')
  const paper = target.closest<HTMLElement>('.paper')
  const band = bands[Number(row?.dataset.band)]
  if (!band || !paper) {
    return undefined
  }
  const cellIndex = target.closest<HTMLElement>('[data-cell]')?.dataset.cell
  const cell = cellIndex === undefined ? undefined : band.cells[Number(cellIndex)]
  const x = clientX && (clientX - paper.getBoundingClientRect().left) / (PIXEL * zoom)
  return {
    band,
    cell,
    part: cell && cell.id >= 0 ? page.ids[cell.id] : undefined,
    column: x === undefined ? undefined : columnAt(columnsOf(page, band.block), x)?.id,
    node: cell?.node ?? band.node,
  }
}

/** The column of a block nearest to a place between its own edges and half the gaps beside it. */
function columnAt(
  columns: PageView['parts']['columns'],
  x: number,
): PageView['parts']['columns'][number] | undefined {
  return columns.find((column, i) => {
    const before = columns[i - 1]
    const after = columns[i + 1]
    const left = before ? (before.x + before.width + column.x) / 2 : column.x - 600
    const right = after ? (column.x + column.width + after.x) / 2 : column.x + column.width + 600
    return x >= left && x < right
  })
}

/** Where a column would be put when it is dropped at a place: the index before which it then stands. */
export function dropIndex(columns: PageView['parts']['columns'], x: number): number {
  const at = columns.findIndex((column) => x < column.x + column.width / 2)
  return at < 0 ? columns.length : at
}
