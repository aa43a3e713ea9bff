import { changedBlock, stripped, type BlockChange } from './report'
import type { Block, Report } from '@/api/client'

/** A report in which one of its blocks stands first, so that edits of "the table" are edits of it. */
export function focused(report: Report, id: string | undefined): Report {
  const found = report.blocks.find((one) => one.id === id)
  return found && !found.off
    ? { ...report, blocks: [found, ...report.blocks.filter((one) => one !== found)] }
    : report
}

/** The report with its blocks in the order that another has them in. */
export function inOrderOf(report: Report, other: Report): Report {
  const order = other.blocks.map((one) => one.id)
  const place = (one: Block) => (order.includes(one.id) ? order.indexOf(one.id) : order.length)
  return { ...report, blocks: [...report.blocks].sort((a, b) => place(a) - place(b)) }
}

/** A kind of block that can be added. */
export type Addable = 'table' | 'likewise' | 'figures' | 'text'

/** Switches a block off or on; the last one that is on stays. */
export function toggleBlock(report: Report, id: string): Report {
  const blocks = report.blocks.map((one) =>
    one.id === id ? stripped({ ...one, off: one.off ? undefined : true }) : one,
  )
  return blocks.some((one) => !one.off) ? { ...report, blocks } : report
}

export function changeBlock(report: Report, id: string, change: BlockChange): Report {
  return {
    ...report,
    blocks: report.blocks.map((one) => (one.id === id ? changedBlock(one, change) : one)),
  }
}
