import type { FieldView } from '@/api/client'
import { folded } from '@/shell/folded'

/** Fields that a text finds, those first that are called so, then those that begin so. */
export function ranked(fields: FieldView[], sought: string): FieldView[] {
  const text = folded(sought)
  const rank = (field: FieldView) => {
    const label = folded(field.label)
    return label === text ? 0 : label.startsWith(text) ? 1 : 2
  }
  const found = fields.filter((field) => folded(`${field.label} ${field.id}`).includes(text))
  return text ? [...found].sort((a, b) => rank(a) - rank(b)) : found
}
