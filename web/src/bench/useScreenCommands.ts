import type { Ref } from 'vue'
import type { Part } from './parts'
import { benchCommands } from './useBenchCommands'
import type { useBenchEdits } from './useBenchEdits'
import type { useBenchGestures } from './page/useBenchGestures'
import { useColumnClipboard } from './page/useColumnClipboard'
import { useLooks } from './page/useLooks'
import type { useHistory } from './saving/useHistory'
import type { useSaving } from './saving/useSaving'
import type { PageView, Report } from '@/api/client'
import { words } from '@/words'

/** The bench's commands, each done by the part of the screen that it belongs to. */
export function useScreenCommands(screen: {
  history: ReturnType<typeof useHistory>
  /** As the block that is worked on has it. */
  report: Readonly<Ref<Report | undefined>>
  apply: (name: string, change: (report: Report) => Report) => void
  saving: ReturnType<typeof useSaving>
  edits: ReturnType<typeof useBenchEdits>
  hands: ReturnType<typeof useBenchGestures>
  selection: Ref<Part[]>
  page: Readonly<Ref<PageView | undefined>>
  number: Ref<number>
  pages: Readonly<Ref<number>>
  paletteOpen: Ref<boolean>
  helpOpen: Ref<boolean>
  foldedTo: Readonly<Ref<string | undefined>>
  fold: (level: string | undefined) => void
  fitWidth: () => void
  openRun: () => void
  discard: () => void
}) {
  const { history, saving, edits, hands, selection, page, number } = screen
  const text = words.bench
  const { said } = saving

  const clipboard = useColumnClipboard({
    copied: edits.copied,
    cut: edits.cutSelected,
    paste: edits.paste,
    nothing: () => (said.value = text.nothingCopied),
  })

  const looks = useLooks(screen.report, selection, screen.apply)

  return benchCommands({
    selection,
    looks,
    undo: () => history.whenSettled(() => (said.value = text.undo(history.undo()))),
    redo: () => history.whenSettled(() => (said.value = text.redo(history.redo()))),
    canUndo: () => history.undoName.value !== undefined,
    canRedo: () => history.redoName.value !== undefined,
    save: () => void saving.save(),
    saveCopy: () => (saving.copyOpen.value = true),
    discard: screen.discard,
    openRun: screen.openRun,
    palette: () => (screen.paletteOpen.value = true),
    help: () => (screen.helpOpen.value = true),
    edit: hands.editText,
    remove: edits.removeSelected,
    shift: edits.shiftSelected,
    widen: (step) => edits.widenSelected(step, page.value),
    fit: edits.fitSelected,
    order: edits.orderSelected,
    group: edits.groupSelected,
    copy: clipboard.copy,
    cut: clipboard.cut,
    paste: clipboard.paste,
    toggle: edits.toggleSelected,
    why: hands.explain,
    canExplain: () => ['total', 'level'].includes(selection.value.at(-1)?.kind ?? ''),
    fold: () => screen.fold(selection.value.at(-1)!.id),
    unfold: () => screen.fold(undefined),
    isFolded: () => screen.foldedTo.value !== undefined,
    rows: hands.showRows,
    select: (step, extend) => edits.selectBeside(step, extend, page.value),
    clear: () => {
      selection.value = []
      hands.why.value = undefined
    },
    page: (wanted) => (number.value = Math.min(Math.max(1, wanted), screen.pages.value)),
    pageNow: () => number.value,
    pages: () => screen.pages.value,
    fitWidth: screen.fitWidth,
    grid: () => hands.select({ kind: 'totals', id: '' }),
    pageSettings: () => hands.select({ kind: 'page', id: '' }),
    rowsShown: edits.toggleRows,
  })
}
