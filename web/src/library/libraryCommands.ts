import type { ReportLine } from '@/api/client'
import type { Command } from '@/shell/commands'
import { words } from '@/words'

/** What can be done from the library, as the screen does it. */
export interface LibraryActions {
  reports: () => ReportLine[]
  isAuthor: () => boolean
  make: () => void
  find: () => void
  open: (id: string) => void
  edit: (id: string) => void
  palette: () => void
  help: () => void
}

/** The library's commands; every report is one to open, and for authors one to edit. */
export function libraryCommands(act: LibraryActions): Command[] {
  const text = words.library
  const { general, moving } = words.bench.commands
  const always = () => true
  const reports = act.reports().flatMap((report): Command[] => {
    const { id, title } = report
    const open = { id: `open-${id}`, name: text.openOne(title), enabled: always, run: () => act.open(id) }
    const edit = {
      id: `edit-${id}`,
      name: text.editOne(title),
      enabled: act.isAuthor,
      run: () => act.edit(id),
    }
    return [open, edit].map((command) => ({ ...command, group: '', keys: [] }))
  })
  return [
    { id: 'find', name: text.find, group: moving, keys: ['/'], onPage: true, enabled: always, run: act.find },
    {
      id: 'make',
      name: text.make,
      group: general,
      keys: ['N'],
      onPage: true,
      enabled: act.isAuthor,
      run: act.make,
    },
    {
      id: 'palette',
      name: words.bench.palette,
      group: general,
      keys: ['Ctrl+.'],
      enabled: always,
      run: act.palette,
    },
    {
      id: 'help',
      name: words.bench.help,
      group: general,
      keys: ['?'],
      onPage: true,
      enabled: always,
      run: act.help,
    },
    ...reports,
  ]
}
