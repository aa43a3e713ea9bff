/** The keys of a tree that is one Tab stop, as the ARIA authoring practices have them; items toggle on the event `tree-toggle`. */
export function onTreeKey(event: KeyboardEvent): void {
  const tree = event.currentTarget as HTMLElement
  const item = (event.target as HTMLElement).closest<HTMLElement>('[role=treeitem]')
  if (!item) {
    return
  }
  const shown = [...tree.querySelectorAll<HTMLElement>('[role=treeitem]')]
  const at = shown.indexOf(item)
  const isOpen = item.getAttribute('aria-expanded')
  const toggle = () => item.dispatchEvent(new CustomEvent('tree-toggle'))
  const acts: Record<string, () => void> = {
    ArrowDown: () => shown[at + 1]?.focus(),
    ArrowUp: () => shown[at - 1]?.focus(),
    Home: () => shown[0]?.focus(),
    End: () => shown.at(-1)?.focus(),
    ArrowRight: () =>
      isOpen === 'false' ? toggle() : item.querySelector<HTMLElement>('[role=treeitem]')?.focus(),
    ArrowLeft: () =>
      isOpen === 'true' ? toggle() : item.parentElement?.closest<HTMLElement>('[role=treeitem]')?.focus(),
  }
  const act = acts[event.key]
  if (act) {
    event.preventDefault()
    event.stopPropagation()
    act()
  }
}

/** The item that has the keyboard is the one that Tab comes back to. */
export function onTreeFocus(event: FocusEvent): void {
  const item = (event.target as HTMLElement).closest<HTMLElement>('[role=treeitem]')
  if (item) {
    const tree = event.currentTarget as HTMLElement
    tree.querySelectorAll<HTMLElement>('[role=treeitem]').forEach((other) => (other.tabIndex = -1))
    item.tabIndex = 0
  }
}
