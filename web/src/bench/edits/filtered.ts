/** An aggregate, and the rows that it takes. */
export interface Filtered {
  aggregate: string
  where?: string
}

const FILTER = /^([\s\S]*?\))\s*FILTER\s*\(\s*WHERE\s+([\s\S]+)\)\s*$/i

/** The parts of a total that takes some rows only; none where it is made of more than one aggregate. */
export function filteredParts(value: string): Filtered | undefined {
  const found = FILTER.exec(value.trim())
  const parts = found ? { aggregate: found[1]!, where: found[2]!.trim() } : { aggregate: value.trim() }
  return /^[A-Z]+\s*\([^()]*(\([^()]*\)[^()]*)*\)$/i.test(parts.aggregate) && isWhole(parts.where ?? '')
    ? parts
    : undefined
}

/** Whether brackets open and close in it, so that it ends where it seems to. */
function isWhole(text: string): boolean {
  let depth = 0
  for (const sign of text) {
    depth += sign === '(' ? 1 : sign === ')' ? -1 : 0
    if (depth < 0) {
      return false
    }
  }
  return depth === 0
}

export const filteredText = ({ aggregate, where }: Filtered) =>
  where ? `${aggregate} FILTER (WHERE ${where})` : aggregate
