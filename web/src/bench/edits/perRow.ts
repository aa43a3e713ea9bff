import type { FieldView } from '@/api/client'

/** Whether a field has a value in every row; a measure has one for a group alone. */
export const perRow = (field: FieldView) => field.made !== 'MEASURE'

/** What is offered when something is chosen; hidden fields serve joins and expressions alone. */
export const offered = (fields: FieldView[]) => fields.filter((field) => !field.hidden)

/** Whether a column prints something of a row by itself; a measure's stands as an empty text there, over its totals. */
export const printsInRows = (value?: string) => !!value && value !== "''"
