/** Something a person can do, by palette, menu or key. */
export interface Command {
  id: string
  name: string
  /** Its group on the help sheet. */
  group: string
  /** Keys that run it, as they are shown: "Ctrl+Z", "F2", "←". */
  keys: string[]
  /** Whether the keys work only while something other than a field or a list has the keyboard. */
  onPage?: boolean
  /** Whether the browser's own event runs it: copying, cutting and pasting bring the clipboard with them. */
  byBrowser?: boolean
  enabled: () => boolean
  run: () => void
}

const NAMES: Record<string, string> = {
  ArrowLeft: '←',
  ArrowRight: '→',
  ArrowUp: '↑',
  ArrowDown: '↓',
  ' ': 'Space',
  Escape: 'Esc',
}

/** The keys of an event as commands write them. */
export function keysOf(event: KeyboardEvent): string {
  const key = NAMES[event.key] ?? (event.key.length === 1 ? event.key.toUpperCase() : event.key)
  const isSign = event.key.length === 1 && !/[a-z0-9 ]/i.test(event.key)
  return [
    event.ctrlKey || event.metaKey ? 'Ctrl' : '',
    event.altKey ? 'Alt' : '',
    event.shiftKey && !isSign ? 'Shift' : '',
    key,
  ]
    .filter(Boolean)
    .join('+')
}

/** Runs the first command that the keys mean here; says whether there was one. */
export function runByKeys(event: KeyboardEvent, commands: Command[]): boolean {
  const command = commandOf(
    event,
    commands.filter((one) => one.enabled()),
  )
  if (!command) {
    return false
  }
  event.preventDefault()
  command.run()
  return true
}

/** Whether keys mean a command here that can be run, or perhaps a moment later. */
export const meansCommand = (event: KeyboardEvent, commands: Command[]) =>
  commandOf(event, commands) !== undefined

function commandOf(event: KeyboardEvent, commands: Command[]): Command | undefined {
  const target = event.target instanceof Element ? event.target : undefined
  const inField = !!target?.closest(
    'input, textarea, select, [contenteditable], [role=combobox], [role=listbox]',
  )
  const inDialog = !!target?.closest('[role=dialog], [role=menu], [role=alertdialog], [popover]')
  const control = target?.closest('button, a, [role=switch], [role=radio]')
  const onPaper = !!target?.closest('.desk')
  // A button that is pressed already stands for what is selected: its keys act on that.
  const pressesControl = !!control && !(onPaper && control.getAttribute('aria-pressed') === 'true')
  const keys = keysOf(event)
  return commands.find(
    (c) =>
      c.keys.includes(keys) &&
      !c.byBrowser &&
      !inDialog &&
      (!inField || (keys.startsWith('Ctrl+') && !c.onPage)) &&
      !(pressesControl && ['Enter', 'Space'].includes(keys)) &&
      !(control && !onPaper && c.onPage && ['←', '→', 'Home', 'End'].includes(keys)),
  )
}
