/** Explanations of figures and orders. */
export const why = {
  figure: 'Why this figure',
  order: 'Why this order',
  close: 'Close the explanation',
  blank: 'blank',
  askSource: 'Ask the source again',
  sourceSays: (source: string, figure: string, same: boolean) =>
    same
      ? `Asked again, ${source} says ${figure || 'nothing'}: the same.`
      : `Asked again, ${source} now says ${figure || 'nothing'}, which is not the same: its rows may have changed since they were read.`,
  statement: 'What it was asked',
  notAsked: 'The source cannot be asked for this figure in one statement that it surely understands alike.',
  formula: 'Formula',
  exact: 'All its digits',
  scope: 'Over the rows of',
  conditions: 'That meet',
  counted: 'Counting',
  notCounted: 'nothing is counted beside totals',
  ordered: (rule: string) => `Ordered ${rule}.`,
  group: 'Group',
  of: (all: number) => (all === 1 ? '1 group here' : `${all.toLocaleString('en-GB')} groups here`),
  rows: 'Rows behind it',
  rowsHint: 'The rows this group is made of (double-click a figure)',
  rowsOf: (scope: string, all: number, noun: string) => `${scope}: ${all.toLocaleString('en-GB')} ${noun}`,
  range: (offset: number, shown: number, all: number) =>
    all === 0
      ? 'No rows'
      : `${(offset + 1).toLocaleString('en-GB')} to ${(offset + shown).toLocaleString('en-GB')} of ${all.toLocaleString('en-GB')}`,
  fields: 'Fields to show',
  fieldsShown: (shown: number, all: number) => `${shown} of ${all} fields shown`,
  everyField: 'Every field',
  findField: 'Find a field',
  maximize: 'Use the whole window, or less of it',
  usualFields: 'Show the usual fields',
  changed:
    'The data have changed since this run, so only the fields that it read can be shown. Run it again to see the others.',
  saveRows: 'Save them all as CSV',
  earlier: 'Earlier rows',
  later: 'Later rows',
  onlyPath: (path: string) => `Only ${path}`,
  onlyValue: (value: string) => `${value} wherever it stands`,
  showAll: (level: string) => `Show every ${level} here and elsewhere`,
  showAllRows: 'Show every row here and elsewhere',
  row: 'row',
  fold: (level: string) => `Nothing inside ${level}`,
  unfold: 'Everything inside again',
  foldedTo: 'Nothing is shown inside',
  wholeOf: 'Every group is shown of',
  rowsDroppedBy: (scope: string, count: number, noun: string) =>
    `${count.toLocaleString('en-GB')} ${noun} dropped: ${scope}`,
  absent: {
    ask: 'Why is … not here?',
    field: 'Where',
    value: 'is',
    look: 'Look',
    nowhere: 'The data have none.',
    kept: (kept: number, found: number) =>
      kept === found
        ? 'All of it is here.'
        : `${kept.toLocaleString('en-GB')} of ${found.toLocaleString('en-GB')} are here.`,
    found: (rows: string) => `The data have ${rows} of it.`,
    drops: (rows: number, words: string) => `${rows.toLocaleString('en-GB')} dropped by: ${words}`,
    notCounted:
      'The source left rows out before they could be looked at, so that it is not known which condition drops it.',
  },
  allBut: (value: string) => `All but ${value}`,
  reaches: { block: ', in this block', report: ', in the whole report' },
  everywhere: ', everywhere',
  without: 'Without',
  noValue: '(none)',
  narrowedTo: 'Narrowed to',
  wholeAgain: 'Show everything again',
  orderedBy: 'Ordered by',
}
