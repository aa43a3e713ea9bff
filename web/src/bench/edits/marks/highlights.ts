import { block, changed, freeId, moved, withBlock } from '../report'
import { hasAggregate } from '../filtered'
import { everywhere } from '../totals'
import type { Highlight, Report } from '@/api/client'

export function addHighlight(
  report: Report,
  label: string,
  when: string,
  reach?: Highlight['reach'],
): Report {
  const highlight: Highlight = {
    id: freeId(report, `h-${label}`),
    label,
    when,
    look: 'alert',
    ...(reach ? { reach } : {}),
  }
  return withBlock(report, { highlights: [...block(report).highlights, highlight] })
}

export function changeHighlight(report: Report, id: string, change: Partial<Highlight>): Report {
  return withBlock(report, { highlights: changed(block(report).highlights, id, change) })
}

export function removeHighlight(report: Report, id: string): Report {
  return withBlock(report, { highlights: block(report).highlights.filter((h) => h.id !== id) })
}

export function moveHighlight(report: Report, id: string, before: number): Report {
  return withBlock(report, { highlights: moved(block(report).highlights, id, before) })
}

/** Whether what a rule marks can be counted in totals: rows, each judged by itself. */
export function canBeCounted({ when, reach }: Highlight): boolean {
  return (!reach || reach.of === 'row') && !hasAggregate(when) && !/\bOVER\b/i.test(when)
}

/** The report with a column that counts, at each group and in all, the rows for which a rule holds. */
export function countInColumn(report: Report, { id, label, when }: Highlight): Report {
  const column = freeId(report, `c-${id}`)
  const grown = withBlock(report, {
    columns: [...block(report).columns, { id: column, label, align: 'end' as const }],
  })
  return withBlock(grown, {
    totals: [
      ...block(grown).totals,
      {
        id: freeId(grown, `t-${id}`),
        column,
        value: `COUNT(*) FILTER (WHERE ${when})`,
        cells: everywhere(grown),
      },
    ],
  })
}
