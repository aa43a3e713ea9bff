import { computed, ref, shallowRef } from 'vue'
import type { Report } from '@/api/client'

interface Step {
  name: string
  before: Report
  after: Report
  /** Steps of one key that follow each other quickly are one: typing, dragging. */
  key?: string
  at: number
}

type Change = (report: Report) => Report

/** A change that somebody else makes: it is waited for, one after the other. */
interface Asked {
  name: string
  key?: string
  made: (report: Report) => Promise<Report | undefined>
  done: (made: boolean) => void
}

const COALESCE_MILLISECONDS = 1500
const MOST_STEPS = 500

/** A definition with every change that can be taken back. Definitions are never changed in place. */
export function useHistory() {
  const report = shallowRef<Report>()
  const done = shallowRef<Step[]>([])
  const undone = shallowRef<Step[]>([])

  const queue: Asked[] = []
  /** The changes made here since the one that is waited for was asked for; none where none is. */
  let meanwhile: { name: string; change: Change; key?: string }[] | undefined
  /** How often a report was begun: what was asked for of the one before is nothing to the next. */
  let begun = 0
  /** Whether a change is waited for. */
  const isBusy = ref(false)
  let idle: (() => void)[] = []

  function begin(definition: Report) {
    begun++
    queue.splice(0).forEach((one) => one.done(false))
    report.value = definition
    done.value = []
    undone.value = []
  }

  /** Applies a change under the name by which it is undone; a change that changes nothing is none. */
  function apply(name: string, change: Change, key?: string) {
    if (report.value) {
      meanwhile?.push({ name, change, key })
      record(name, change(report.value), key)
    }
  }

  function record(name: string, after: Report, key?: string) {
    const before = report.value
    if (JSON.stringify(after) === JSON.stringify(before)) {
      return
    }
    const now = Date.now()
    const last = done.value.at(-1)
    const joins = key !== undefined && last?.key === key && now - last.at < COALESCE_MILLISECONDS
    const step: Step = joins ? { ...last, after, at: now } : { name, before: before!, after, key, at: now }
    done.value = [...(joins ? done.value.slice(0, -1) : done.value), step].slice(-MOST_STEPS)
    undone.value = []
    report.value = after
  }

  /**
   * Asks for a change that is made elsewhere, once those that were asked for before are made. What is changed here meanwhile is changed in
   * what comes of it, too.
   *
   * @param made makes it; of nothing, it was not made
   * @param key of a change that is still waited for, and that this one replaces
   * @returns whether it was made
   */
  function ask(name: string, made: Asked['made'], key?: string): Promise<boolean> {
    return new Promise((done) => {
      const waiting = key === undefined ? -1 : queue.findIndex((one) => one.key === key)
      if (waiting >= 0) {
        queue.splice(waiting, 1)[0]!.done(false)
      }
      queue.push({ name, made, key, done })
      void work()
    })
  }

  async function work() {
    if (isBusy.value) {
      return
    }
    isBusy.value = true
    for (let next = queue.shift(); next; next = queue.shift()) {
      next.done(await make(next))
    }
    isBusy.value = false
    const waiting = idle
    idle = []
    waiting.forEach((resume) => resume())
  }

  async function make({ name, made, key }: Asked): Promise<boolean> {
    const before = report.value!
    const steps = done.value
    const own = begun
    meanwhile = []
    const after = await made(before).catch(() => undefined)
    const here = meanwhile
    meanwhile = undefined
    if (!after || own !== begun) {
      return false
    }
    report.value = before
    done.value = steps
    record(name, after, key)
    here.forEach((one) => record(one.name, one.change(report.value!), one.key))
    return true
  }

  /** Waits until every change that was asked for is made. */
  const settled = () => new Promise<void>((resume) => (isBusy.value ? idle.push(resume) : resume()))

  /** Does something to the report as it is once every change that was asked for is made: at once where none is. */
  function whenSettled(act: () => void) {
    if (isBusy.value) {
      void settled().then(act)
    } else {
      act()
    }
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
    ask,
    isBusy,
    settled,
    whenSettled,
    undo,
    redo,
    undoName: computed(() => done.value.at(-1)?.name),
    redoName: computed(() => undone.value.at(-1)?.name),
  }
}
