import type { DatasetView, Filter, Report } from '@/api/client'
import { words } from '@/words'

/** A filter as the spine lists it: "Status is not cancelled", "Ordered in the period ⟨Ordered⟩". */
export function filterInWords(filter: Filter, report: Report, dataset: DatasetView): string {
  if (filter.kind === 'expression') {
    return filter.where ?? ''
  }
  const field = dataset.fields.find((f) => f.id === filter.field)?.label ?? filter.field ?? ''
  const prompt = report.prompts.find((p) => p.name === filter.prompt)
  if (filter.kind === 'period') {
    return words.bench.inPeriod(field, prompt?.label ?? filter.prompt ?? '')
  }
  const comparison = filter.comparison ? words.bench.comparisons[filter.comparison] : ''
  const values = prompt
    ? `⟨${prompt.label}⟩`
    : (filter.values ?? []).join(filter.comparison === 'between' ? ` ${words.bench.inspector.and} ` : ', ')
  return `${field} ${comparison} ${values}`.trim()
}
