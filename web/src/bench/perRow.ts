import type { FieldView } from '@/api/client'

/** Whether a field has a value in every row; a measure has one for a group alone. */
export const perRow = (field: FieldView) => field.made !== 'MEASURE'
