import { onScopeDispose, ref } from 'vue'
import { begun, onRecord } from '../newReport'
import { api, ApiError, type Editing, type EditingWindow, type Report } from '@/api/client'
import { randomId } from '@/shell/randomId'

const AFTER_MILLISECONDS = 400
const AGAIN_MILLISECONDS = 3000

/** Also of reports that are opened in it one after the other: a window is not in its own way. */
const windowId = randomId()

/** By report, what this window knows of its drafts since the report was opened last. */
const newest = new Map<string, EditingWindow>()

export type Keeping = 'kept' | 'keeping' | 'saved' | 'unreachable' | 'elsewhere'

interface LocalDraft {
  definition: Report
  base: number
  at: number
  /** The window it was made in, and the draft on the server that this window knew of. */
  window?: EditingWindow
}

/**
 * Where a report's changes are kept: in this browser at once, on the server as a draft a moment later, and as a revision when
 * the author saves. A lost session, a stopped server or a closed browser loses nothing.
 */
export function useEditing(id: string) {
  const base = ref(0)
  const editable = ref(false)
  const keeping = ref<Keeping>('saved')
  /** Set where somebody saved a newer revision, or the same person changed the report in another window: both are kept. */
  const conflict = ref<{ message: string; revision?: number }>()
  /** This window, and when the draft on the server was kept that it knows of; 0 for none. */
  const mine: EditingWindow = { id: windowId, seen: 0 }
  newest.set(id, mine)
  const key = `grammatus.draft.${id}`
  let pending: Report | undefined
  /** What is being sent: one draft after the other, so that none arrives after a later one. */
  let sending = Promise.resolve()
  let making: Promise<void> | undefined
  /** What was said of another window's changes: once, and again when the author saves. */
  let elsewhere = ''
  /** When what is pending was put into this browser's store; none where it has no room. */
  let storedAt: number | undefined
  let gone = false
  let timer: ReturnType<typeof setTimeout> | undefined

  /** The newest of what was saved and what was kept. */
  async function load(): Promise<Report> {
    const fresh = begun(id)
    if (fresh) {
      editable.value = true
      return fresh
    }
    const view: Editing = await api.editing(id)
    editable.value = view.editable
    mine.seen = view.draft?.updatedAt ?? 0
    const local = localDraft()
    const draft = local && goesOn(local, view.draft) ? local : view.draft
    base.value = draft?.base ?? view.revision
    if (!draft) {
      keeping.value = 'saved'
      return view.definition
    }
    if (draft === local) {
      keep(draft.definition)
    } else {
      keeping.value = 'kept'
    }
    return draft.definition
  }

  /** Whether what this browser keeps was made later than, and from, what the server keeps. */
  function goesOn(local: LocalDraft, kept: Editing['draft']): boolean {
    const { window } = local
    return (
      !kept || (local.at > kept.updatedAt && (kept.window === window?.id || kept.updatedAt === window?.seen))
    )
  }

  /**
   * Puts a report that was only begun on record; one that is there already stays as it is. Whoever asks meanwhile waits for the same: a save
   * must not be made to a base that is not known yet.
   */
  function ensure(): Promise<void> {
    making ??= putOnRecord().catch((e) => {
      making = undefined
      throw e
    })
    return making
  }

  async function putOnRecord(): Promise<void> {
    const fresh = begun(id)
    if (fresh) {
      await api.addReport(fresh)
      onRecord(id)
      base.value = (await api.editing(id)).revision
    }
  }

  function localDraft(): LocalDraft | undefined {
    try {
      return JSON.parse(localStorage.getItem(key) ?? 'null') ?? undefined
    } catch {
      return undefined
    }
  }

  /** Takes this window's draft out of this browser's store; that of another one stays. */
  function forgetLocal() {
    if (localDraft()?.window?.id === windowId) {
      localStorage.removeItem(key)
    }
  }

  /** Keeps a changed definition. */
  function keep(definition: Report) {
    pending = definition
    keeping.value = 'keeping'
    try {
      const at = Date.now()
      localStorage.setItem(key, JSON.stringify({ definition, base: base.value, at, window: mine }))
      storedAt = at
    } catch {
      // A full store: the server's draft is enough.
      storedAt = undefined
    }
    clearTimeout(timer)
    timer = setTimeout(() => void flush(), AFTER_MILLISECONDS)
  }

  /** Sends what is not kept on the server yet, once all that was sent before has arrived. */
  function flush(): Promise<void> {
    clearTimeout(timer)
    sending = sending.then(send)
    return sending
  }

  async function send(): Promise<void> {
    // A bench that was left, such as by the end of a session, must not put its old state over that of the one opened since.
    if (gone && storedAt !== undefined && newest.get(id) !== mine) {
      pending = undefined
    }
    const sent = pending
    if (!sent) {
      return
    }
    try {
      await ensure()
      mine.seen = (await api.keepDraft(id, sent, base.value, mine)).updatedAt
      if (pending === sent) {
        pending = undefined
        keeping.value = 'kept'
        forgetLocal()
      }
    } catch (e) {
      if (e instanceof ApiError && e.status === 409) {
        changedElsewhere(e.message)
        return
      }
      keeping.value = 'unreachable'
      timer = setTimeout(() => void flush(), AGAIN_MILLISECONDS)
    }
  }

  function changedElsewhere(message: string) {
    keeping.value = 'elsewhere'
    conflict.value ??= elsewhere ? undefined : { message }
    elsewhere = message
  }

  /** Saves as the next revision; says so where somebody was faster. */
  async function save(definition: Report): Promise<boolean> {
    await flush()
    if (elsewhere) {
      conflict.value = { message: elsewhere }
      return false
    }
    await ensure()
    try {
      const { revision } = await api.save(id, definition, base.value, mine)
      settled(revision)
      return true
    } catch (e) {
      if (e instanceof ApiError && e.status === 409 && e.revision === undefined) {
        changedElsewhere(e.message)
        return false
      }
      if (e instanceof ApiError && e.status === 409 && e.revision !== undefined) {
        conflict.value = { message: e.message, revision: e.revision }
        return false
      }
      throw e
    }
  }

  /** Saves over the newer revision, which stays on record; over what another window changed, this window's state becomes the draft. */
  async function saveOver(definition: Report): Promise<void> {
    const { revision } = conflict.value!
    conflict.value = undefined
    elsewhere = ''
    if (revision === undefined) {
      mine.seen = (await api.editing(id)).draft?.updatedAt ?? 0
      keep(definition)
      await flush()
    } else {
      base.value = revision
      await save(definition)
    }
  }

  /** Leaves what another window has changed as it is, and gives up what is here. */
  function yieldToOther() {
    clearTimeout(timer)
    pending = undefined
    forgetLocal()
    conflict.value = undefined
    elsewhere = ''
  }

  /** What another window has changed, in the place of what is here. */
  function takeOther(): Promise<Report> {
    yieldToOther()
    return load()
  }

  /** Gives up what was not saved and returns what was. */
  async function discard(): Promise<Report> {
    await ensure()
    clearTimeout(timer)
    pending = undefined
    forgetLocal()
    conflict.value = undefined
    await api.discardDraft(id)
    const view = await api.editing(id)
    settled(view.revision)
    return view.definition
  }

  function settled(revision: number) {
    clearTimeout(timer)
    pending = undefined
    forgetLocal()
    base.value = revision
    elsewhere = ''
    mine.seen = 0
    keeping.value = 'saved'
  }

  // A page that is being left waits for no answer.
  const leaving = () => void send()
  window.addEventListener('pagehide', leaving)
  onScopeDispose(() => {
    window.removeEventListener('pagehide', leaving)
    gone = true
    void flush()
  })
  return {
    base,
    editable,
    keeping,
    conflict,
    load,
    keep,
    ensure,
    flush,
    save,
    saveOver,
    yieldToOther,
    takeOther,
    discard,
  }
}
