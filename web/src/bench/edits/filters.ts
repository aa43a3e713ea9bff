import { changed, freeId, moved } from './report'
import type { FieldView, Filter, Prompt, Report } from '@/api/client'

export type Comparison = NonNullable<Filter['comparison']>

/** The comparisons that make sense for a type of field. */
export function comparisons(type: FieldView['type']): Comparison[] {
  switch (type) {
    case 'TEXT':
      return ['is', 'is-not', 'contains', 'does-not-contain', 'starts-with', 'blank', 'not-blank']
    case 'BOOLEAN':
      return ['is', 'is-not', 'blank', 'not-blank']
    default:
      return ['is', 'is-not', 'less', 'at-most', 'more', 'at-least', 'between', 'blank', 'not-blank']
  }
}

/** How many values a comparison takes: none, one, two, or any number. */
export function valueCount(comparison: Comparison): 0 | 1 | 2 | 'many' {
  switch (comparison) {
    case 'blank':
    case 'not-blank':
      return 0
    case 'between':
      return 2
    case 'is':
    case 'is-not':
      return 'many'
    default:
      return 1
  }
}

export function addFilter(report: Report, filter: Omit<Filter, 'id'>): Report {
  const id = freeId(report, `f-${filter.field ?? 'own'}`)
  return { ...report, filters: [...report.filters, { id, ...filter }] }
}

export function changeFilter(report: Report, id: string, change: Partial<Filter>): Report {
  return { ...report, filters: changed(report.filters, id, change) }
}

export function removeFilter(report: Report, id: string): Report {
  return { ...report, filters: report.filters.filter((filter) => filter.id !== id) }
}

export function moveFilter(report: Report, id: string, before: number): Report {
  return { ...report, filters: moved(report.filters, id, before) }
}

/** A prompt with the filter that reads it: a period for dates, else a choice of the field's values. */
export function addPrompt(report: Report, field: FieldView, answer?: string): Report {
  const period = field.type === 'DATE' || field.type === 'TIMESTAMP'
  const taken = report.prompts.map((prompt) => prompt.name)
  let name = field.id.replace(/[^a-z0-9_]/g, '_')
  for (let i = 2; taken.includes(name); i++) {
    name = `${field.id}_${i}`
  }
  const prompt: Prompt = {
    id: freeId(report, `p-${field.id}`),
    name,
    type: period ? 'period' : 'choice',
    label: field.label,
    ...(period ? {} : { field: field.id }),
    ...(answer ? { default: answer } : {}),
  }
  const asking = { ...report, prompts: [...report.prompts, prompt] }
  return addFilter(
    asking,
    period
      ? { kind: 'period', field: field.id, prompt: name }
      : { kind: 'condition', field: field.id, comparison: 'is', prompt: name },
  )
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
    filters: report.filters.filter((filter) => filter.prompt === undefined || filter.prompt !== name),
  }
}

export function movePrompt(report: Report, id: string, before: number): Report {
  return { ...report, prompts: moved(report.prompts, id, before) }
}
