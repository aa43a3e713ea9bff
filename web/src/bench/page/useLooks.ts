import { shallowRef, type Ref } from 'vue'
import { hasLook, lookOf, withLook, withoutLook, type Look } from '../edits/looks'
import type { Part } from '../parts'
import type { Report } from '@/api/client'
import { words } from '@/words'

/** How a part looks, taken from one and given to others: to all that are selected, in one step. */
export function useLooks(
  report: Readonly<Ref<Report | undefined>>,
  selection: Readonly<Ref<Part[]>>,
  apply: (name: string, change: (report: Report) => Report) => void,
) {
  const text = words.bench.edits
  const copied = shallowRef<Look>()
  const last = () => selection.value.at(-1)

  return {
    copy: () => (copied.value = report.value && last() && lookOf(report.value, last()!)),
    canCopy: () => hasLook(last()),
    paste: () => {
      const look = copied.value!
      apply(text.look, (now) => withLook(now, selection.value, look))
    },
    canPaste: () => selection.value.some((part) => part.kind === copied.value?.kind),
    reset: () => apply(text.resetLook, (now) => withoutLook(now, selection.value)),
  }
}
