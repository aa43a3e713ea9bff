import type { DatasetView, Filter, Report } from '@/api/client'
import { words } from '@/words'

/** A filter as the spine lists it: "Status is not cancelled", "Ordered in the period ⟨Ordered⟩". */
export function filterInWords(filter: Filter, report: Report, dataset: DatasetView): string {
  if (filter.kind === 'expression') {
    return filter.where ?? ''
  }
  const text = words.bench.filters
  if (filter.kind === 'has' || filter.kind === 'has-none') {
    const rows = (filter.dataset ?? '').replace(/[-_]/g, ' ')
    return filter.kind === 'has' ? text.hasWords(rows) : text.hasNoneWords(rows)
  }
  const field = dataset.fields.find((f) => f.id === filter.field)?.label ?? filter.field ?? ''
  if (filter.kind === 'top') {
    return text[filter.end ?? 'largest'](filter.count ?? 1, field)
  }
  const prompt = report.prompts.find((p) => p.name === filter.prompt)
  if (filter.kind === 'period') {
    return words.bench.inPeriod(field, prompt?.label ?? filter.prompt ?? '')
  }
  const comparison = filter.comparison ? words.bench.comparisons[filter.comparison] : ''
  const other = dataset.fields.find((f) => f.id === filter.other)?.label ?? filter.other
  const values = other ? other : prompt ? `⟨${prompt.label}⟩` : written(filter)
  return `${field} ${comparison} ${values}`.trim()
}

/** The values that a condition compares with; dots where one is to be written. */
function written({ comparison, values = [] }: Filter): string {
  if (comparison === 'blank' || comparison === 'not-blank') {
    return ''
  }
  const between = comparison === 'between' ? ` ${words.bench.inspector.and} ` : ', '
  return values.length ? values.map((value) => value || '…').join(between) : '…'
}
