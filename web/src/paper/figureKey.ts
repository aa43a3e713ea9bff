import type { Band, Cell } from './geometry'
import type { PageView } from '@/api/client'

/** Names a figure of a run: the place of its group, or `r` and the number of its row, and the part it comes from. */
export function figureKey(page: PageView, band: Band, cell: Cell): string | undefined {
  const part = cell.id >= 0 ? page.ids[cell.id] : undefined
  if (!cell.figure || part === undefined) {
    return undefined
  }
  const isOfRow = band.row >= 0 && page.columns.some((column) => column.id === part)
  return isOfRow ? `r${band.row}:${part}` : `${page.nodes[cell.node]!.place}:${part}`
}
