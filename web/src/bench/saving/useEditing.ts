import { onScopeDispose, ref } from 'vue'
import { begun, onRecord } from '../newReport'
import { api, ApiError, type Editing, type Report } from '@/api/client'

const AFTER_MILLISECONDS = 400
const AGAIN_MILLISECONDS = 3000

export type Keeping = 'kept' | 'keeping' | 'saved' | 'unreachable'

interface LocalDraft {
  definition: Report
  base: number
  at: number
}

/**
 * Where a report's changes are kept: in this browser at once, on the server as a draft a moment later, and as a revision when
 * the author saves. A lost session, a stopped server or a closed browser loses nothing.
 */
export function useEditing(id: string) {
  const base = ref(0)
  const editable = ref(false)
  const keeping = ref<Keeping>('saved')
  /** Set where somebody saved a newer revision: both are kept. */
  const conflict = ref<{ message: string; revision: number }>()
  const key = `grammatus.draft.${id}`
  let pending: Report | undefined
  let making: Promise<void> | undefined
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
    const local = localDraft()
    const draft =
      local && (!view.draft || local.at > view.draft.updatedAt)
        ? local
        : view.draft && { ...view.draft, at: view.draft.updatedAt }
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

  /** Keeps a changed definition. */
  function keep(definition: Report) {
    pending = definition
    keeping.value = 'keeping'
    try {
      const at = Date.now()
      localStorage.setItem(key, JSON.stringify({ definition, base: base.value, at }))
      storedAt = at
    } catch {
      // A full store: the server's draft is enough.
      storedAt = undefined
    }
    clearTimeout(timer)
    timer = setTimeout(() => void flush(), AFTER_MILLISECONDS)
  }

  async function flush(): Promise<void> {
    clearTimeout(timer)
    // A bench that was left, such as by the end of a session, must not put its old state over that of the one opened since.
    if (gone && storedAt !== undefined && localDraft()?.at !== storedAt) {
      pending = undefined
    }
    const sent = pending
    if (!sent) {
      return
    }
    try {
      await ensure()
      await api.keepDraft(id, sent, base.value)
      if (pending === sent) {
        pending = undefined
        keeping.value = 'kept'
        localStorage.removeItem(key)
      }
    } catch {
      keeping.value = 'unreachable'
      timer = setTimeout(() => void flush(), AGAIN_MILLISECONDS)
    }
  }

  /** Saves as the next revision; says so where somebody was faster. */
  async function save(definition: Report): Promise<boolean> {
    await flush()
    await ensure()
    try {
      const { revision } = await api.save(id, definition, base.value)
      settled(revision)
      return true
    } catch (e) {
      if (e instanceof ApiError && e.status === 409 && e.revision !== undefined) {
        conflict.value = { message: e.message, revision: e.revision }
        return false
      }
      throw e
    }
  }

  /** Saves over the newer revision, which stays on record. */
  async function saveOver(definition: Report): Promise<void> {
    base.value = conflict.value!.revision
    conflict.value = undefined
    await save(definition)
  }

  /** Gives up what was not saved and returns what was. */
  async function discard(): Promise<Report> {
    await ensure()
    clearTimeout(timer)
    pending = undefined
    localStorage.removeItem(key)
    conflict.value = undefined
    await api.discardDraft(id)
    const view = await api.editing(id)
    settled(view.revision)
    return view.definition
  }

  function settled(revision: number) {
    clearTimeout(timer)
    pending = undefined
    localStorage.removeItem(key)
    base.value = revision
    keeping.value = 'saved'
  }

  const leaving = () => void flush()
  window.addEventListener('pagehide', leaving)
  onScopeDispose(() => {
    window.removeEventListener('pagehide', leaving)
    gone = true
    void flush()
  })
  return { base, editable, keeping, conflict, load, keep, ensure, flush, save, saveOver, discard }
}
