/** Marks what draws its rows only as they come into sight. */
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

/** Brings more into sight; says whether there was any. */
function bringMore(down: boolean): boolean {
  const scroller = scrollerOf(document.activeElement)
  const before = scroller?.scrollTop
  scroller?.scrollBy({ top: (down ? 1 : -1) * (scroller.clientHeight / 2), behavior: 'instant' })
  return scroller?.scrollTop !== before
}

/**
 * Takes steps down, or up where they are negative, and those that lead past what is drawn as soon as more of it is.
 *
 * @param move takes as many as it can, and returns those that are left
 */
export function takeSteps(desk: HTMLElement, steps: number, move: (steps: number) => number) {
  const wanted = (remembered?.desk === desk ? remembered.steps : 0) + steps
  remembered?.drawn.disconnect()
  remembered = undefined
  const left = move(wanted)
  if (left && desk.hasAttribute(DRAWN_IN_SIGHT) && bringMore(left > 0)) {
    const drawn = new MutationObserver(() => takeSteps(desk, 0, move))
    drawn.observe(desk, { childList: true, subtree: true })
    remembered = { desk, steps: left, drawn }
  }
}
