/** Explanations of figures and orders. */
export const why = {
  figure: 'Why this figure',
  order: 'Why this order',
  close: 'Close the explanation',
  blank: 'blank',
  askSource: 'Check in the database',
  sourceSays: (source: string, figure: string, same: boolean) =>
    same
      ? `${source} now gives ${figure || 'nothing'}: the same.`
      : `${source} now gives ${figure || 'nothing'}, which is different: its rows may have changed since they were read.`,
  statement: 'The query',
  notAsked: 'The database cannot check this figure.',
  formula: 'Formula',
  exact: 'All digits',
  scope: 'Over the rows of',
  conditions: 'Conditions',
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
  saveRows: 'Download all as CSV',
  earlier: 'Earlier rows',
  later: 'Later rows',
  onlyPath: (path: string) => `Only ${path}`,
  onlyValue: (value: string) => `${value} wherever it stands`,
  showAll: (level: string) => `Show every ${level} here and elsewhere`,
  showAllRows: 'Show every row here and elsewhere',
  row: 'row',
  fold: (level: string) => `Hide what is inside ${level}`,
  unfold: 'Show what is inside again',
  foldedTo: 'Hidden: what is inside',
  wholeOf: 'All groups shown of',
  rowsDroppedBy: (scope: string, count: number, noun: string) =>
    `${count.toLocaleString('en-GB')} ${noun} dropped: ${scope}`,
  absent: {
    ask: 'Why is … not here?',
    field: 'Where',
    value: 'is',
    look: 'Look',
    nowhere: 'It is not in the data.',
    kept: (kept: number, found: number) =>
      kept === found
        ? 'All of it is here.'
        : `${kept.toLocaleString('en-GB')} of ${found.toLocaleString('en-GB')} are here.`,
    found: (rows: string) => `The data have ${rows} of it.`,
    drops: (rows: number, words: string) => `${rows.toLocaleString('en-GB')} dropped by: ${words}`,
    notCounted: 'The database left rows out, so it is not known which condition drops it.',
  },
  allBut: (value: string) => `All but ${value}`,
  reaches: { block: ', in this block', report: ', in the whole report' },
  everywhere: ', everywhere',
  without: 'Without',
  noValue: '(none)',
  narrowedTo: 'Narrowed to',
  wholeAgain: 'Reset view',
  orderedBy: 'Ordered by',
}
