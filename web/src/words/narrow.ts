/** A reader's narrowing to some values of a field. */
export const narrow = {
  title: 'Narrow to',
  add: 'Narrow by a field',
  of: (label: string) => `Some of ${label}…`,
  in: (label: string, block: string) => `${label}, in ${block}`,
  find: (label: string) => `Find ${label.toLowerCase()}`,
  all: 'All',
  turn: 'Turn round',
  turnHint: 'Tick those that are not ticked, and no others',
  stop: (label: string) => `Narrow by ${label} no longer`,
  nothing: 'No value has this in it.',
  rows: (label: string, rows: number) => `${label}, ${rows.toLocaleString('en-GB')}`,
}
