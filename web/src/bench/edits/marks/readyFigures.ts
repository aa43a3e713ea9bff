import { ofDate, ofNumber, type ReadyMark } from './readyMarks'
import { typeOfTotal } from './typeOfTotal'
import { figureLabel } from '../fieldNames'
import type { DatasetView, Figure, Report } from '@/api/client'
import { words } from '@/words'

/** The names by which a rule of key figures speaks of the one that it marks, as far as that says so much. */
export type FigureWord = 'figure' | 'other' | 'change'

export function figureWords({ compare }: Figure): FigureWord[] {
  return compare
    ? ['figure', 'other', ...(compare.shown === 'figure' ? [] : ['change' as const])]
    : ['figure']
}

/** The rules for a key figure: about itself, and about how it has changed. */
export function readyFigures(report: Report, figure: Figure, dataset: DatasetView): ReadyMark[] {
  const text = words.bench.ready
  const name = figureLabel(report, figure, dataset)
  const than = figure.compare ? text.than[figure.compare.with] : ''
  const type = typeOfTotal(figure.value, dataset)
  const isNumber = type === 'INTEGER' || type === 'DECIMAL'
  const besides: { label: string; when: string }[] = !figure.compare
    ? []
    : figure.good
      ? [
          {
            label: text.worse(name, than),
            when: figure.good === 'more' ? 'figure < other' : 'figure > other',
          },
        ]
      : [
          { label: text.less(name, than), when: 'figure < other' },
          { label: text.more(name, than), when: 'figure > other' },
        ]
  const far =
    isNumber && figure.compare
      ? [{ label: text.farFrom(name, than), when: 'ABS(figure - other) > 0.1 * ABS(other)' }]
      : []
  return [
    ...besides,
    ...far,
    ...(isNumber ? ofNumber('figure', name, report) : type === 'DATE' ? ofDate('figure', name) : []),
    { label: text.missing(name), when: 'figure IS NULL' },
  ].map((mark) => ({ ...mark, reach: { of: 'figure' as const, figure: figure.id } }))
}
