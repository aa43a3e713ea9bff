import type { FieldView, ReportEdit } from '@/api/client'
import { folded } from '@/shell/folded'
import { words } from '@/words'

type Bucket = NonNullable<Extract<ReportEdit, { edit: 'add-level' }>['bucket']>

/** A field as it is found: by itself, or a date by one of its spans. */
export type FoundField = FieldView & { bucket?: Bucket }

/** By what a field is found. */
export interface FieldNames {
  /** What the report at hand calls it, in whichever places. */
  inReport: (field: string) => string[]
  /** What rows of its table are called. */
  table: (field: FieldView) => string
  /** Whether it is the date that the dataset is usually looked at by. */
  isUsualDate: (field: FieldView) => boolean
}

const wordsOf = (text: string) =>
  folded(text)
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean)
const NOTHING_FOUND = 9
const BUCKETS = Object.keys(words.bench.inspector.buckets).filter((bucket) => bucket !== 'none') as Bucket[]

/** How well words are found in texts, the least best: called so, beginning so, its words beginning so, or in it somewhere. */
function rank(sought: string[], called: string[], around: string[]): number {
  const whole = sought.join(' ')
  const names = called.map((name) => wordsOf(name).join(' '))
  const known = [...called, ...around].flatMap(wordsOf)
  if (!sought.every((word) => known.some((one) => one.includes(word)))) {
    return NOTHING_FOUND
  }
  if (names.includes(whole)) {
    return 0
  }
  if (names.some((name) => name.startsWith(whole))) {
    return 1
  }
  const own = called.flatMap(wordsOf)
  return sought.every((word) => own.some((one) => one.startsWith(word)))
    ? 2
    : sought.every((word) => own.some((one) => one.includes(word)))
      ? 3
      : 4
}

const calledIn = (field: FieldView, names: FieldNames) => [field.label, field.id, ...names.inReport(field.id)]

/** The fields that a text finds, the best match first: by label, id, the name in this report or the table. */
function fieldsFound(fields: FieldView[], sought: string[], names: FieldNames) {
  return fields.map((field) => ({
    field: field as FoundField,
    rank: rank(sought, calledIn(field, names), [names.table(field)]),
  }))
}

const isDate = (field: FieldView) =>
  field.offers.level !== undefined && (field.type === 'DATE' || field.type === 'TIMESTAMP')

/** A date by each of its spans; of other fields none. */
export function spansOf(field: FieldView): FoundField[] {
  return isDate(field)
    ? BUCKETS.map((bucket) => ({
        ...field,
        label: words.bench.fields.coarsened(field.label, words.bench.inspector.buckets[bucket]),
        bucket,
      }))
    : []
}

/** The spans of dates that a text finds, such as "ordered month" or "fiscal year", those of the usual date first. */
function spansFound(fields: FieldView[], sought: string[], names: FieldNames) {
  return fields.flatMap((field) =>
    spansOf(field).map((span) => {
      const spanWords = wordsOf(span.bucket!).filter((word) => word !== 'of')
      const ofSpan = sought.filter((word) => spanWords.some((one) => one.startsWith(word)))
      const ofField = sought.filter((word) => !ofSpan.includes(word))
      const isMeant = ofSpan.length > 0 && (ofField.length > 0 || ofSpan.some((word) => word.length > 2))
      const fieldRank = ofField.length ? rank(ofField, calledIn(field, names), []) : 2
      // A span that is written out whole is meant rather than one that has the words among others.
      const spanRank = spanWords.every((word) => ofSpan.includes(word)) ? 0 : 0.5
      const usual = names.isUsualDate(field) ? 0 : 0.25
      return {
        field: span,
        rank: isMeant && fieldRank < NOTHING_FOUND ? fieldRank + spanRank + usual : NOTHING_FOUND,
      }
    }),
  )
}

/** What a text finds among fields, and among the spans of dates where these are wanted, the best match first. */
export function found(fields: FieldView[], text: string, names: FieldNames, withSpans = false): FoundField[] {
  const sought = wordsOf(text)
  if (!sought.length) {
    return fields
  }
  return [...fieldsFound(fields, sought, names), ...(withSpans ? spansFound(fields, sought, names) : [])]
    .filter((one) => one.rank < NOTHING_FOUND)
    .sort((a, b) => a.rank - b.rank)
    .map((one) => one.field)
}
