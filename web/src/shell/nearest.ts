import { folded } from './folded'
import type { FieldValue } from '@/api/client'

const MOST = 3
/** Less alike than this is another thing. */
const LEAST_ALIKE = 0.3

/** The values that are most like a text, the likest first: by the pairs of letters that they share. */
export function nearest(text: string, values: FieldValue[]): FieldValue[] {
  const sought = pairs(text)
  return values
    .map((value) => ({ value, alike: Math.max(alike(sought, value.value), alike(sought, value.label)) }))
    .filter(({ alike }) => alike >= LEAST_ALIKE)
    .sort((a, b) => b.alike - a.alike)
    .slice(0, MOST)
    .map(({ value }) => value)
}

/** Dice's coefficient of the pairs of letters: 1 for the same text, 0 where none is shared. */
function alike(sought: Set<string>, text: string): number {
  const found = pairs(text)
  const both = [...sought].filter((pair) => found.has(pair)).length
  return (2 * both) / (sought.size + found.size || 1)
}

function pairs(text: string): Set<string> {
  const letters = folded(text)
  return new Set(Array.from({ length: Math.max(0, letters.length - 1) }, (_, i) => letters.slice(i, i + 2)))
}
