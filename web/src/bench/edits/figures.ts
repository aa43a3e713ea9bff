import { block, changed, freeId, moved, withBlock } from './report'
import type { FieldView, Figure, Report, Total } from '@/api/client'

const figuresOf = (report: Report): Figure[] => block(report).figures ?? []

/** A key figure of a field's or measure's usual total, after the others. */
export function addFigure(report: Report, field: FieldView): Report {
  const figure: Figure = {
    id: freeId(report, `k-${field.id}`),
    label: field.label,
    value: field.usual ?? `COUNT(DISTINCT ${field.value ?? field.id})`,
  }
  return withBlock(report, { figures: [...figuresOf(report), figure] })
}

/** A figure changed; what becomes undefined is taken out. */
export function changeFigure(report: Report, id: string, change: Partial<Figure>): Report {
  return withBlock(report, { figures: changed(figuresOf(report), id, change) })
}

/** The report without a figure; a block keeps its last. */
export function removeFigure(report: Report, id: string): Report {
  return withBlock(report, { figures: figuresOf(report).filter((figure) => figure.id !== id) })
}

export function moveFigure(report: Report, id: string, before: number): Report {
  return withBlock(report, { figures: moved(figuresOf(report), id, before) })
}

/** What a comparison is with, and how the change is told, as one word. */
export type Beside = 'none' | NonNullable<Figure['compare']>['with']

/** Puts another figure beside one: the same of another time, a plan, or the answer to a second period. */
export function setBesideFigure(
  report: Report,
  id: string,
  beside: Beside,
  choices: { date?: string; prompt?: string },
): Report {
  if (beside === 'none') {
    return changeFigure(report, id, { compare: undefined, good: undefined })
  }
  const shown = figuresOf(report).find((figure) => figure.id === id)?.compare?.shown ?? 'percent'
  const date = choices.date ?? ''
  switch (beside) {
    case 'plan':
      return changeFigure(report, id, { compare: { with: beside, plan: 'SUM(0)', shown } })
    case 'period':
      return changeFigure(report, id, {
        compare: { with: beside, date, prompt: choices.prompt ?? '', shown },
      })
    default:
      return changeFigure(report, id, { compare: { with: beside, date, cut: true, shown } })
  }
}

/** The grand totals of a table as key figures, each once. */
export function figuresOfTotals(report: Report, taken: string[]): Figure[] {
  const { totals, columns } = block(report)
  const plain = totals.filter((total: Total) => !total.shown && !total.compare)
  return plain
    .filter((total, i) => plain.findIndex((other) => other.value === total.value) === i)
    .map((total) => {
      const column = columns.find((one) => one.id === total.column)
      const id = freeId(report, `k-${total.id.replace(/^t-/, '')}`, taken)
      taken.push(id)
      return {
        id,
        ...(column?.label ? { label: column.label } : {}),
        value: total.value,
        ...((total.format ?? column?.format) ? { format: total.format ?? column?.format } : {}),
      }
    })
}
