import { completeBlock } from '@/api/documents'
import type { Block } from '@/api/client'

/** Says of a text on the clipboard that it is a block. */
const MARK = 'grammatus-block'

/** Puts a block on the clipboard, to be pasted into this report or another. */
export async function blockToClipboard(block: Block): Promise<void> {
  await navigator.clipboard.writeText(JSON.stringify({ format: MARK, block }, null, 2))
}

/** The block on the clipboard; undefined where there is none. */
export async function blockFromClipboard(): Promise<Block | undefined> {
  try {
    const found = JSON.parse(await navigator.clipboard.readText()) as { format?: unknown; block?: Block }
    return found.format === MARK && found.block?.id && found.block.kind
      ? completeBlock(found.block)
      : undefined
  } catch {
    return undefined
  }
}
