const MOST_MILLIS = 500
const MOST_PIXELS = 6

/**
 * A double-click means what its first click met. That click may open a panel, which moves the page under the pointer, so that the browser
 * would give the second one to something else.
 */
export function useDoubleClick<T>(open: (met: T) => void) {
  let first: { met: T; x: number; y: number; at: number } | undefined
  let openedAt = -Infinity

  /** Remembers what a click met. */
  function met(what: T, event: MouseEvent) {
    first = { met: what, x: event.clientX, y: event.clientY, at: event.timeStamp }
  }

  /** For every click before anything else hears of it. */
  function onClickCapture(event: MouseEvent) {
    const isSecond =
      first &&
      event.isTrusted &&
      event.timeStamp - first.at < MOST_MILLIS &&
      Math.hypot(event.clientX - first.x, event.clientY - first.y) < MOST_PIXELS
    if (first && isSecond) {
      event.stopPropagation()
      openedAt = event.timeStamp
      // The browser has taken it for a word to select, somewhere near.
      document.getSelection()?.removeAllRanges()
      open(first.met)
    }
    first = undefined
  }

  /** Whether the browser's own double-click only says again what was opened already. */
  const isAgain = () => performance.now() - openedAt < MOST_MILLIS

  return { met, onClickCapture, isAgain }
}
