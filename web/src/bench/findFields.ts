import type { FieldView } from '@/api/client'
import { folded } from '@/shell/folded'
import { words } from '@/words'

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

/** The spans of dates that a text finds, such as the fiscal ones: each a field to group by. */
export function spans(fields: FieldView[], sought: string): FieldView[] {
  const text = folded(sought)
  if (text.length < 3) {
    return []
  }
  const buckets = Object.entries(words.bench.inspector.buckets).filter(
    ([bucket, name]) => bucket !== 'none' && (folded(name).includes(text) || folded(bucket).includes(text)),
  )
  return fields
    .filter((field) => field.offers.level && (field.type === 'DATE' || field.type === 'TIMESTAMP'))
    .flatMap((field) =>
      buckets.map(([bucket, name]) => ({
        ...field,
        label: words.bench.fields.coarsened(field.label, name),
        level: { ...field.offers.level!, bucket },
      })),
    )
}
