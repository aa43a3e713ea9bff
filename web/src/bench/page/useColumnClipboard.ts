import { onMounted, onUnmounted } from 'vue'
import { clipboardText, copiedColumns } from './clipboardText'
import type { CopiedColumns } from '../edits/columns'

/** What the clipboard does to the bench. */
export interface ClipboardActions {
  /** The selected columns; none where something else is selected. */
  copied: () => CopiedColumns
  cut: () => void
  paste: (columns: CopiedColumns) => void
  /** Told that the clipboard holds no columns. */
  nothing: () => void
}

const TYPED = 'input, textarea, [contenteditable], [role=dialog]'

/** Copies, cuts and pastes columns by the browser's own clipboard, between tabs too. */
export function useColumnClipboard(act: ClipboardActions) {
  const elsewhere = (event: ClipboardEvent) =>
    (event.target instanceof Element && event.target.closest(TYPED) !== null) ||
    (document.activeElement?.closest(TYPED) ?? null) !== null

  function onCopy(event: ClipboardEvent) {
    const columns = act.copied()
    if (elsewhere(event) || columns.columns.length === 0) {
      return
    }
    event.clipboardData?.setData('text/plain', clipboardText(columns))
    event.preventDefault()
    if (event.type === 'cut') {
      act.cut()
    }
  }

  function onPaste(event: ClipboardEvent) {
    if (!elsewhere(event)) {
      put(event.clipboardData?.getData('text/plain') ?? '')
      event.preventDefault()
    }
  }

  function put(text: string) {
    const columns = copiedColumns(text)
    if (columns) {
      act.paste(columns)
    } else {
      act.nothing()
    }
  }

  onMounted(() => {
    document.addEventListener('copy', onCopy)
    document.addEventListener('cut', onCopy)
    document.addEventListener('paste', onPaste)
  })
  onUnmounted(() => {
    document.removeEventListener('copy', onCopy)
    document.removeEventListener('cut', onCopy)
    document.removeEventListener('paste', onPaste)
  })

  const copy = () => navigator.clipboard.writeText(clipboardText(act.copied()))
  return {
    /** For menus and the palette, where no event brings the clipboard. */
    copy: () => void copy().catch(() => {}),
    cut: () => void copy().then(act.cut, () => {}),
    paste: () => void navigator.clipboard.readText().then(put, act.nothing),
  }
}
