import type { ShownAs } from '../edits/shown'
import { words } from '@/words'

/** What a total can show, in the groups in which it is offered. */
export function shownChoices() {
  const text = words.bench.inspector
  return [...Object.entries(text.shown), ...Object.entries(text.compared)].map(([value, label]) => ({
    value: value as ShownAs,
    label,
  }))
}
