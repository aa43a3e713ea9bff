/** Explanations of figures and orders. */
export const why = {
  figure: 'Why this figure',
  order: 'Why this order',
  close: 'Close the explanation',
  blank: 'blank',
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
  earlier: 'Earlier rows',
  later: 'Later rows',
  onlyPath: (path: string) => `Only ${path}`,
  onlyValue: (value: string) => `${value} wherever it stands`,
  noValue: '(none)',
  narrowedTo: 'Narrowed to',
  wholeAgain: 'Show everything again',
  orderedBy: 'Ordered by',
}
