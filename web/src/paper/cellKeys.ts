import { takeSteps } from './stepsPastDrawn'

/** The keyboard on a page: arrows go from cell to cell, and what the mouse does to a cell has a key. */

const STEPS: Record<string, [across: number, down: number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

function cellsOf(band: Element): HTMLElement[] {
  return [...band.querySelectorAll<HTMLElement>('[data-cell]')].filter((cell) => cell.textContent?.trim())
}

function middle(element: Element): number {
  const box = element.getBoundingClientRect()
  return (box.left + box.right) / 2
}

function nearest(cells: HTMLElement[], x: number): HTMLElement | undefined {
  return cells.reduce<HTMLElement | undefined>(
    (best, cell) => (!best || Math.abs(middle(cell) - x) < Math.abs(middle(best) - x) ? cell : best),
    undefined,
  )
}

function focus(cell: HTMLElement | undefined) {
  if (cell) {
    // Only the cell in hand can be reached, so that one Tab leaves the page.
    cell.tabIndex = -1
    cell.focus({ preventScroll: true })
    cell.scrollIntoView({ block: 'nearest', inline: 'nearest' })
  }
}

function move(desk: HTMLElement, from: HTMLElement | undefined, across: number, down: number): boolean {
  const bands = [...desk.querySelectorAll('[data-band]')].filter((band) => cellsOf(band).length)
  if (!from) {
    const headings = bands.find((band) => band.getAttribute('data-role') === 'COLUMN_HEADINGS')
    focus(cellsOf(headings ?? bands[0]!)[0])
    return true
  }
  if (across) {
    const cells = cellsOf(from.closest('[data-band]')!).sort((a, b) => middle(a) - middle(b))
    focus(cells[cells.indexOf(from) + across])
  } else {
    takeSteps(desk, down, (steps) => moveDown(desk, steps))
  }
  return true
}

/** Moves from the cell in hand over so many of the bands that are drawn; returns how many there were not. */
function moveDown(desk: HTMLElement, steps: number): number {
  const from = document.activeElement
  if (!(from instanceof HTMLElement) || !from.matches('[data-cell]')) {
    return 0
  }
  const bands = [...desk.querySelectorAll('[data-band]')].filter((band) => cellsOf(band).length)
  const here = bands.indexOf(from.closest('[data-band]')!)
  const there = Math.min(Math.max(here + steps, 0), bands.length - 1)
  if (there !== here) {
    focus(nearest(cellsOf(bands[there]!), middle(from)))
  }
  return steps - (there - here)
}

function as(type: string, cell: HTMLElement, shiftKey: boolean, ctrlKey = false): boolean {
  const box = cell.getBoundingClientRect()
  const clientX = (box.left + box.right) / 2
  cell.dispatchEvent(
    new MouseEvent(type, {
      bubbles: true,
      cancelable: true,
      clientX,
      clientY: box.bottom,
      shiftKey,
      ctrlKey,
    }),
  )
  return true
}

/**
 * Does what a key means on a page; says whether it means anything.
 *
 * @param desk what the pages stand on
 */
export function onCellKey(event: KeyboardEvent, desk: HTMLElement | null | undefined): boolean {
  const target = event.target instanceof HTMLElement ? event.target : undefined
  if (!desk || !target || !desk.contains(target) || event.altKey) {
    return false
  }
  const cell = target.closest<HTMLElement>('[data-cell]') ?? undefined
  if (event.ctrlKey || event.metaKey) {
    const chooses = cell && event.key === ' '
    if (chooses) {
      event.preventDefault()
    }
    return !!chooses && as('click', cell, false, true)
  }
  const step = STEPS[event.key]
  let done = false
  if (step && (cell || (target === desk && event.key === 'ArrowDown' && desk.querySelector('[data-cell]')))) {
    done = move(desk, cell, ...step)
  } else if (cell && (event.key === 'ContextMenu' || (event.key === 'F10' && event.shiftKey))) {
    done = as('contextmenu', cell, false)
  } else if (cell && event.key === 'Enter') {
    done = as('dblclick', cell, false)
  } else if (cell && event.key === ' ') {
    done = as('click', cell, event.shiftKey)
  } else if (cell && event.key === 'Escape') {
    desk.focus()
    done = true
  }
  if (done) {
    event.preventDefault()
  }
  return done
}
