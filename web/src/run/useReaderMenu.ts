import { computed, shallowRef } from 'vue'
import type { PathStep } from '@/api/client'
import type { Reach } from './useView'
import { words } from '@/words'

/** What a reader points at: a heading, or a group and perhaps a figure of it, or what stands for its other rows. */
export type Target =
  | { kind: 'column'; column: string }
  | { kind: 'group'; path: PathStep[]; group: string; figure?: string; otherRows?: string }

/** What can be done to it, as the screen does it. */
export interface ReaderActions {
  order: (column: string, direction: 'ascending' | 'descending', adds: boolean) => void
  widen: (column: string, step: number) => void
  fit: (column: string) => void
  narrow: (path: PathStep[], reach: Reach) => void
  leaveOut: (group: PathStep, reach: Reach) => void
  /** Whether the report has several blocks, so that it matters what a narrowing reaches. */
  hasSeveral: () => boolean
  /** What opens the values that a column or level may be narrowed to. */
  someOf: (part: string) => { label: string; command: () => void }[]
  showAll: (level: string) => void
  fold: (level: string | undefined) => void
  isFolded: () => boolean
  why: (group: string, figure?: string) => void
  rows: (group: string) => void
}

const WIDER_POINTS = 10

/** The commands for what a reader points at, each with its key where it has one. */
export function useReaderMenu(act: ReaderActions) {
  const target = shallowRef<Target>()

  function ofColumn(column: string) {
    const text = words.run.column
    const some = act.someOf(column)
    return [
      { label: text.ascending, command: () => act.order(column, 'ascending', false) },
      { label: text.descending, command: () => act.order(column, 'descending', false) },
      { label: text.then, keys: 'Shift+Space', command: () => act.order(column, 'ascending', true) },
      { separator: true },
      ...(some.length ? [...some, { separator: true }] : []),
      { label: text.wider, command: () => act.widen(column, WIDER_POINTS) },
      { label: text.narrower, command: () => act.widen(column, -WIDER_POINTS) },
      { label: text.fit, command: () => act.fit(column) },
    ]
  }

  function ofGroup(path: PathStep[], group: string, figure?: string, otherRows?: string) {
    const last = path.at(-1)
    const ofOthers = last?.others
      ? [{ label: words.why.showAll(last.name), command: () => act.showAll(last.level) }]
      : []
    const ofRows = otherRows ? [{ label: words.why.showAllRows, command: () => act.showAll(otherRows) }] : []
    const folding =
      last && !last.others ? [{ label: words.why.fold(last.name), command: () => act.fold(last.level) }] : []
    const unfolding = act.isFolded() ? [{ label: words.why.unfold, command: () => act.fold(undefined) }] : []
    const isOne = !path.some((step) => step.others)
    const reaches: Reach[] = act.hasSeveral() ? ['block', 'report'] : ['block']
    const said = (label: string, reach: Reach) =>
      act.hasSeveral() ? `${label}${words.why.reaches[reach]}` : label
    const narrowing = reaches.flatMap((reach) =>
      last && isOne
        ? [
            {
              label: said(words.why.onlyPath(path.map((s) => s.label).join(' › ')), reach),
              command: () => act.narrow(path, reach),
            },
            ...(path.length > 1
              ? [
                  {
                    label: said(words.why.onlyValue(last.label), reach),
                    command: () => act.narrow([last], reach),
                  },
                ]
              : []),
            {
              label: said(words.why.allBut(last.label), reach),
              command: () => act.leaveOut(last, reach),
            },
          ]
        : [],
    )
    const ofFigure = figure
      ? [{ label: words.why.figure, keys: 'Space', command: () => act.why(group, figure) }]
      : []
    const order = last ? [{ label: words.why.order, command: () => act.why(group) }] : []
    return [
      ...ofFigure,
      ...narrowing,
      ...(last && isOne ? act.someOf(last.level) : []),
      ...ofOthers,
      ...ofRows,
      ...folding,
      ...unfolding,
      ...order,
      { label: words.why.rows, keys: 'Enter', command: () => act.rows(group) },
    ]
  }

  const items = computed(() => {
    const at = target.value
    if (!at) {
      return []
    }
    return at.kind === 'column' ? ofColumn(at.column) : ofGroup(at.path, at.group, at.figure, at.otherRows)
  })
  return { target, items }
}
