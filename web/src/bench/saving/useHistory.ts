import { computed, shallowRef } from 'vue'
import type { Report } from '@/api/client'

interface Step {
  name: string
  before: Report
  after: Report
  /** Steps of one key that follow each other quickly are one: typing, dragging. */
  key?: string
  at: number
}

const COALESCE_MILLISECONDS = 1500
const MOST_STEPS = 500

/** A definition with every change that can be taken back. Definitions are never changed in place. */
export function useHistory() {
  const report = shallowRef<Report>()
  const done = shallowRef<Step[]>([])
  const undone = shallowRef<Step[]>([])

  function begin(definition: Report) {
    report.value = definition
    done.value = []
    undone.value = []
  }

  /** Applies a change under the name by which it is undone; a change that changes nothing is none. */
  function apply(name: string, change: (report: Report) => Report, key?: string) {
    const before = report.value
    if (!before) {
      return
    }
    const after = change(before)
    if (JSON.stringify(after) === JSON.stringify(before)) {
      return
    }
    const now = Date.now()
    const last = done.value.at(-1)
    const joins = key !== undefined && last?.key === key && now - last.at < COALESCE_MILLISECONDS
    const step: Step = joins ? { ...last, after, at: now } : { name, before, after, key, at: now }
    done.value = [...(joins ? done.value.slice(0, -1) : done.value), step].slice(-MOST_STEPS)
    undone.value = []
    report.value = after
  }

  function undo() {
    const step = done.value.at(-1)
    if (step) {
      done.value = done.value.slice(0, -1)
      undone.value = [...undone.value, step]
      report.value = step.before
    }
    return step?.name
  }

  function redo() {
    const step = undone.value.at(-1)
    if (step) {
      undone.value = undone.value.slice(0, -1)
      done.value = [...done.value, step]
      report.value = step.after
    }
    return step?.name
  }

  return {
    report,
    begin,
    apply,
    undo,
    redo,
    undoName: computed(() => done.value.at(-1)?.name),
    redoName: computed(() => undone.value.at(-1)?.name),
  }
}
