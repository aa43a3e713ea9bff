import { api, type JoinBody, type JoinTrial } from '@/api/client'
import type { DatasetDefinition } from '../dictionary'

let last: Promise<unknown> = Promise.resolve()

/** How a join matches. One is measured after the other: each may read whole tables. */
export function measured(definition: DatasetDefinition, join: JoinBody): Promise<JoinTrial> {
  const next = last.catch(() => undefined).then(() => api.tryJoin(definition, join))
  last = next
  return next
}

/** Tells joins apart. */
export const joinKey = (join: JoinBody) =>
  [join.from, ...join.columns, join.source ?? '', join.table, ...join.key].join('\n')
