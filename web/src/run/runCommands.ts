import type { Ref } from 'vue'
import type { FileFormat } from '@/api/client'
import type { Command } from '@/shell/commands'
import { words } from '@/words'

/** What a reader can do in a run, as the screen does it. */
export interface RunActions {
  done: Readonly<Ref<boolean>>
  /** Whether there are pages: a report wider than its paper has none. */
  printed: Readonly<Ref<boolean>>
  inPages: () => boolean
  find: () => void
  fitWidth: () => void
  /** Shows the whole page. */
  fitPage: () => void
  /** Shows all pages at a glance, or the one again. */
  overview: () => void
  /** Shows two pages side by side, or one again. */
  spread: () => void
  mark: (by: 1 | -1) => void
  hasMarks: () => boolean
  turnShape: () => void
  page: (number: number) => void
  pageNow: () => number
  pages: () => number
  run: () => void
  canRun: () => boolean
  whole: () => void
  isWhole: () => boolean
  download: (format: FileFormat) => void
  edit: () => void
  canEdit: () => boolean
  library: () => void
  palette: () => void
  help: () => void
}

/** Every command of a run with its keys; palette, keyboard and help sheet all read this one list. */
export function runCommands(act: RunActions): Command[] {
  const text = words.run
  const { general, moving } = words.bench.commands
  const done = () => act.done.value
  const always = () => true
  const turning = () => done() && act.inPages()
  const onPage = (id: string, name: string, keys: string[], run: () => void, enabled: () => boolean) => ({
    id,
    name,
    group: moving,
    keys,
    onPage: true,
    enabled,
    run,
  })
  const named = (id: string, name: string, run: () => void, enabled = always, keys: string[] = []) => ({
    id,
    name,
    group: general,
    keys,
    enabled,
    run,
  })
  return [
    { id: 'find', name: text.find, group: moving, keys: ['/', 'Ctrl+F'], enabled: done, run: act.find },
    onPage('previous', text.previous, ['←'], () => act.page(act.pageNow() - 1), turning),
    onPage('next', text.next, ['→'], () => act.page(act.pageNow() + 1), turning),
    onPage('first', text.first, ['Home'], () => act.page(1), turning),
    onPage('last', text.last, ['End'], () => act.page(act.pages()), turning),
    onPage('shape', text.turnShape, ['L'], act.turnShape, done),
    onPage('next-mark', text.marks.next, ['M'], () => act.mark(1), act.hasMarks),
    onPage('previous-mark', text.marks.previous, ['Shift+M'], () => act.mark(-1), act.hasMarks),
    onPage('overview', text.turnOverview, ['O'], act.overview, done),
    onPage('spread', text.turnSpread, ['2'], act.spread, done),
    onPage('fit-width', text.fitWidth, ['0'], act.fitWidth, done),
    onPage('fit-page', text.fitPage, ['9'], act.fitPage, done),
    named('run', text.again, act.run, act.canRun),
    named('whole', words.why.wholeAgain, act.whole, () => !act.isWhole()),
    named(
      'pdf',
      text.export,
      () => act.download('pdf'),
      () => act.printed.value,
    ),
    named('csv', text.exportCsv, () => act.download('csv'), done),
    named('edit', words.library.editCopy, act.edit, act.canEdit),
    named('library', text.back, act.library),
    named('palette', words.bench.palette, act.palette, always, ['Ctrl+.']),
    { ...named('help', text.help, act.help, always, ['?']), onPage: true },
  ]
}
