import { onCellKey } from '@/paper/cellKeys'
import { meansCommand, type Command } from '@/shell/commands'

/**
 * Does what a key means on a cell of the bench's page: as on a page that is read, and commands are about the cell in hand, which is
 * selected first. Says whether nothing is left to do.
 */
export function onBenchCellKey(
  event: KeyboardEvent,
  desk: HTMLElement | null | undefined,
  commands: Command[],
): boolean {
  const cell = event.target instanceof HTMLElement ? event.target.closest<HTMLElement>('[data-cell]') : null
  // Columns are moved and widened by arrows, too; with Shift alone they are of the selection.
  const isOfSelection = event.shiftKey && event.key.startsWith('Arrow')
  if (!isOfSelection && onCellKey(event, desk)) {
    return true
  }
  const about = commands.filter((command) => command.onPage && command.id !== 'help')
  if (cell && desk?.contains(cell) && meansCommand(event, about)) {
    takeInHand(cell)
  }
  return false
}

/** Selects the part that a cell shows, as a click on it does. */
function takeInHand(cell: HTMLElement) {
  const box = cell.getBoundingClientRect()
  cell.dispatchEvent(
    new MouseEvent('click', {
      bubbles: true,
      cancelable: true,
      clientX: (box.left + box.right) / 2,
      clientY: (box.top + box.bottom) / 2,
    }),
  )
}
