import type {
  Calculated,
  Field,
  GrammatusDatasetDefinitionFormatVersion1 as DatasetDefinition,
  Measure,
} from '@/api/dataset-definition'
import type { FieldView } from '@/api/client'
import { folded } from '@/shell/folded'

export type { DatasetDefinition }
export type Entry = Field | Calculated | Measure
export type Made = FieldView['made']

/** What people change of an entry; an emptied text is no text. */
export interface Details {
  label: string
  description?: string
  value?: string
  role?: Field['role']
  format?: string
  unit?: string
  /** A text's values in their natural order. */
  order?: string[]
  /** Of a key, the field that has its name. */
  lookup?: string
  hidden?: boolean
  /** Of groups that are ordered by a measure. */
  direction?: Measure['order']
}

/** What several entries can be given at once; what is not said stays as each has it. */
export type Shared = Pick<Details, 'role' | 'format' | 'unit' | 'hidden'>

const entries = (definition: DatasetDefinition): Entry[] => [
  ...definition.fields,
  ...(definition.calculated ?? []),
  ...(definition.measures ?? []),
]

/** The entry of an id, whichever list it stands in. */
export function entryOf(definition: DatasetDefinition, id: string): Entry | undefined {
  return entries(definition).find((entry) => entry.id === id)
}

/** The entry that a JSON pointer leads into. */
export function entryAt(definition: DatasetDefinition, pointer: string): Entry | undefined {
  const [, list, index] = pointer.split('/')
  const named =
    list === 'fields' || list === 'calculated' || list === 'measures' ? definition[list] : undefined
  return named?.[Number(index)]
}

/** A dictionary with one entry changed, wherever it stands. */
export function withChange(definition: DatasetDefinition, id: string, details: Details): DatasetDefinition {
  const { direction, ...rest } = details
  return withEach(definition, (entry, isMeasure) =>
    entry.id !== id
      ? entry
      : { ...entry, ...rest, ...(isMeasure && { order: direction, hidden: undefined, lookup: undefined }) },
  )
}

/** A dictionary with several entries changed in the same way. */
export function withShared(definition: DatasetDefinition, ids: string[], shared: Shared): DatasetDefinition {
  return withEach(definition, (entry, isMeasure) => {
    if (!ids.includes(entry.id)) {
      return entry
    }
    const { format, unit } = shared
    return isMeasure ? { ...entry, ...stripped({ format, unit }) } : { ...entry, ...stripped(shared) }
  })
}

function withEach(
  definition: DatasetDefinition,
  change: (entry: Entry, isMeasure: boolean) => object,
): DatasetDefinition {
  const each = <E extends Entry>(list: E[], isMeasure = false) =>
    list.map((entry) => stripped(change(entry, isMeasure)) as E)
  return {
    ...definition,
    fields: each(definition.fields),
    ...(definition.calculated && { calculated: each(definition.calculated) }),
    ...(definition.measures && { measures: each(definition.measures, true) }),
  }
}

/** A dictionary with a further calculated field or measure. */
export function withEntry(
  definition: DatasetDefinition,
  made: 'CALCULATED' | 'MEASURE',
  id: string,
  { role, order, direction, hidden, value = '', ...details }: Details,
): DatasetDefinition {
  const measure = stripped({ id, ...details, value, lookup: undefined })
  return made === 'MEASURE'
    ? {
        ...definition,
        measures: [...(definition.measures ?? []), stripped({ ...measure, order: direction })],
      }
    : {
        ...definition,
        calculated: [
          ...(definition.calculated ?? []),
          stripped({ ...measure, role: role ?? 'descriptive', order: order as Calculated['order'], hidden }),
        ],
      }
}

/** A dictionary without a calculated field or measure. */
export function withoutEntry(definition: DatasetDefinition, id: string): DatasetDefinition {
  const rest = <E extends Entry>(list?: E[]) => list?.filter((entry) => entry.id !== id)
  return {
    ...definition,
    ...(definition.calculated && { calculated: rest(definition.calculated) }),
    ...(definition.measures && { measures: rest(definition.measures) }),
  }
}

/** An id made from a label, unlike every other in the document. */
export function freeId(definition: DatasetDefinition, label: string): string {
  const plain = folded(label)
    .replace(/[^a-z0-9]+/g, '_')
    .replace(/^[^a-z]+|_+$/g, '')
    .slice(0, 50)
  const wanted = plain || 'value'
  const taken = new Set([
    ...entries(definition).map((entry) => entry.id),
    ...definition.tables.map((table) => table.id),
    ...definition.joins.map((join) => join.id),
  ])
  let id = wanted
  for (let i = 2; taken.has(id); i++) {
    id = `${wanted}_${i}`
  }
  return id
}

function stripped<T extends object>(object: T): T {
  return Object.fromEntries(
    Object.entries(object).filter(
      ([, value]) =>
        value !== undefined &&
        value !== '' &&
        value !== false &&
        !(Array.isArray(value) && value.length === 0),
    ),
  ) as T
}
