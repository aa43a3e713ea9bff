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
}

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
  const change = <E extends Entry>(list: E[]) =>
    list.map((entry) => (entry.id === id ? (stripped({ ...entry, ...details }) as E) : entry))
  return {
    ...definition,
    fields: change(definition.fields),
    ...(definition.calculated && { calculated: change(definition.calculated) }),
    ...(definition.measures && { measures: change(definition.measures) }),
  }
}

/** A dictionary with a further calculated field or measure. */
export function withEntry(
  definition: DatasetDefinition,
  made: 'CALCULATED' | 'MEASURE',
  id: string,
  { role, order, value = '', ...details }: Details,
): DatasetDefinition {
  const measure = stripped({ id, ...details, value })
  return made === 'MEASURE'
    ? { ...definition, measures: [...(definition.measures ?? []), measure] }
    : {
        ...definition,
        calculated: [
          ...(definition.calculated ?? []),
          stripped({ ...measure, role: role ?? 'descriptive', order: order as Calculated['order'] }),
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
      ([, value]) => value !== undefined && value !== '' && !(Array.isArray(value) && value.length === 0),
    ),
  ) as T
}
