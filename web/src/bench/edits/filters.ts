import { block, freeId, stripped, withBlock } from './report'
import type { FieldView, Filter, Report } from '@/api/client'

export type Comparison = NonNullable<Filter['comparison']>

/** The comparisons that make sense for a type of field. */
export function comparisons(type: FieldView['type']): Comparison[] {
  switch (type) {
    case 'TEXT':
      return ['is', 'is-not', 'contains', 'does-not-contain', 'starts-with', 'blank', 'not-blank']
    case 'BOOLEAN':
      return ['is', 'is-not', 'blank', 'not-blank']
    default:
      return ['is', 'is-not', 'less', 'at-most', 'more', 'at-least', 'between', 'blank', 'not-blank']
  }
}

/** How many values a comparison takes: none, one, two, or any number. */
export function valueCount(comparison: Comparison): 0 | 1 | 2 | 'many' {
  switch (comparison) {
    case 'blank':
    case 'not-blank':
      return 0
    case 'between':
      return 2
    case 'is':
    case 'is-not':
      return 'many'
    default:
      return 1
  }
}

/** Rows can be the first of all that the other filters keep in one way only: a new such filter switches off the one before it. */
function withoutFirstRows(report: Report): Report {
  const off = (filters: Filter[]) =>
    filters.map((filter) =>
      filter.kind === 'top' && !filter.off && !filter.blocks ? { ...filter, off: true } : filter,
    )
  const own = ownFilters(report)
  const reports = { ...report, filters: off(report.filters) }
  return own.some((filter) => filter.kind === 'top') ? withBlock(reports, { filters: off(own) }) : reports
}

/** A filter more: of the report, or of the block that is worked on where that is over a dataset of its own. */
export function addFilter(before: Report, filter: Omit<Filter, 'id'>): Report {
  const report = filter.kind === 'top' ? withoutFirstRows(before) : before
  const added = { id: freeId(report, `f-${filter.field ?? filter.kind}`), ...filter }
  const { dataset } = block(report)
  return dataset !== undefined && dataset !== report.dataset
    ? withBlock(report, { filters: [...ownFilters(report), added] })
    : { ...report, filters: [...report.filters, added] }
}

/** The filters of the block that is worked on alone. */
export const ownFilters = (report: Report): Filter[] => block(report).filters ?? []

/** The filters of the report, then those of the block that is worked on. */
export const topFilters = (report: Report): Filter[] => [...report.filters, ...ownFilters(report)]

/** Whether a filter is made of others over the same rows. */
export const hasParts = (filter: Filter) => ['all', 'any', 'none'].includes(filter.kind)

/** A filter with what it is made of, outermost first, each with how deep it stands. */
function withParts(filter: Filter, depth = 0): { filter: Filter; depth: number }[] {
  const parts = hasParts(filter) ? (filter.filters ?? []) : []
  return [{ filter, depth }, ...parts.flatMap((part) => withParts(part, depth + 1))]
}

/** All filters with what they are made of, as the spine lists them. */
export const filterTree = (report: Report) => topFilters(report).flatMap((filter) => withParts(filter))

export const allFilters = (report: Report): Filter[] => filterTree(report).map(({ filter }) => filter)

const contains = (filters: Filter[], id: string): boolean =>
  filters.some((filter) => withParts(filter).some((part) => part.filter.id === id))

export const isOwn = (report: Report, id: string) => contains(ownFilters(report), id)

/** Whether a filter stands by itself, not as a part of another. */
export const isTop = (report: Report, id: string) => topFilters(report).some((filter) => filter.id === id)

/** Filters with one put into other words wherever it stands; into none, to take it out. */
function within(filters: Filter[], id: string, change: (filter: Filter) => Filter[]): Filter[] {
  return filters.flatMap((filter) =>
    filter.id === id
      ? change(filter)
      : hasParts(filter)
        ? [{ ...filter, filters: within(filter.filters ?? [], id, change) }]
        : [filter],
  )
}

/** Filters and their parts, each that is made of no others put into other words. */
export function eachFilter(filters: Filter[], change: (filter: Filter) => Filter[]): Filter[] {
  return filters.flatMap((filter) =>
    hasParts(filter) ? [{ ...filter, filters: eachFilter(filter.filters ?? [], change) }] : change(filter),
  )
}

/** The report with the list changed in which a filter stands. */
function withList(report: Report, id: string, change: (filters: Filter[]) => Filter[]): Report {
  if (!isOwn(report, id)) {
    return { ...report, filters: change(report.filters) }
  }
  const filters = change(ownFilters(report))
  return withBlock(report, { filters: filters.length ? filters : undefined })
}

export function changeFilter(report: Report, id: string, change: Partial<Filter>): Report {
  return withList(report, id, (filters) =>
    within(filters, id, (filter) => [stripped({ ...filter, ...change })]),
  )
}

export function removeFilter(report: Report, id: string): Report {
  return withList(report, id, (filters) => within(filters, id, () => []))
}

/** Moves a filter so that it stands before what is at an index of the whole list now; what is inside itself is no place for it. */
export function moveFilter(report: Report, id: string, before: number): Report {
  const tree = filterTree(report)
  const filter = tree.find((one) => one.filter.id === id)?.filter
  const target = tree[before]?.filter
  if (!filter || (target && contains([filter], target.id))) {
    return report
  }
  const without = removeFilter(report, id)
  if (!target) {
    return isOwn(report, id)
      ? withBlock(without, { filters: [...ownFilters(without), filter] })
      : { ...without, filters: [...without.filters, filter] }
  }
  // A part reaches what the whole reaches, and the first rows are no part of anything.
  const placed = isTop(report, target.id) ? filter : stripped({ ...filter, blocks: undefined })
  return filter.kind === 'top' && !isTop(report, target.id)
    ? report
    : withList(without, target.id, (filters) => within(filters, target.id, (one) => [placed, one]))
}

/** A part more of a filter that is made of others. */
export function addPart(report: Report, id: string, part: Omit<Filter, 'id'>): Report {
  const added = { id: freeId(report, `f-${part.field ?? part.kind}`), ...part }
  return withList(report, id, (filters) =>
    within(filters, id, (filter) => [{ ...filter, filters: [...(filter.filters ?? []), added] }]),
  )
}

/** Puts a filter into one of which all, any or none of the parts must hold. */
export function wrapFilter(report: Report, id: string, kind: 'all' | 'any' | 'none'): Report {
  const group = freeId(report, `f-${kind}`)
  return withList(report, id, (filters) =>
    within(filters, id, ({ blocks, ...filter }) => [
      stripped({ id: group, kind, filters: [filter], ...(blocks ? { blocks } : {}) }),
    ]),
  )
}

/** Puts the parts of a filter in its place. */
export function unwrapFilter(report: Report, id: string): Report {
  return withList(report, id, (filters) =>
    within(filters, id, ({ blocks, filters: parts = [] }) =>
      parts.map((part) => (blocks ? { ...part, blocks } : part)),
    ),
  )
}

/** Puts the built form of a typed filter in its place; its parts get ids that nothing has. */
export function buildFilter(report: Report, id: string, built: Filter): Report {
  const taken: string[] = []
  const named = (part: Filter, own?: string): Filter => {
    const free = own ?? freeId(report, `f-${part.field ?? part.kind}`, taken)
    taken.push(free)
    return stripped({ ...part, id: free, filters: part.filters?.map((inner) => named(inner)) })
  }
  return withList(report, id, (filters) => within(filters, id, () => [named(built, id)]))
}

/** The same filter once more, after itself. */
export function copyFilter(report: Report, id: string): Report {
  const taken: string[] = []
  const copied = (filter: Filter): Filter => {
    const own = freeId(report, filter.id, taken)
    taken.push(own)
    const off = filter.kind === 'top' || filter.off
    return stripped({ ...filter, id: own, filters: filter.filters?.map(copied), off: off || undefined })
  }
  return withList(report, id, (filters) => within(filters, id, (filter) => [filter, copied(filter)]))
}

const OPPOSITE: Partial<Record<Comparison, Comparison>> = {
  is: 'is-not',
  'is-not': 'is',
  contains: 'does-not-contain',
  'does-not-contain': 'contains',
  blank: 'not-blank',
  'not-blank': 'blank',
}

/** Turns a filter round: what it kept it drops, and the other way about. */
export function negateFilter(report: Report, id: string): Report {
  const filter = allFilters(report).find((one) => one.id === id)!
  const opposite = filter.comparison && OPPOSITE[filter.comparison]
  if (filter.kind === 'condition' && opposite) {
    return changeFilter(report, id, { comparison: opposite })
  }
  switch (filter.kind) {
    case 'any':
      return changeFilter(report, id, { kind: 'none' })
    case 'none':
      return changeFilter(report, id, { kind: 'any' })
    case 'has':
      return changeFilter(report, id, { kind: 'has-none' })
    case 'has-none':
      return changeFilter(report, id, { kind: 'has' })
    case 'top':
      return changeFilter(report, id, { end: filter.end === 'smallest' ? 'largest' : 'smallest' })
    case 'expression':
      return changeFilter(report, id, { where: `NOT (${filter.where ?? 'TRUE'})` })
    default:
      return wrapFilter(report, id, 'none')
  }
}

/** What a filter reaches: the whole report, the block that is worked on alone, or blocks by their ids. */
export function reachOf(report: Report, filter: Filter): 'report' | 'block' | string[] {
  return isOwn(report, filter.id) ? 'block' : (filter.blocks ?? 'report')
}

/** Lets a filter reach the whole report, the block that is worked on alone, or blocks by their ids. */
export function setReach(report: Report, id: string, reach: 'report' | 'block' | string[]): Report {
  const filter = allFilters(report).find((one) => one.id === id)!
  const plain = stripped({ ...filter, blocks: undefined })
  const without = removeFilter(report, id)
  if (reach === 'block') {
    return withBlock(without, { filters: [...ownFilters(without), stripped({ ...plain, also: undefined })] })
  }
  const next = Array.isArray(reach) ? { ...plain, blocks: reach } : plain
  const filters = [...without.filters]
  const at = report.filters.findIndex((one) => one.id === id)
  filters.splice(at < 0 ? filters.length : at, 0, next)
  return { ...without, filters }
}

/** The field that stands for a filter's own in blocks of another dataset; none leaves those alone. */
export function setFieldElsewhere(
  report: Report,
  id: string,
  dataset: string,
  field: string | undefined,
): Report {
  const others = (allFilters(report).find((one) => one.id === id)?.also ?? []).filter(
    (also) => also.dataset !== dataset,
  )
  const also = field ? [...others, { dataset, field }] : others
  return changeFilter(report, id, { also: also.length ? also : undefined })
}
