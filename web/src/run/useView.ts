import { ref } from 'vue'
import type { LocationQuery } from 'vue-router'
import type { PathStep, View } from '@/api/client'

const list = (value: unknown) => (Array.isArray(value) ? value : value ? [value] : []).map(String)

/** How the reader looks at the report: an order of their own and groups narrowed to. Part of the address. */
export function useView() {
  const order = ref<string[]>([])
  const only = ref<string[]>([])

  function load(query: LocationQuery) {
    order.value = list(query.order)
    only.value = list(query.only)
  }

  function direction(column: string): 'ascending' | 'descending' | undefined {
    const term = order.value.find((o) => o.startsWith(`${column}:`))
    return term?.split(':')[1] as 'ascending' | 'descending' | undefined
  }

  /** Orders by a column, the other way round where it decides already; or adds it as a further key. */
  function orderBy(column: string, first: 'ascending' | 'descending', adds: boolean) {
    const now = direction(column)
    const next = now === undefined ? first : now === 'descending' ? 'ascending' : 'descending'
    const rest = adds ? order.value.filter((o) => !o.startsWith(`${column}:`)) : []
    order.value = [...rest, `${column}:${next}`]
  }

  const step = (s: PathStep) => (s.key === undefined ? s.level : `${s.level}:${s.key}`)

  /** Narrows to the groups of a path; what was narrowed to before at their levels goes. */
  function narrow(path: PathStep[]) {
    const levels = path.map((s) => s.level)
    const rest = only.value.filter((o) => !levels.includes(o.split(':')[0]!))
    only.value = [...rest, ...path.map(step)]
  }

  return {
    order,
    only,
    load,
    direction,
    orderBy,
    narrow,
    view: (): View => ({ order: order.value, only: only.value }),
  }
}
