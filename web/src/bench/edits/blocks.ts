import { rowsOf, withRows } from './arrangement'
import { figuresOfTotals } from './figures'
import { block, freeId, stripped } from './report'
import { completeBlock } from '@/api/documents'
import type { Block, Report } from '@/api/client'

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
  // What fields are called in it goes by the ids of the dataset, which stay.
  const { fields, ...parts } = found
  rename(parts)
  const references = ['id', 'column', 'at', 'once', 'within', 'level', 'figure']
  const levels = found.levels.map((level) => level.id)
  const copy = JSON.parse(
    JSON.stringify(parts, (key, value) => {
      if (typeof value !== 'string') {
        return value
      }
      return references.includes(key)
        ? (renamed.get(value) ?? value)
        : levels.reduce((text, level) => inPartitions(text, level, renamed.get(level)!), value)
    }),
  ) as Block
  const whole = { ...copy, ...(fields ? { fields } : {}), ...(title ? { title } : {}) }
  return { ...report, blocks: [...report.blocks, whole] }
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
