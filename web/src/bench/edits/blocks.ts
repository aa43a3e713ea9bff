import { figuresOfTotals } from './figures'
import { block, freeId, stripped } from './report'
import { completeBlock } from '@/api/documents'
import type { Block, Report } from '@/api/client'

type Row = NonNullable<Report['arrangement']>[number]

/** A report in which one of its blocks stands first, so that edits of "the table" are edits of it. */
export function focused(report: Report, id: string | undefined): Report {
  const found = report.blocks.find((one) => one.id === id)
  return found && !found.off
    ? { ...report, blocks: [found, ...report.blocks.filter((one) => one !== found)] }
    : report
}

/** The report with its blocks in the order that another has them in; new ones stand last. */
export function inOrderOf(report: Report, other: Report): Report {
  const order = other.blocks.map((one) => one.id)
  const place = (one: Block) => (order.includes(one.id) ? order.indexOf(one.id) : order.length)
  return { ...report, blocks: [...report.blocks].sort((a, b) => place(a) - place(b)) }
}

/** Its blocks row by row, whether it says so or not. */
function rowsOf(report: Report): Row[] {
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
function withRows(report: Report, rows: Row[]): Report {
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

/** A kind of block that can be added. */
export type Addable = 'table' | 'likewise' | 'figures' | 'text'

/**
 * A block below the others: a table about nothing yet, one of the same measures as the table that is worked on, the key figures of its
 * totals, or a text.
 */
export function addBlock(report: Report, kind: Addable): Report {
  const id = freeId(report, kind === 'likewise' ? 'table' : kind)
  return { ...report, blocks: [...report.blocks, completeBlock({ ...made(report, kind, id), id })] }
}

function made(report: Report, kind: Addable, id: string): Omit<Block, 'id'> {
  const worked = block(report)
  const dataset = worked.dataset ? { dataset: worked.dataset } : {}
  const plain = { levels: [], columns: [], totals: [], counts: [], highlights: [] }
  const rows = { shown: false, order: [] as [] }
  switch (kind) {
    case 'figures':
      return { kind, ...dataset, ...plain, rows, figures: figuresOfTotals(report, [id]) }
    case 'text':
      return {
        kind,
        ...plain,
        rows,
        paragraphs: [{ id: freeId(report, 'words', [id]), kind: 'words', text: '…' }],
      }
    case 'table':
      return { ...plain, kind, counts: worked.counts, rows: { shown: true, order: [] } }
    case 'likewise':
      return { ...sameMeasures(report, id), kind: 'table', ...dataset }
  }
}

/** The measures of the table that is worked on, in the whole of it: by what they are grouped is said next. */
function sameMeasures(report: Report, id: string): Omit<Block, 'id' | 'kind'> {
  const { columns, totals, counts } = block(report)
  const taken = [id]
  const fresh = (part: string) => {
    const free = freeId(report, part.replace(/-\d+$/, ''), taken)
    taken.push(free)
    return free
  }
  const plain = totals.filter(
    (total, i) => totals.findIndex((other) => other.column === total.column) === i && !total.compare,
  )
  const measures = columns.filter(
    (column) => !column.off && plain.some((total) => total.column === column.id),
  )
  const renamed = new Map(measures.map((column) => [column.id, fresh(column.id)]))
  return {
    levels: [],
    columns: measures.map((column) =>
      stripped({
        ...column,
        id: renamed.get(column.id)!,
        align: column.align ?? ('end' as const),
        once: undefined,
        value: undefined,
      }),
    ),
    totals: plain
      .filter((total) => renamed.has(total.column))
      .map((total) => ({
        ...total,
        id: fresh(total.id),
        column: renamed.get(total.column)!,
        cells: [{ at: 'report', in: 'footer' as const }],
      })),
    counts,
    highlights: [],
    rows: { shown: false, order: [] },
  }
}

/** A block once more, below the others, its parts under ids of their own. */
export function copyBlock(report: Report, id: string, title: string): Report {
  return pasteBlock(
    report,
    report.blocks.find((one) => one.id === id)!,
    title,
  )
}

/**
 * A block of this report or another, below the others, with its own filters, its parts under ids of their own.
 *
 * @param title what it is called here; what it was called unless given
 */
export function pasteBlock(report: Report, found: Block, title?: string): Report {
  const renamed = new Map<string, string>()
  const taken: string[] = []
  const rename = (value: unknown) => {
    if (Array.isArray(value)) {
      value.forEach(rename)
    } else if (typeof value === 'object' && value !== null) {
      const { id: own } = value as { id?: unknown }
      if (typeof own === 'string') {
        const free = freeId(report, own.replace(/-\d+$/, ''), taken)
        taken.push(free)
        renamed.set(own, free)
      }
      Object.values(value).forEach(rename)
    }
  }
  rename(found)
  const references = ['id', 'column', 'at', 'once']
  const levels = found.levels.map((level) => level.id)
  const copy = JSON.parse(
    JSON.stringify(found, (key, value) => {
      if (typeof value !== 'string') {
        return value
      }
      return references.includes(key)
        ? (renamed.get(value) ?? value)
        : levels.reduce((text, level) => inPartitions(text, level, renamed.get(level)!), value)
    }),
  ) as Block
  return { ...report, blocks: [...report.blocks, { ...copy, ...(title ? { title } : {}) }] }
}

/** An expression whose windows are over groups of a level that is called otherwise now. */
function inPartitions(text: string, level: string, other: string): string {
  return text.replace(/\bPARTITION\s+BY\s+[^)]*/gi, (partition) =>
    partition.replace(new RegExp(`(^|[\\s,"])${level}(?=$|[\\s,")])`, 'g'), `$1${other}`),
  )
}

/** The report without a block; the last one stays. */
export function removeBlock(report: Report, id: string): Report {
  const left = report.blocks.filter((one) => one.id !== id)
  return left.some((one) => !one.off)
    ? withRows({ ...report, blocks: left }, rowsOf({ ...report, blocks: left }))
    : report
}

/** Switches a block off or on; the last one that is on stays. */
export function toggleBlock(report: Report, id: string): Report {
  const blocks = report.blocks.map((one) =>
    one.id === id ? stripped({ ...one, off: one.off ? undefined : true }) : one,
  )
  return blocks.some((one) => !one.off) ? { ...report, blocks } : report
}

export function changeBlock(report: Report, id: string, change: Partial<Block>): Report {
  return {
    ...report,
    blocks: report.blocks.map((one) => (one.id === id ? stripped({ ...one, ...change }) : one)),
  }
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
