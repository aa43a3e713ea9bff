/** What lies over the screen while it is open. */
const OVERLAY = '[role=dialog], [role=alertdialog], [role=menu], [role=listbox], .p-popover, [popover]'

/**
 * Puts the keyboard back where it came from when what lay over the screen is gone: after a menu, a dialog, a palette. What takes the
 * keyboard itself is left alone.
 */
export function returnFocus(): void {
  let before: HTMLElement | undefined
  let isOver = false
  document.addEventListener('focusin', ({ target }) => {
    const element = target as HTMLElement
    isOver = element.closest(OVERLAY) !== null
    if (!isOver) {
      before = element
    }
  })
  new MutationObserver((changes) => {
    const isGone = changes.some((change) => change.removedNodes.length > 0)
    if (isGone && isOver && document.activeElement === document.body) {
      isOver = false
      before?.focus()
    }
  }).observe(document.body, { childList: true, subtree: true })
}
