import { freeId } from './report'
import type { Level, Report } from '@/api/client'

/** A built condition on the groups of a level. */
export type GroupFilter = NonNullable<Level['conditions']>[number]

/** One condition more: at first of the groups that have something. */
export function addGroupFilter(report: Report, conditions: GroupFilter[], by: string): GroupFilter[] {
  const id = freeId(report, 'g-filter')
  return [...conditions, { id, measure: 'value', by, comparison: 'more', value: '0' }]
}
