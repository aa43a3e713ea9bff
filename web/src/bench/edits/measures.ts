import type { Offers } from '@/api/client'

/** What groups can be compared by: an aggregate with the name it goes by. */
export interface MeasureChoice {
  value: string
  label: string
}

/** The table's totals first, each with its expression, then the measures of its dataset. */
export const measureChoices = (offers: Offers | undefined): MeasureChoice[] =>
  (offers?.measures ?? []).map(({ value, label, printed }) => ({
    value,
    label: printed ? `${label} · ${value}` : label,
  }))

/** The choices, with what is chosen now among them. */
export function withChosen(choices: MeasureChoice[], chosen?: string): MeasureChoice[] {
  return chosen && !choices.some((choice) => choice.value === chosen)
    ? [...choices, { value: chosen, label: chosen }]
    : choices
}
