import { block, changed, freeId, withBlock } from './report'
import type { Cell, Report, Total } from '@/api/client'

export type Place = 'header' | 'footer' | 'none'

/** Stands for the whole report where a level's id is asked for. */
export const REPORT = 'report'

/** The place where a total usually stands at a level: beside a line's label, else below its group. */
function usualPlace(report: Report, at: string): Cell['in'] {
  const level = block(report).levels.find((l) => l.id === at)
  return level?.header === 'line' ? 'header' : 'footer'
}

/** A cell at every level and for the report. */
export function everywhere(report: Report): Cell[] {
  return [...block(report).levels.map((level) => level.id), REPORT].map((at) => ({
    at,
    in: usualPlace(report, at),
  }))
}

export function placeOf(total: Total, at: string): Place {
  return total.cells.find((cell) => cell.at === at)?.in ?? 'none'
}

/** A total's place at one level. A level without a footer gets one when a total is put there. */
export function setPlace(report: Report, totalId: string, at: string, place: Place): Report {
  const { totals, levels } = block(report)
  const next = withBlock(report, {
    totals: totals.map((total) => {
      if (total.id !== totalId) {
        return total
      }
      const rest = total.cells.filter((cell) => cell.at !== at)
      return { ...total, cells: place === 'none' ? rest : [...rest, { at, in: place }] }
    }),
  })
  const level = levels.find((l) => l.id === at)
  return place === 'footer' && level?.footer === 'none'
    ? withBlock(next, { levels: changed(block(next).levels, at, { footer: 'totals' }) })
    : next
}

/** The next place in turn: nowhere, the usual one, the other one. */
export function nextPlace(report: Report, total: Total, at: string): Place {
  if (at === REPORT) {
    return placeOf(total, at) === 'none' ? 'footer' : 'none'
  }
  const usual = usualPlace(report, at)
  const other: Place = usual === 'footer' ? 'header' : 'footer'
  const turn: Place[] = ['none', usual, other]
  return turn[(turn.indexOf(placeOf(total, at)) + 1) % turn.length]!
}

/** Puts a total everywhere, or nowhere where it is everywhere already. */
export function toggleTotal(report: Report, totalId: string): Report {
  const total = block(report).totals.find((t) => t.id === totalId)
  if (!total) {
    return report
  }
  const all = everywhere(report)
  const isEverywhere = all.every((cell) => placeOf(total, cell.at) !== 'none')
  return all.reduce((next, cell) => setPlace(next, totalId, cell.at, isEverywhere ? 'none' : cell.in), report)
}

/** Puts every total at a level, or none where all are there already. */
export function togglePlace(report: Report, at: string): Report {
  const { totals } = block(report)
  const all = totals.every((total) => placeOf(total, at) !== 'none')
  return totals.reduce(
    (next, total) => setPlace(next, total.id, at, all ? 'none' : usualPlace(report, at)),
    report,
  )
}

/** Another total under a column, at every level where the column has none yet. */
export function addTotal(report: Report, column: string, value: string): Report {
  const { totals } = block(report)
  const taken = totals
    .filter((total) => total.column === column)
    .flatMap((total) => total.cells.map((cell) => `${cell.at} ${cell.in}`))
  const total: Total = {
    id: freeId(report, `t-${column.replace(/^c-/, '')}`),
    column,
    value,
    cells: everywhere(report).filter((cell) => !taken.includes(`${cell.at} ${cell.in}`)),
  }
  return withBlock(report, { totals: [...totals, total] })
}

export function changeTotal(report: Report, id: string, change: Partial<Total>): Report {
  return withBlock(report, { totals: changed(block(report).totals, id, change) })
}

export function removeTotal(report: Report, id: string): Report {
  return withBlock(report, { totals: block(report).totals.filter((total) => total.id !== id) })
}
