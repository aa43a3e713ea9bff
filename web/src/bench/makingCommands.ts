import type { Addable } from './edits/blocks'
import type { useBenchEdits } from './useBenchEdits'
import type { Prompt } from '@/api/definition'
import type { Command } from '@/shell/commands'
import { words } from '@/words'

/** Commands that add what begins without a field: highlights, conditions, prompts and blocks. */
export function makingCommands(
  edits: Pick<ReturnType<typeof useBenchEdits>, 'addHighlight' | 'makeFilter' | 'makePrompt'>,
  addBlock: (kind: Addable) => void,
): Command[] {
  const text = words.bench.commands
  const command = (id: string, name: string, run: () => void): Command => ({
    id,
    name,
    group: '',
    keys: [],
    enabled: () => true,
    run,
  })
  const prompts = Object.entries(words.bench.prompts.made) as [Prompt['type'], string][]
  const blocks = Object.entries(words.bench.blocks.kinds) as [Addable, string][]
  return [
    command('make-highlight', text.addHighlight, edits.addHighlight),
    command('make-condition', text.addCondition, () => edits.makeFilter('expression')),
    command('make-any', text.addAny, () => edits.makeFilter('any')),
    command('make-top', text.addTop, () => edits.makeFilter('top')),
    command('make-has', text.addHas, () => edits.makeFilter('has')),
    ...prompts.map(([type, label]) =>
      command(`make-prompt-${type}`, text.addPrompt(label), () => edits.makePrompt(type)),
    ),
    ...blocks.map(([kind, label]) =>
      command(`make-block-${kind}`, text.addBlock(label), () => addBlock(kind)),
    ),
  ]
}
