import { block, freeId, stripped } from './report'
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

/** The report with other rows; none are said where each block stands alone. */
function withRows(report: Report, rows: Row[]): Report {
  const kept = rows
    .filter((row) => row.blocks.length)
    .map((row) => stripped({ ...row, blocks: row.blocks.map(({ block: id }) => ({ block: id })) }))
  const plain = kept.every((row) => row.blocks.length === 1 && !row.newPage)
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

/** A table about nothing yet, below the others. */
export function addTable(report: Report): Report {
  const id = freeId(report, 'table')
  const table: Block = {
    id,
    kind: 'table',
    levels: [],
    columns: [],
    totals: [],
    counts: block(report).counts,
    highlights: [],
    rows: { shown: true, order: [] },
  }
  return { ...report, blocks: [...report.blocks, table] }
}

/** A block once more, below the others, its parts under ids of their own. */
export function copyBlock(report: Report, id: string, title: string): Report {
  const found = report.blocks.find((one) => one.id === id)!
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
  const copy = JSON.parse(
    JSON.stringify(found, (key, value) =>
      references.includes(key) && typeof value === 'string' ? (renamed.get(value) ?? value) : value,
    ),
  ) as Block
  return { ...report, blocks: [...report.blocks, { ...copy, title }] }
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
