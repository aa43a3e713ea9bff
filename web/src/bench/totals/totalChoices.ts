import type { Offers } from '@/api/client'

/** A total that can be made of what a column shows. */
export interface TotalChoice {
  value: string
  label: string
  /** What should be known of it. */
  advice?: string
}

/** The totals that can be made of what a column shows, with the one it has. */
export function totalChoices(offers: Offers | undefined, column: string, current?: string): TotalChoice[] {
  const totals = offers?.columns.find((one) => one.column === column)?.totals ?? []
  const known = totals.map(({ name, value, advice }) => ({ value, label: name, advice }))
  return current && !known.some((choice) => choice.value === current)
    ? [...known, { value: current, label: current }]
    : known
}
