import { onScopeDispose, ref, shallowRef } from 'vue'
import {
  api,
  ApiError,
  type Answers,
  type HouseStyle,
  type PageView,
  type PreviewAsked,
  type PreviewView,
  type Offers,
  type ProblemView,
  type Report,
  type ReportEdit,
} from '@/api/client'
import { randomId } from '@/shell/randomId'

const SLOW_MILLISECONDS = 500
/** The status of a request that reached no server. */
const OFFLINE = 0
/** Without a session, or without the token that went with it. */
const LOST_SESSION = [401, 403]
const SERVER_FAULT = 500
/** A page that takes longer is not waited for: the edit is made by itself, and its page comes after. */
const EDIT_MILLISECONDS = 400

/**
 * The page of a definition as it is edited. Each edit is sent with a growing number and the newest wins; the last good page
 * stays until a new one is there, and beside the problems of an edit that is wrong.
 */
export function usePreview() {
  const session = randomId()
  const page = shallowRef<PageView>()
  const preview = shallowRef<PreviewView>()
  const problems = shallowRef<ProblemView[]>([])
  /** What can be done next with the block that is worked on, whatever is wrong with the report. */
  const offers = shallowRef<Offers>()
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
  /** Why the newest request that failed did. */
  let fault: Error | undefined

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
    block?: string,
  ): Promise<void> {
    await request({ definition, answers, page: number, downTo, style, block })
  }

  /**
   * Makes a named edit and shows what comes of it.
   *
   * @returns the definition with the edit made; none where it could not be made, which is said
   * @throws Error if the server was not reached, which is said, too
   */
  async function change(asked: PreviewAsked & { change: ReportEdit }): Promise<Report | undefined> {
    const waited = new Promise<'slow'>((resolve) => setTimeout(resolve, EDIT_MILLISECONDS, 'slow'))
    const shown = request(asked)
    const first = await Promise.race([shown, waited])
    const view = first === 'slow' ? undefined : first
    if (view?.definition) {
      return view.definition
    }
    if (view && view.problems.length) {
      failure.value = view.problems.map((problem) => problem.message).join('; ')
      return undefined
    }
    if (first !== undefined) {
      return api.edit(asked.definition, asked.change, asked.block).catch(unanswered)
    }
    return unanswered(fault!)
  }

  /** Says why no answer came; an answer that is no is one, too. */
  function unanswered(e: Error): undefined {
    failure.value = e.message
    const isAnswered = e instanceof ApiError && e.status !== OFFLINE && e.status < SERVER_FAULT
    if (!isAnswered || LOST_SESSION.includes(e.status)) {
      throw e
    }
  }

  /** Asks for a page; of none that came, the answer is nothing. */
  async function request(body: PreviewAsked): Promise<PreviewView | undefined> {
    const mine = ++asked.value
    abort?.abort()
    abort = new AbortController()
    const begun = performance.now()
    const slow = setTimeout(() => void followSlow(mine), SLOW_MILLISECONDS)
    try {
      const view = await api.preview(session, { edit: mine, ...body }, abort.signal)
      if (mine !== asked.value || (body.change && !view.definition)) {
        return view
      }
      failure.value = ''
      problems.value = view.problems
      offers.value = view.offers ?? offers.value
      seen.value = view.definition ?? body.definition
      stale.value = view.page === undefined
      if (view.page) {
        page.value = view.page
        preview.value = view
      }
      took.value = performance.now() - begun
      return view
    } catch (e) {
      if (mine === asked.value && (e as Error).name !== 'AbortError') {
        failure.value = (e as Error).message
        stale.value = true
      }
      fault = e as Error
      return undefined
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
  return {
    page,
    preview,
    problems,
    offers,
    seen,
    failure,
    stale,
    waiting,
    rowsRead,
    took,
    asked,
    show,
    change,
    turn,
  }
}
