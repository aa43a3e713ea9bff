import type { ReportEdit } from '@/api/client'
import { randomId } from '@/shell/randomId'

/** A named edit that was asked for, and of which no answer has come yet. */
export interface UnmadeEdit {
  id: string
  /** The name by which it is undone. */
  name: string
  edit: ReportEdit
  /** Id of the block that it is of. */
  block?: string
}

/**
 * The edits of a report that are not made yet. They are kept in this tab until an answer comes, so that a lost session, a stopped server or
 * a lost connection loses none; another tab knows nothing of them, and makes none of them twice.
 */
export function unmadeEdits(report: string) {
  const key = `grammatus.edits.${report}`

  function all(): UnmadeEdit[] {
    try {
      return JSON.parse(sessionStorage.getItem(key) ?? '[]')
    } catch {
      return []
    }
  }

  function store(edits: UnmadeEdit[]) {
    try {
      if (edits.length) {
        sessionStorage.setItem(key, JSON.stringify(edits))
      } else {
        sessionStorage.removeItem(key)
      }
    } catch {
      // A full store: the edit is asked for again by hand where it is lost.
    }
  }

  function keep(edit: Omit<UnmadeEdit, 'id'>): UnmadeEdit {
    const kept = { ...edit, id: randomId() }
    store([...all(), kept])
    return kept
  }

  const drop = ({ id }: UnmadeEdit) => store(all().filter((one) => one.id !== id))

  return { all, keep, drop }
}
