import { offered, perRow } from './edits/perRow'
import type { DatasetView, FieldView } from '@/api/client'
import type { Command } from '@/shell/commands'
import { words } from '@/words'
import { spansOf, type FoundField } from './findFields'

/** What the palette can do with each field of a dataset. */
export interface Adding {
  addColumn: (field: FieldView) => void
  addLevel: (field: FoundField) => void
  addFilter: (field: FieldView) => void
  addPrompt: (field: FieldView) => void
}

/** A column of every field and measure; a group, a filter and a prompt of every field that rows have. */
export function addingCommands(dataset: DatasetView, act: Adding): Command[] {
  const text = words.bench.fields
  const command = (kind: string, field: FieldView, name: string, run: () => void): Command => ({
    id: `${kind}-${field.id}`,
    name,
    group: '',
    keys: [],
    enabled: () => true,
    run,
  })
  return offered(dataset.fields).flatMap((field) => {
    const column = command('column', field, text.column(field.label), () => act.addColumn(field))
    return perRow(field)
      ? [
          column,
          command('level', field, text.level(field.label), () => act.addLevel(field)),
          ...spansOf(field).map((span) =>
            command(`level-${span.bucket}`, span, text.level(span.label), () => act.addLevel(span)),
          ),
          command('filter', field, text.filter(field.label), () => act.addFilter(field)),
          command('prompt', field, text.prompt(field.label), () => act.addPrompt(field)),
        ]
      : [column]
  })
}
