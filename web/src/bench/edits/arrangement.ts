import { stripped } from './report'
import type { Report } from '@/api/client'

type Row = NonNullable<Report['arrangement']>[number]

/** Its blocks row by row, whether it says so or not. */
export function rowsOf(report: Report): Row[] {
  const ids = report.blocks.map((one) => one.id)
  const said = (report.arrangement ?? [])
    .map((row) => ({ ...row, blocks: row.blocks.filter((place) => ids.includes(place.block)) }))
    .filter((row) => row.blocks.length)
  const placed = said.flatMap((row) => row.blocks.map((place) => place.block))
  return [...said, ...ids.filter((id) => !placed.includes(id)).map((id) => ({ blocks: [{ block: id }] }))]
}

/** Shares as they are where they come to the whole, and none otherwise: blocks that came or went leave equal parts. */
function whole(places: Row['blocks']): Row['blocks'] {
  const sum = places.reduce((all, place) => all + (place.share ?? 0), 0)
  return places.length > 1 && places.every((place) => place.share) && sum === 100
    ? places
    : places.map(({ block: id }) => ({ block: id }))
}

/** How many of a hundred of its row's width a block has; undefined where it stands alone. */
export function shareOf(report: Report, id: string): number | undefined {
  const row = rowsOf(report)[rowAt(rowsOf(report), id)]
  if (!row || row.blocks.length < 2) {
    return undefined
  }
  const at = row.blocks.findIndex((place) => place.block === id)
  return row.blocks[at]!.share ?? equal(row.blocks.length)[at]
}

/** Equal shares that come to a hundred. */
const equal = (count: number) =>
  Array.from({ length: count }, (_, i) => Math.floor((100 * (i + 1)) / count) - Math.floor((100 * i) / count))

const LEAST_SHARE = 10

/** Gives a block a share of its row's width; its neighbour to the right, or else to the left, has what is left of theirs. */
export function setShare(report: Report, id: string, share: number): Report {
  const rows = rowsOf(report)
  const at = rowAt(rows, id)
  const row = rows[at]!
  const own = row.blocks.findIndex((place) => place.block === id)
  const other = own + 1 < row.blocks.length ? own + 1 : own - 1
  const equals = equal(row.blocks.length)
  const shares = row.blocks.map((place, i) => place.share ?? equals[i]!)
  const both = shares[own]! + shares[other]!
  if (other < 0) {
    return report
  }
  shares[own] = Math.max(LEAST_SHARE, Math.min(both - LEAST_SHARE, Math.round(share)))
  shares[other] = both - shares[own]!
  const blocks = row.blocks.map((place, i) => ({ ...place, share: shares[i]! }))
  return withRows(
    report,
    rows.map((one, i) => (i === at ? { ...row, blocks } : one)),
  )
}

/** Whether a block, with those beside it, is kept on one page. */
export function isKeptTogether(report: Report, id: string): boolean {
  const rows = rowsOf(report)
  return !!rows[rowAt(rows, id)]?.keepTogether
}

export function setKeptTogether(report: Report, id: string, keep: boolean): Report {
  const rows = rowsOf(report)
  const at = rowAt(rows, id)
  return withRows(
    report,
    rows.map((row, i) => (i === at ? { ...row, keepTogether: keep || undefined } : row)),
  )
}

/** The report with other rows; none are said where each block stands alone. */
export function withRows(report: Report, rows: Row[]): Report {
  const kept = rows
    .filter((row) => row.blocks.length)
    .map((row) => stripped({ ...row, blocks: whole(row.blocks) }))
  const plain = kept.every((row) => row.blocks.length === 1 && !row.newPage && !row.keepTogether)
  const reading = kept.flatMap((row) => row.blocks.map((place) => place.block))
  const blocks = [...report.blocks].sort((a, b) => reading.indexOf(a.id) - reading.indexOf(b.id))
  return stripped({ ...report, blocks, arrangement: plain ? undefined : kept }) as Report
}

const rowAt = (rows: Row[], id: string) => rows.findIndex((row) => row.blocks.some((p) => p.block === id))

/** Whether a block stands beside the one before it. */
export function isBeside(report: Report, id: string): boolean {
  const rows = rowsOf(report)
  return rows[rowAt(rows, id)]?.blocks.findIndex((place) => place.block === id) !== 0
}

/** Whether a block, with those beside it, begins a new page. */
export function beginsPage(report: Report, id: string): boolean {
  const rows = rowsOf(report)
  return !!rows[rowAt(rows, id)]?.newPage
}

/** Puts a block beside the one before it, or below. */
export function setBeside(report: Report, id: string, beside: boolean): Report {
  const rows = rowsOf(report)
  const at = rowAt(rows, id)
  const row = rows[at]!
  const within = row.blocks.findIndex((place) => place.block === id)
  if (beside === within > 0 || (beside && at === 0)) {
    return report
  }
  if (beside) {
    const above = rows[at - 1]!
    return withRows(report, [
      ...rows.slice(0, at - 1),
      { ...above, blocks: [...above.blocks, ...row.blocks] },
      ...rows.slice(at + 1),
    ])
  }
  return withRows(report, [
    ...rows.slice(0, at),
    { ...row, blocks: row.blocks.slice(0, within) },
    { blocks: row.blocks.slice(within) },
    ...rows.slice(at + 1),
  ])
}

export function setNewPage(report: Report, id: string, newPage: boolean): Report {
  const rows = rowsOf(report)
  const at = rowAt(rows, id)
  return withRows(
    report,
    rows.map((row, i) => (i === at ? { ...row, newPage: newPage || undefined } : row)),
  )
}

/** Moves a block so that it stands before what is at an index now, in a row of its own. */
export function moveBlock(report: Report, id: string, before: number): Report {
  const ids = report.blocks.map((one) => one.id)
  const next = ids[before]
  if (next === id) {
    return report
  }
  const rows = rowsOf(report).map((row) => ({ ...row, blocks: row.blocks.filter((p) => p.block !== id) }))
  const at = next === undefined ? rows.length : rowAt(rows, next)
  return withRows(report, [...rows.slice(0, at), { blocks: [{ block: id }] }, ...rows.slice(at)])
}

/** Where a block is put: in a row of its own above or below another's row, or in the other's row, before or after it. */
export interface BlockPlace {
  of: string
  side: 'above' | 'below' | 'before' | 'after'
}

const MOST_IN_A_ROW = 6

/** Puts a block somewhere else; a row that is full takes no more. */
export function placeBlock(report: Report, id: string, { of, side }: BlockPlace): Report {
  const rows = rowsOf(report)
    .map((row) => ({ ...row, blocks: row.blocks.filter((place) => place.block !== id) }))
    .filter((row) => row.blocks.length)
  const at = rowAt(rows, of)
  const row = rows[at]
  if (!row || id === of) {
    return report
  }
  if (side === 'above' || side === 'below') {
    const index = side === 'above' ? at : at + 1
    return withRows(report, [...rows.slice(0, index), { blocks: [{ block: id }] }, ...rows.slice(index)])
  }
  if (row.blocks.length >= MOST_IN_A_ROW) {
    return report
  }
  const within = row.blocks.findIndex((place) => place.block === of) + (side === 'after' ? 1 : 0)
  const blocks = [...row.blocks.slice(0, within), { block: id }, ...row.blocks.slice(within)]
  return withRows(
    report,
    rows.map((one, i) => (i === at ? { ...row, blocks } : one)),
  )
}
