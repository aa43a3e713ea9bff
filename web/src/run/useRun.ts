import { onScopeDispose, ref, shallowRef } from 'vue'
import { api, type Answers, type RunView, type View } from '@/api/client'

/** One run at a time of a report: started, followed to its end, cancelled when a newer one takes its place. */
export function useRun(report: string) {
  const run = shallowRef<RunView>()
  const problem = ref('')
  let events: EventSource | undefined
  let newest = 0

  function isOver(view: RunView): boolean {
    return view.state === 'DONE' || view.state === 'FAILED' || view.state === 'CANCELLED'
  }

  function stopFollowing() {
    events?.close()
    events = undefined
  }

  async function start(answers: Answers, view: View): Promise<void> {
    await cancel()
    const mine = ++newest
    problem.value = ''
    const started = await api.startRun(report, answers, view)
    if (mine !== newest) {
      void api.cancelRun(started.id)
      return
    }
    run.value = started
    follow(started.id)
  }

  function follow(id: string) {
    stopFollowing()
    const source = api.events(id)
    events = source
    source.onmessage = (event) => {
      const view = JSON.parse(event.data) as RunView
      run.value = view
      if (isOver(view)) {
        stopFollowing()
      }
    }
    source.onerror = async () => {
      if (events !== source) {
        return
      }
      // The stream broke; what happened to the run can still be asked.
      stopFollowing()
      try {
        const view = await api.run(id)
        run.value = view
        if (!isOver(view)) {
          setTimeout(() => run.value?.id === id && follow(id), 1000)
        }
      } catch (e) {
        problem.value = (e as Error).message
      }
    }
  }

  async function cancel(): Promise<void> {
    const current = run.value
    if (current && !isOver(current)) {
      await api.cancelRun(current.id).catch(() => {})
    }
    stopFollowing()
  }

  onScopeDispose(() => void cancel())
  return { run, problem, start, cancel: () => run.value && api.cancelRun(run.value.id), isOver }
}
