/** Marks what draws its rows only as they come into sight; it is busy while some in sight are not there yet. */
const DRAWN_IN_SIGHT = 'data-drawn-in-sight'

/** Steps past the last row that is drawn are remembered: rows are drawn as they come into sight, keys are pressed faster. */
let remembered: { desk: HTMLElement; steps: number; drawn: MutationObserver } | undefined

/** What moves what is inside it up and down. */
function scrollerOf(element: Element | null): Element | undefined {
  for (let at = element; at; at = at.parentElement) {
    if (/auto|scroll/.test(getComputedStyle(at).overflowY) && at.scrollHeight > at.clientHeight) {
      return at
    }
  }
  return undefined
}

/**
 * Brings more into sight; says whether there was any. The cell in hand stays in sight: what is out of it is not drawn,
 * and a key has nothing to go on from.
 */
function bringMore(down: boolean): boolean {
  const cell = document.activeElement
  const scroller = scrollerOf(cell)
  if (!cell || !scroller) {
    return false
  }
  const [box, view] = [cell.getBoundingClientRect(), scroller.getBoundingClientRect()]
  const room = down ? box.top - view.top - box.height : view.bottom - box.bottom - box.height
  const way = Math.max(0, Math.min(room, scroller.clientHeight / 2))
  const before = scroller.scrollTop
  scroller.scrollBy({ top: down ? way : -way, behavior: 'instant' })
  return scroller.scrollTop !== before
}

/**
 * Takes steps down, or up where they are negative, and those that lead past what is drawn as soon as more of it is.
 *
 * @param move takes as many as it can, and returns those that are left
 */
export function takeSteps(desk: HTMLElement, steps: number, move: (steps: number) => number) {
  const waited = remembered?.desk === desk
  const left = move((waited ? remembered!.steps : 0) + steps)
  forget()
  if (!left || !desk.hasAttribute(DRAWN_IN_SIGHT)) {
    return
  }
  // A key that comes before the list has seen how far it was moved waits like the one before it.
  const waits = waited && steps !== 0
  if (bringMore(left > 0) || waits || desk.ariaBusy === 'true') {
    const drawn = new MutationObserver(() => takeSteps(desk, 0, move))
    drawn.observe(desk, { childList: true, subtree: true, attributeFilter: ['aria-busy'] })
    remembered = { desk, steps: left, drawn }
  }
}

function forget() {
  remembered?.drawn.disconnect()
  remembered = undefined
}
