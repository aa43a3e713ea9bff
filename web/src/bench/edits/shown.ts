import { block, freeId, stripped, withBlock } from './report'
import type { Report, Total } from '@/api/client'

type Compare = NonNullable<Total['compare']>

/** What a total shows, as one word: what is made of it, or with what it is compared and how that is shown. */
export function shownAs(total: Total): string {
  return total.compare ? `${total.compare.with} ${total.compare.shown}` : (total.shown ?? 'value')
}

/** A total that shows something else; a comparison keeps its date, its plan and where it is cut. */
export function showing(total: Total, as: string, date?: string): Total {
  const [with_, shown] = as.split(' ')
  if (shown === undefined) {
    return stripped({
      ...total,
      format: undefined,
      compare: undefined,
      shown: as === 'value' ? undefined : (as as Total['shown']),
    })
  }
  const other =
    with_ === 'plan'
      ? { plan: total.compare?.plan ?? total.value }
      : stripped({ date: total.compare?.date ?? date, cut: total.compare?.cut })
  const compare = { with: with_, ...other, shown } as Compare
  return stripped({ ...total, format: undefined, shown: undefined, compare })
}

export function setShown(report: Report, id: string, as: string, date?: string): Report {
  const totals = block(report).totals.map((total) => (total.id === id ? showing(total, as, date) : total))
  return withBlock(report, { totals })
}

/**
 * Another column right after a total's own, with something made of the total at the same places.
 *
 * @param name what is put after the column's label
 */
export function showBeside(report: Report, id: string, as: string, name: string, date?: string): Report {
  const { columns, totals } = block(report)
  const total = totals.find((t) => t.id === id)
  const at = columns.findIndex((column) => column.id === total?.column)
  if (!total || at < 0) {
    return report
  }
  const own = columns[at]!
  const columnId = freeId(report, `${own.id}-${as}`)
  const totalId = freeId(report, `${total.id}-${as}`, [columnId])
  const column = { id: columnId, label: `${own.label || own.id}, ${name}`, align: 'end' as const }
  return withBlock(report, {
    columns: [...columns.slice(0, at + 1), column, ...columns.slice(at + 1)],
    totals: [...totals, { ...showing(total, as, date), id: totalId, column: columnId }],
  })
}
