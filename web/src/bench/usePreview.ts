import { onScopeDispose, ref, shallowRef } from 'vue'
import {
  api,
  type Answers,
  type HouseStyle,
  type PageView,
  type PreviewView,
  type ProblemView,
  type Report,
} from '@/api/client'
import { randomId } from '@/shell/randomId'

const SLOW_MILLISECONDS = 500

/**
 * The page of a definition as it is edited. Each edit is sent with a growing number and the newest wins; the last good page
 * stays until a new one is there, and beside the problems of an edit that is wrong.
 */
export function usePreview() {
  const session = randomId()
  const page = shallowRef<PageView>()
  const preview = shallowRef<PreviewView>()
  const problems = shallowRef<ProblemView[]>([])
  /** The definition that the problems' pointers lead into. */
  const seen = shallowRef<Report>()
  const failure = ref('')
  const stale = ref(false)
  const waiting = ref(false)
  const rowsRead = ref(0)
  /** How long the newest edit took to its page, in milliseconds. */
  const took = ref(0)
  /** Number of the newest edit that was sent. */
  const asked = ref(0)
  let abort: AbortController | undefined

  /**
   * @param downTo the innermost level that is shown; none shows all
   * @param style a house style that is being changed; the report's own unless given
   */
  async function show(
    definition: Report,
    answers: Answers,
    number: number,
    downTo?: string,
    style?: HouseStyle,
  ): Promise<void> {
    const mine = ++asked.value
    abort?.abort()
    abort = new AbortController()
    const begun = performance.now()
    const slow = setTimeout(() => void followSlow(mine), SLOW_MILLISECONDS)
    try {
      const view = await api.preview(
        session,
        { edit: mine, definition, answers, page: number, downTo, style },
        abort.signal,
      )
      if (mine !== asked.value) {
        return
      }
      failure.value = ''
      problems.value = view.problems
      seen.value = definition
      stale.value = view.page === undefined
      if (view.page) {
        page.value = view.page
        preview.value = view
      }
      took.value = performance.now() - begun
    } catch (e) {
      if (mine === asked.value && (e as Error).name !== 'AbortError') {
        failure.value = (e as Error).message
        stale.value = true
      }
    } finally {
      clearTimeout(slow)
      if (mine === asked.value) {
        waiting.value = false
      }
    }
  }

  async function followSlow(mine: number) {
    waiting.value = mine === asked.value
    while (mine === asked.value && waiting.value) {
      const progress = await api.previewProgress(session).catch(() => undefined)
      rowsRead.value = progress?.rowsRead ?? rowsRead.value
      await new Promise((resolve) => setTimeout(resolve, 300))
    }
  }

  /** Another page of the same definition. */
  async function turn(number: number): Promise<void> {
    const run = preview.value?.run
    if (!run) {
      return
    }
    const mine = asked.value
    const found = await api.page(run.id, Math.min(Math.max(1, number), run.pages)).catch(() => undefined)
    if (found && mine === asked.value) {
      page.value = found
    }
  }

  onScopeDispose(() => {
    asked.value++
    abort?.abort()
    void api.endPreviews(session).catch(() => {})
  })
  return { page, preview, problems, seen, failure, stale, waiting, rowsRead, took, asked, show, turn }
}
