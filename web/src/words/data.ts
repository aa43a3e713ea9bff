import type { components } from '@/api/schema'

const time = new Intl.DateTimeFormat('en-GB', { timeStyle: 'short' })
const whole = new Intl.NumberFormat('en-GB')
const share = new Intl.NumberFormat('en-GB', { style: 'percent', maximumFractionDigits: 1 })
const counted = (count: number, one: string, other: string) =>
  `${whole.format(count)} ${count === 1 ? one : other}`

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)

type FieldView = components['schemas']['FieldView']
type Kind = FieldView['type']
type Role = FieldView['role']

const kinds: Record<Kind, string> = {
  TEXT: 'text',
  INTEGER: 'number',
  DECIMAL: 'number with decimals',
  DATE: 'day',
  TIMESTAMP: 'day and time',
  BOOLEAN: 'yes/no',
}
const roles: Record<Role, string> = {
  ADDITIVE: 'adds up',
  NOT_ADDITIVE: 'does not add up',
  IDENTIFIER: 'identifier',
  DESCRIPTIVE: '',
}

/** The texts of the data screen. */
export const data = {
  title: 'Data',
  datasets: 'Datasets',
  grain: (one: string, rows: string) => `One row is one ${one}: ${rows}.`,
  rows: (count: number, one: string, other: string) => counted(count, one, other),
  joins: 'How the tables join',
  joined: (one: string, to: string) => `Each ${one} has its ${to}.`,
  without: (count: number, all: number, other: string) =>
    `${whole.format(count)} of ${whole.format(all)} ${other} ${count === 1 ? 'has' : 'have'} none; ` +
    'fields from there are blank for them.',
  leftOut: (count: number, grain: string, to: string) =>
    `${whole.format(count)} ${grain} without a matching ${to} ${count === 1 ? 'is' : 'are'} left out.`,
  unused: (count: number, all: number, other: string, from: string, grain: string) =>
    `${whole.format(count)} of ${whole.format(all)} ${other} ${count === 1 ? 'has' : 'have'} no ${from}; ` +
    `a report over ${grain} never shows ${count === 1 ? 'it' : 'them'}.`,
  rowNoun: { one: 'row', other: 'rows' },
  aboutField: 'About a field',
  fields: 'Fields',
  measures: 'Measures',
  calculated: 'Calculated fields',
  sampleRows: 'Rows',
  show: 'What to show',
  dictionary: {
    field: 'Field',
    kind: 'Kind',
    samples: 'Most frequent',
    blank: 'Blank',
    distinct: 'Distinct',
  },
  kind: ({
    type,
    role,
    entry,
    made,
    hidden,
  }: Pick<FieldView, 'type' | 'role' | 'entry' | 'made' | 'hidden'>) =>
    [kinds[type], entry.unit, made === 'MEASURE' ? '' : roles[role], hidden ? 'not offered' : '']
      .filter(Boolean)
      .join(' · '),
  home: (table: string, rows: string) => `${capital(table)}: ${rows}`,
  capital,
  share: (part: number, all: number) =>
    part === 0 ? '–' : part < all && part * 1000 < all ? '< 0.1%' : share.format(part / all),
  number: (count: number) => whole.format(count),
  filter: 'Fields whose name contains',
  noField: (text: string) => `No field has “${text}” in its name.`,
  pick: 'Choose a field to see its values.',
  profile: {
    title: (label: string) => `${label}: its values`,
    name: 'In expressions',
    formula: 'Computed as',
    source: 'Read from',
    rows: 'Rows',
    blank: 'Blank',
    empty: 'Empty texts',
    distinct: 'Distinct values',
    smallest: 'Smallest',
    largest: 'Largest',
    format: 'Format',
    shownAs: 'Shown as',
    order: 'Order',
    onlyBlank: 'Every row is blank.',
    frequent: 'Most frequent values',
    spread: 'Distribution',
    bar: (from: string, below: string, rows: string) => `${from} to below ${below}: ${rows}`,
    rowsWith: (label: string) => `Rows with ${label}`,
    emptyText: '(empty text)',
    close: 'Close',
  },
  find: {
    label: 'Find a value',
    hint: 'A name, a number or part of a text, in any field',
    none: (text: string) => `No text of this dataset contains “${text}”.`,
    some: (shown: number, all: number) =>
      shown < all
        ? `The first ${whole.format(shown)} of ${whole.format(all)} places`
        : counted(all, 'place', 'places'),
    rows: (rows: string) => `Show its ${rows}`,
  },
  only: (field: string, value: string) => `${field} is ${value || 'blank'}`,
  all: 'Show all rows again',
  range: (offset: number, shown: number, all: number) =>
    all === 0
      ? 'No rows'
      : `${whole.format(offset + 1)} to ${whole.format(offset + shown)} of ${whole.format(all)}`,
  earlier: 'Earlier rows',
  later: 'Later rows',
  reading: 'Reading the data',
  missing: (count: number) =>
    `${counted(count, 'field is', 'fields are')} not in the source any more. What needs them does not run; the rest does.`,
  unusable: 'Cannot be used until it is fixed',
  readAt: (when: string) => `Read at ${time.format(new Date(when))}.`,
  readAgain: 'Refresh',
  report: 'New report on it',
  edit: {
    field: (label: string) => `Edit ${label}`,
    made: { READ: 'Field', CALCULATED: 'Calculated field', MEASURE: 'Measure' },
    add: { CALCULATED: 'New calculated field', MEASURE: 'New measure' },
    label: 'Label',
    description: 'Description',
    value: 'Computed as',
    valueHint: {
      CALCULATED: 'An expression over fields, one value for each row: quantity * unit_price',
      MEASURE: 'An expression with aggregates, one value for a group: SUM(net_amount) / COUNT(order_number)',
    },
    role: 'Role',
    roles: {
      additive: 'Adds up',
      'not-additive': 'Does not add up, such as prices and rates',
      identifier: 'Identifier: tells things apart',
      descriptive: 'Label',
    },
    order: 'Order of its values',
    orderHint:
      'One value per line, the first on top. Values that are not listed come after them. Empty orders by name.',
    orderFrom: 'Use the values in the data',
    lookup: 'Shown by its name',
    lookupHint:
      'For a key or a code: the field that has its name. Groups are made by the key, and show the name.',
    itself: 'no, as it is',
    nameOf: (label: string) => `${label} name`,
    nameValues: 'Name its values',
    tooManyToName: (most: number) =>
      `It has more than ${most} different values. Keep names of so many in a table and join it.`,
    format: 'Format',
    formatHint: 'Number or date format, such as #,##0.00 or d MMM y',
    unit: 'Unit or currency',
    nameHint: 'Changed here, it changes in every report and dataset that uses it',
    direction: 'Groups ordered by it',
    directions: { descending: 'largest first', ascending: 'smallest first' },
    usualDirection: 'largest first',
    hidden: 'Not offered when reports are made',
    follows: (count: number) =>
      count
        ? `${counted(count, 'report or dataset uses', 'reports and datasets use')} it and will follow its new name:`
        : 'Nothing uses it yet.',
    othersFollow: (count: number) =>
      `${counted(count, 'private report', 'private reports')} of other people will follow, too.`,
    renameAll: 'Rename everywhere',
    many: (count: number) => `${whole.format(count)} fields at once`,
    manyHint: 'What you leave empty is not changed.',
    asIs: 'as it is',
    hide: { true: 'not offered', false: 'offered' },
    hiding: 'When reports are made',
    tick: (label: string) => `Choose ${label} to change several at once`,
    save: 'Save for all reports',
    saveAnyway: 'Save anyway',
    cancel: 'Cancel',
    remove: 'Delete',
    removeUsed: (label: string) => `“${label}” is used. Delete it anyway?`,
    removeAnyway: 'Delete it anyway',
    keepIt: 'Keep it',
    unlabelled: 'Give it a label.',
    changed: (label: string) =>
      `Somebody changed “${label}” since you opened it. Nothing was saved: what you typed is still here; cancel to see theirs.`,
    gone: (label: string) => `Somebody deleted “${label}” since you opened it. Nothing was saved.`,
    effect: (count: number) => `${counted(count, 'report', 'reports')} would no longer run until fixed:`,
    effectDatasets: (count: number) =>
      `${counted(count, 'dataset', 'datasets')} built on this one could no longer be used until fixed:`,
    others: (count: number) =>
      `${counted(count, 'private report', 'private reports')} of other people would not either.`,
    suggestions: 'Suggestions',
    perRow: (type: Kind, home: string) => `${capital(kinds[type])}, one value for each ${home}`,
    perGroup: (type: Kind) => `${capital(kinds[type])}, one value for a group`,
    samples: 'Most frequent',
    figure: 'Over all rows',
    blank: (count: number) => `${counted(count, 'row', 'rows')} blank`,
  },
  functions: {
    'SUM()': 'adds numbers up; blanks are left out',
    'AVG()': 'the average; blanks are left out',
    'COUNT()': 'how many values are not blank',
    'COUNT(DISTINCT )': 'how many different values there are',
    'COUNT(*)': 'how many rows there are',
    'MIN()': 'the smallest value',
    'MAX()': 'the largest value',
    'MEDIAN()': 'the value in the middle; blanks are left out',
    'FIRST()': 'the value in the first row, in the order of rows',
    'LAST()': 'the value in the last row, in the order of rows',
    'OVER ()': 'takes the whole report instead of the group where it stands',
    'OVER (PARTITION BY )': 'takes the group of a level around the one where it stands',
    'COALESCE(, )': 'the first of several that is not blank',
    'CASE WHEN  THEN  ELSE  END': 'one of several values, by conditions',
    CURRENT_DATE: 'the business date',
    "INTERVAL '1' DAY": 'a number of days, to add to a date or take from it',
    'FILTER (WHERE )': 'takes the rows alone that meet a condition',
    'UPPER()': 'a text in capitals',
    'LOWER()': 'a text in small letters',
    'TRIM()': 'a text without blanks at its ends',
    'CHAR_LENGTH()': 'how many characters a text has',
    'SUBSTRING( FROM 1 FOR 1)': 'a part of a text: from which character, how many',
    'POSITION( IN )': 'where a text stands in another; 0 where it does not',
    'ABS()': 'a number without its sign',
    'ROUND(, 2)': 'rounded half away from zero',
    'FLOOR()': 'the whole number below',
    'CEILING()': 'the whole number above',
    'MOD(, )': 'what a division leaves',
    'NULLIF(, )': 'a value, but blank where it is another',
    'EXTRACT(MONTH FROM )': 'the year, quarter, month, day, hour or minute as a number',
    'CAST( AS DATE)': 'a value in another type',
    "INTERVAL '1' MONTH": 'a number of months, to add to a date or take from it',
    'IS NULL': 'whether a value is blank',
    LIKE: 'whether a text fits a pattern; % stands for any letters, _ for one',
    'BETWEEN  AND ': 'whether a value lies between two, both counted in',
    'IN ()': 'whether a value is one of several',
  },
}
