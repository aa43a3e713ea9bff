import { computed, ref } from 'vue'
import type { LocationQuery } from 'vue-router'
import type { PathStep, View } from '@/api/client'

/** What a narrowing reaches: the block in which it was made, or every block. */
export type Reach = 'block' | 'report'

/** Stands before a group that every block is narrowed to, as addresses write it. */
const EVERYWHERE = 'report.'

type Direction = 'ascending' | 'descending'

const list = (value: unknown) => (Array.isArray(value) ? value : value ? [value] : []).map(String)

const others = (terms: string[], column: string) => terms.filter((t) => !t.startsWith(`${column}:`))

/** How the reader looks at the report: an order of their own, groups narrowed to, widths. Part of the address. */
export function useView() {
  const order = ref<string[]>([])
  const only = ref<string[]>([])
  const except = ref<string[]>([])
  const values = ref<string[]>([])
  const widths = ref<string[]>([])
  const whole = ref<string[]>([])
  const downTo = ref<string>()
  const markedOnly = ref(false)
  const isPlain = computed(
    () =>
      downTo.value === undefined &&
      !markedOnly.value &&
      [order, only, except, values, widths, whole].every((list) => list.value.length === 0),
  )

  function load(query: LocationQuery) {
    order.value = list(query.order)
    only.value = list(query.only)
    except.value = list(query.except)
    values.value = list(query.narrow)
    widths.value = list(query.width)
    whole.value = list(query.all)
    downTo.value = list(query.down)[0]
    markedOnly.value = query.marked === 'only'
  }

  function direction(column: string): Direction | undefined {
    const term = order.value.find((o) => o.startsWith(`${column}:`))
    return term?.split(':')[1] as Direction | undefined
  }

  /** Orders by a column, the other way round where it decides already; or adds it as a further key. */
  function turnOrder(column: string, first: Direction, adds: boolean) {
    const now = direction(column)
    orderBy(column, now === undefined ? first : now === 'descending' ? 'ascending' : 'descending', adds)
  }

  function orderBy(column: string, next: Direction, adds: boolean) {
    const rest = adds ? others(order.value, column) : []
    order.value = [...rest, `${column}:${next}`]
  }

  /** Narrows to a group, or leaves one out, no longer. */
  function leave(group: string) {
    only.value = only.value.filter((term) => term !== group)
    except.value = except.value.filter((term) => term !== group)
  }

  /** @param points a width, or fit for what is printed */
  function setWidth(column: string, points: number | 'fit') {
    widths.value = [...others(widths.value, column), `${column}:${points}`]
  }

  /** Shows every group of a level, whatever limit it has. */
  function showAll(level: string) {
    whole.value = [...whole.value.filter((other) => other !== level), level]
  }

  /** Shows nothing inside the groups of a level; of none, everything again. */
  function fold(level: string | undefined) {
    downTo.value = level
  }

  function reset() {
    order.value = []
    only.value = []
    except.value = []
    values.value = []
    widths.value = []
    whole.value = []
    downTo.value = undefined
    markedOnly.value = false
  }

  const step = (s: PathStep) => (s.key === undefined ? s.level : `${s.level}:${s.key}`)
  const within = (reach: Reach) => (reach === 'report' ? EVERYWHERE : '')
  /** The level of a term, wherever it reaches. */
  const levelOf = (term: string) => term.replace(EVERYWHERE, '').split(':')[0]!

  /** Narrows to the groups of a path; what was narrowed to before at their levels goes. */
  function narrow(path: PathStep[], reach: Reach = 'block') {
    const levels = path.map((s) => s.level)
    const rest = only.value.filter((o) => !levels.includes(levelOf(o)))
    only.value = [...rest, ...path.map((s) => within(reach) + step(s))]
  }

  /**
   * Narrows to some values of a field.
   *
   * @param handle the field's id, behind a block's and a point where that block alone is narrowed
   * @param wanted values as answers are written; nothing for all
   */
  function narrowTo(handle: string, wanted: string) {
    values.value = [...others(values.value, handle), ...(wanted ? [`${handle}:${wanted}`] : [])]
  }

  /** Shows what is marked alone, or everything again. */
  const showMarked = (only: boolean) => (markedOnly.value = only)

  /** The values that a field is narrowed to; nothing for all. */
  const narrowedTo = (handle: string) =>
    values.value.find((term) => term.startsWith(`${handle}:`))?.slice(handle.length + 1) ?? ''

  /** Leaves a group out. */
  function leaveOut(group: PathStep, reach: Reach) {
    const term = within(reach) + step(group)
    except.value = [...except.value.filter((other) => other !== term), term]
  }

  return {
    isPlain,
    load,
    turnOrder,
    orderBy,
    narrow,
    leaveOut,
    narrowTo,
    narrowedTo,
    markedOnly,
    showMarked,
    narrowed: computed(() => values.value.map((term) => term.split(':')[0]!)),
    leave,
    setWidth,
    showAll,
    fold,
    reset,
    view: (): View => ({
      order: order.value,
      only: only.value,
      except: except.value,
      narrow: values.value,
      widths: widths.value,
      whole: whole.value,
      ...(downTo.value ? { downTo: downTo.value } : {}),
      ...(markedOnly.value ? { markedOnly: true } : {}),
    }),
    /** As addresses carry it; what is plain is left out. */
    query: () => ({
      order: order.value.length ? order.value : undefined,
      only: only.value.length ? only.value : undefined,
      except: except.value.length ? except.value : undefined,
      narrow: values.value.length ? values.value : undefined,
      width: widths.value.length ? widths.value : undefined,
      all: whole.value.length ? whole.value : undefined,
      down: downTo.value,
      marked: markedOnly.value ? 'only' : undefined,
    }),
  }
}
