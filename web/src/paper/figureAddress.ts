import type { Band, Cell } from './geometry'
import type { PageView } from '@/api/client'

/** The address of a figure on a page, as the server reads it: of a group by the group's own address, of a row by the row's number. */
export function figureAddress(page: PageView, band: Band, cell: Cell): string | undefined {
  const part = cell.id >= 0 ? page.ids[cell.id] : undefined
  if (!cell.figure || part === undefined) {
    return undefined
  }
  const isOfRow = band.row >= 0 && page.parts.columns.some((column) => column.id === part)
  return isOfRow
    ? `${page.parts.blocks[band.block]!.id}@${band.row}#${part}`
    : figureOf(page.nodes[cell.node]!.address, part)
}

/** The address of a total of a group. */
export function figureOf(group: string, total: string): string {
  return `${group}#${total}`
}
