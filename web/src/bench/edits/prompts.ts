import { allFilters, eachFilter, type Comparison } from './filters'
import { changed, freeId, moved, stripped } from './report'
import type { FieldView, Filter, Prompt, Report } from '@/api/client'

/** Whether a prompt's answer is two ends, each with a name in expressions. */
export const hasEnds = (prompt: Prompt) => ['period', 'number-range', 'text-range'].includes(prompt.type)

/** A prompt over a field of the report's dataset, with the filter that reads it: a period for dates, else a choice of the field's values. */
export function addPrompt(report: Report, field: FieldView, answer?: string): Report {
  const type = promptTypes(field.type)[0]!
  const taken = report.prompts.map((prompt) => prompt.name)
  let name = field.id.replace(/[^a-z0-9_]/g, '_')
  for (let i = 2; taken.includes(name); i++) {
    name = `${field.id}_${i}`
  }
  const prompt: Prompt = {
    id: freeId(report, `p-${field.id}`),
    name,
    type,
    label: field.label,
    ...(type === 'choice' ? { field: field.id } : {}),
    ...(answer ? { default: answer } : {}),
  }
  const asking = { ...report, prompts: [...report.prompts, prompt] }
  const id = freeId(asking, `f-${field.id}`)
  const comparison = usualComparison(type)
  const reading: Filter = comparison
    ? { id, kind: 'condition', field: field.id, comparison, prompt: name }
    : { id, kind: 'period', field: field.id, prompt: name }
  return { ...asking, filters: [...asking.filters, reading] }
}

/** What a prompt about a field can ask for: what fits the field, the usual first. */
export function promptTypes(type: FieldView['type'] | undefined): Prompt['type'][] {
  switch (type) {
    case 'DATE':
    case 'TIMESTAMP':
      return ['period', 'date']
    case 'INTEGER':
      return ['choice', 'choices', 'whole-number', 'number-range']
    case 'DECIMAL':
      return ['number-range', 'decimal', 'choice', 'choices']
    case 'BOOLEAN':
      return ['yes-no', 'choice']
    default:
      return ['choice', 'choices', 'text', 'text-range']
  }
}

/** The comparison by which a filter usually reads the answer to a prompt; none for a period, which is one itself. */
function usualComparison(type: Prompt['type']): Comparison | undefined {
  switch (type) {
    case 'period':
      return undefined
    case 'number-range':
    case 'text-range':
      return 'between'
    case 'whole-number':
    case 'decimal':
      return 'at-least'
    case 'text':
      return 'contains'
    default:
      return 'is'
  }
}

/** Lets a prompt ask for something else; the filters that read it compare as that is usually compared. */
export function setPromptType(report: Report, id: string, type: Prompt['type']): Report {
  const prompt = report.prompts.find((one) => one.id === id)!
  const reads = (filter: Filter) => filter.prompt === prompt.name && filter.kind !== 'expression'
  const field = prompt.field ?? allFilters(report).find(reads)?.field
  const comparison = usualComparison(type)
  const ofList = type === 'choice' || type === 'choices'
  const ofField = ofList || type === 'date'
  return {
    ...changePrompt(report, id, {
      type,
      field: ofField ? field : undefined,
      default: undefined,
      listed: ofList ? prompt.listed : undefined,
      order: ofList ? prompt.order : undefined,
      pattern: type === 'text' ? prompt.pattern : undefined,
      least: undefined,
      most: undefined,
    }),
    filters: eachFilter(report.filters, (filter) => [
      reads(filter)
        ? stripped({ ...filter, kind: comparison ? ('condition' as const) : ('period' as const), comparison })
        : filter,
    ]),
  }
}

export function changePrompt(report: Report, id: string, change: Partial<Prompt>): Report {
  return { ...report, prompts: changed(report.prompts, id, change) }
}

/** A prompt goes together with the filters that read nothing else. */
export function removePrompt(report: Report, id: string): Report {
  const name = report.prompts.find((prompt) => prompt.id === id)?.name
  return {
    ...report,
    prompts: report.prompts.filter((prompt) => prompt.id !== id),
    filters: eachFilter(report.filters, (filter) =>
      filter.prompt !== undefined && filter.prompt === name ? [] : [filter],
    ),
  }
}

export function movePrompt(report: Report, id: string, before: number): Report {
  return { ...report, prompts: moved(report.prompts, id, before) }
}
