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
  type RunView,
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
  /** Number of the page that was turned to, until it is shown and no edit's page is waited for. */
  let turnedTo: number | undefined
  /** Number of the edit whose page is waited for. */
  let outstanding: number | undefined

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
    if (first === undefined) {
      return unanswered(fault!)
    }
    if (first !== 'slow' && first.problems.length && !first.definition) {
      failure.value = first.problems.map((problem) => problem.message).join('; ')
      return undefined
    }
    if (first !== 'slow' && first.definition) {
      return first.definition
    }
    const alone = api.edit(asked.definition, asked.change, asked.block).catch(unanswered)
    // The page may still be first. Its definition is taken then, or the same page would be asked for again.
    return Promise.race([alone, shown.then((view) => view?.definition ?? alone)])
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
    outstanding = mine
    abort?.abort()
    abort = new AbortController()
    const begun = performance.now()
    const slow = setTimeout(() => void followSlow(mine), SLOW_MILLISECONDS)
    try {
      const view = await api.preview(session, { edit: mine, ...body }, abort.signal)
      if (mine !== asked.value || (body.change && !view.definition)) {
        return view
      }
      const shown = view.page && view.run && (await turned(view.page, view.run))
      if (mine !== asked.value) {
        return view
      }
      failure.value = ''
      problems.value = view.problems
      offers.value = view.offers ?? offers.value
      seen.value = view.definition ?? body.definition
      stale.value = shown === undefined
      if (shown) {
        page.value = shown
        preview.value = view
      }
      turnedTo = undefined
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
        outstanding = undefined
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

  /** Another page of the same definition; where an edit's page is waited for, that edit's, too. */
  async function turn(number: number): Promise<void> {
    const run = preview.value?.run
    if (!run || page.value?.number === number) {
      turnedTo = undefined
      return
    }
    // The last page stays the last one, however many pages an edit makes.
    const wanted = number >= run.pages ? Infinity : number
    turnedTo = wanted
    const found = await pageOf(run, number)
    // An edit may have been asked for meanwhile: until its page is there, this run's pages are shown.
    if (found && preview.value?.run?.id === run.id && turnedTo === wanted) {
      page.value = found
      turnedTo = outstanding === undefined ? undefined : wanted
    }
  }

  /** The page that was turned to while a definition's page was on its way; that page unless one was. */
  async function turned(first: PageView, run: RunView): Promise<PageView> {
    const wanted = turnedTo === undefined ? first.number : existing(run, turnedTo)
    return wanted === first.number ? first : ((await pageOf(run, wanted)) ?? first)
  }

  const existing = (run: RunView, number: number) => Math.min(Math.max(1, number), run.pages)

  const pageOf = (run: RunView, number: number) =>
    api.page(run.id, existing(run, number)).catch(() => undefined)

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
