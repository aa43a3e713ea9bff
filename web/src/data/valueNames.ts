import type { FieldView } from '@/api/client'
import { words } from '@/words'
import type { Details } from './dictionary'

/** More values than this are not named one by one. */
export const MOST_NAMED = 60

const quoted = (text: string) => `'${text.replaceAll("'", "''")}'`

/**
 * A calculated field that gives each value of a code a name: to begin with, the value itself.
 *
 * @param values of the field, as conditions write them
 */
export function valueNames(field: FieldView, values: string[]): Partial<Details> {
  const when = values.map((value) => {
    const literal = field.type === 'TEXT' ? quoted(value) : value
    return `  WHEN ${literal} THEN ${quoted(value)}`
  })
  return {
    label: words.data.edit.nameOf(field.label),
    role: 'descriptive',
    value: [`CASE ${field.offers.value}`, ...when, 'END'].join('\n'),
  }
}
