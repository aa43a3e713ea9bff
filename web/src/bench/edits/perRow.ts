import type { FieldView } from '@/api/client'

/** Whether a field has a value in every row; a measure has one for a group alone. */
export const perRow = (field: FieldView) => field.made !== 'MEASURE'

/** What is offered when something is chosen; hidden fields serve joins and expressions alone. */
export const offered = (fields: FieldView[]) => fields.filter((field) => !field.hidden)
