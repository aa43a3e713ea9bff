import { block, stripped, withBlock } from './report'
import type { Filter, Report } from '@/api/client'

export type Comparison = NonNullable<Filter['comparison']>

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

/** What a filter reaches: the whole report, the block that is worked on alone, or blocks by their ids. */
export function reachOf(report: Report, filter: Filter): 'report' | 'block' | string[] {
  return isOwn(report, filter.id) ? 'block' : (filter.blocks ?? 'report')
}
