import { block, changed, freeId, moved, stripped, withBlock } from './report'
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

/** A filter more: of the report, or of the block that is worked on where that is over a dataset of its own. */
export function addFilter(report: Report, filter: Omit<Filter, 'id'>): Report {
  const id = freeId(report, `f-${filter.field ?? 'own'}`)
  const { dataset } = block(report)
  return dataset !== undefined && dataset !== report.dataset
    ? withBlock(report, { filters: [...ownFilters(report), { id, ...filter }] })
    : { ...report, filters: [...report.filters, { id, ...filter }] }
}

/** The filters of the block that is worked on alone. */
export const ownFilters = (report: Report): Filter[] => block(report).filters ?? []

/** The filters of the report, then those of the block that is worked on. */
export const allFilters = (report: Report): Filter[] => [...report.filters, ...ownFilters(report)]

const isOwn = (report: Report, id: string) => ownFilters(report).some((filter) => filter.id === id)

/** The report with the list changed in which a filter stands. */
function withList(report: Report, id: string, change: (filters: Filter[]) => Filter[]): Report {
  if (!isOwn(report, id)) {
    return { ...report, filters: change(report.filters) }
  }
  const filters = change(ownFilters(report))
  return withBlock(report, { filters: filters.length ? filters : undefined })
}

export function changeFilter(report: Report, id: string, change: Partial<Filter>): Report {
  return withList(report, id, (filters) => changed(filters, id, change))
}

export function removeFilter(report: Report, id: string): Report {
  return withList(report, id, (filters) => filters.filter((filter) => filter.id !== id))
}

export function moveFilter(report: Report, id: string, before: number): Report {
  const to = isOwn(report, id) ? before - report.filters.length : before
  return withList(report, id, (filters) => moved(filters, id, to))
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
