import type { Ref } from 'vue'
import type { useLooks } from './page/useLooks'
import type { Part } from './parts'
import type { Command } from '@/shell/commands'
import { words } from '@/words'

/** What the bench can do to its report, as the screen does it. */
export interface BenchActions {
  selection: Ref<Part[]>
  looks: ReturnType<typeof useLooks>
  undo: () => void
  redo: () => void
  canUndo: () => boolean
  canRedo: () => boolean
  save: () => void
  saveCopy: () => void
  discard: () => void
  openRun: () => void
  palette: () => void
  help: () => void
  edit: () => void
  remove: () => void
  shift: (step: -1 | 1) => void
  widen: (step: number) => void
  fit: () => void
  order: (direction?: 'ascending' | 'descending') => void
  group: () => void
  copy: () => void
  cut: () => void
  paste: () => void
  toggle: () => void
  why: () => void
  canExplain: () => boolean
  rows: () => void
  fold: () => void
  unfold: () => void
  isFolded: () => boolean
  select: (step: -1 | 1, extend: boolean) => void
  clear: () => void
  page: (number: number) => void
  pageNow: () => number
  pages: () => number
  fitWidth: () => void
  grid: () => void
  pageSettings: () => void
  rowsShown: () => void
}

/** Every command of the bench with its keys; palette, menu, keyboard and help sheet all read this one list. */
export function benchCommands(act: BenchActions): Command[] {
  const text = words.bench.commands
  const kind = () => act.selection.value.at(-1)?.kind
  const onColumn = () => kind() === 'column'
  const onPart = () => act.selection.value.length > 0
  const removable = () => ['column', 'level', 'filter', 'prompt', 'highlight', 'total'].includes(kind() ?? '')
  const always = () => true
  const general = (id: string, name: string, keys: string[], run: () => void, enabled = always): Command => ({
    id,
    name,
    group: text.general,
    keys,
    enabled,
    run,
  })
  const selected = (
    id: string,
    name: string,
    keys: string[],
    run: () => void,
    enabled: () => boolean,
  ): Command => ({
    id,
    name,
    group: text.selected,
    keys,
    onPage: true,
    enabled,
    run,
  })
  const moving = (id: string, name: string, keys: string[], run: () => void, enabled = always): Command => ({
    id,
    name,
    group: text.moving,
    keys,
    onPage: true,
    enabled,
    run,
  })
  return [
    general('undo', text.undo, ['Ctrl+Z'], act.undo, act.canUndo),
    general('redo', text.redo, ['Ctrl+Shift+Z', 'Ctrl+Y'], act.redo, act.canRedo),
    general('save', words.bench.save, ['Ctrl+S'], act.save),
    general('copy-report', words.bench.saveCopy, ['Ctrl+Shift+S'], act.saveCopy),
    general('discard', words.bench.discard, [], act.discard),
    general('run', words.bench.openRun, [], act.openRun),
    general('palette', words.bench.palette, ['Ctrl+.'], act.palette),
    { ...general('help', words.bench.help, ['?'], act.help), onPage: true },
    general('grid', text.grid, [], act.grid),
    general('page-settings', text.page, [], act.pageSettings),
    general('rows-shown', text.rowsShown, [], act.rowsShown),
    selected('edit', text.edit, ['F2', 'Enter'], act.edit, () =>
      ['column', 'level', 'report'].includes(kind() ?? ''),
    ),
    selected('remove', text.remove, ['Delete'], act.remove, removable),
    selected('earlier', text.earlier, ['Ctrl+←', 'Ctrl+↑'], () => act.shift(-1), removable),
    selected('later', text.later, ['Ctrl+→', 'Ctrl+↓'], () => act.shift(1), removable),
    selected('narrower', text.narrower, ['Ctrl+Shift+←'], () => act.widen(-5), onColumn),
    selected('wider', text.wider, ['Ctrl+Shift+→'], () => act.widen(5), onColumn),
    selected('fit', text.fit, ['F'], act.fit, onColumn),
    selected('order', text.orderUp, ['O'], () => act.order(), onColumn),
    selected('order-down', text.orderDown, ['Shift+O'], () => act.order('descending'), onColumn),
    selected('group', text.group, ['G'], act.group, onColumn),
    { ...selected('copy', text.copy, ['Ctrl+C'], act.copy, onColumn), byBrowser: true },
    { ...selected('cut', text.cut, ['Ctrl+X'], act.cut, onColumn), byBrowser: true },
    { ...selected('paste', text.paste, ['Ctrl+V'], act.paste, always), byBrowser: true },
    selected('copy-look', text.copyLook, ['Ctrl+Alt+C'], act.looks.copy, act.looks.canCopy),
    selected('paste-look', text.pasteLook, ['Ctrl+Alt+V'], act.looks.paste, act.looks.canPaste),
    selected('reset-look', text.resetLook, ['Ctrl+Alt+0'], act.looks.reset, act.looks.canCopy),
    selected('on-off', text.onOff, ['Space'], act.toggle, () =>
      ['column', 'level', 'filter', 'highlight'].includes(kind() ?? ''),
    ),
    selected('why', text.why, ['W'], act.why, act.canExplain),
    selected('rows', text.rows, ['R'], act.rows, act.canExplain),
    selected('fold', text.fold, ['-'], act.fold, () => kind() === 'level'),
    { ...selected('unfold', words.why.unfold, ['+'], act.unfold, act.isFolded), group: text.general },
    selected('clear', text.nothing, ['Esc'], act.clear, onPart),
    moving('select-left', text.selectLeft, ['←'], () => act.select(-1, false), onColumn),
    moving('select-right', text.selectRight, ['→'], () => act.select(1, false), onColumn),
    moving('extend-left', text.extendLeft, ['Shift+←'], () => act.select(-1, true), onColumn),
    moving('extend-right', text.extendRight, ['Shift+→'], () => act.select(1, true), onColumn),
    moving('previous-page', text.previousPage, ['←', 'PageUp'], () => act.page(act.pageNow() - 1)),
    moving('next-page', text.nextPage, ['→', 'PageDown'], () => act.page(act.pageNow() + 1)),
    moving('first-page', text.firstPage, ['Home'], () => act.page(1)),
    moving('last-page', text.lastPage, ['End'], () => act.page(act.pages())),
    moving('fit-width', text.fitWidth, ['0'], act.fitWidth),
  ]
}
