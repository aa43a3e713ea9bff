/** A reader's narrowing to some values of a field. */
export const narrow = {
  title: 'Narrow to',
  add: 'Narrow by a field',
  of: (label: string) => `Some of ${label}…`,
  in: (label: string, block: string) => `${label}, in ${block}`,
  find: (label: string) => `Find ${label.toLowerCase()}`,
  all: 'All',
  turn: 'Reverse',
  turnHint: 'Tick the values that are not ticked, and untick the others',
  stop: (label: string) => `Remove: ${label}`,
  nothing: 'No match',
  rows: (label: string, rows: number) => `${label}, ${rows.toLocaleString('en-GB')}`,
}
