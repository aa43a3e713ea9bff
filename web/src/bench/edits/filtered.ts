/** A total without the condition on its rows, and that condition, which all its aggregates share. */
export interface Filtered {
  aggregate: string
  where?: string
}

const AGGREGATE = /\b(?:SUM|COUNT|AVG|MIN|MAX|MEDIAN|FIRST|LAST)\s*\(/gi

/** Whether anything is added up or counted in an expression. */
export const hasAggregate = (text: string) => text.search(AGGREGATE) >= 0
const FILTER = /^\s*FILTER\s*\(\s*WHERE\s+/i

/**
 * The parts of a total that takes some rows only; none where its aggregates take different rows, or it has none.
 *
 * @param formulas what measures stand for, by name: a total that is one is written out
 */
export function filteredParts(value: string, formulas: Record<string, string> = {}): Filtered | undefined {
  const text = formulas[value.trim()] ?? value.trim()
  const found = aggregates(text)
  const [first] = found
  if (!first || found.some((part) => part.where !== first.where)) {
    return undefined
  }
  const aggregate = found.reduceRight(
    (rest, part) => rest.slice(0, part.end) + rest.slice(part.filterEnd),
    text,
  )
  return first.where === undefined ? { aggregate } : { aggregate, where: first.where }
}

/** The total with a condition put to each of its aggregates. */
export function filteredText({ aggregate, where }: Filtered): string {
  return where
    ? aggregates(aggregate).reduceRight(
        (text, { end }) => `${text.slice(0, end)} FILTER (WHERE ${where})${text.slice(end)}`,
        aggregate,
      )
    : aggregate
}

interface Part {
  /** Where its brackets end, and its condition after them. */
  end: number
  filterEnd: number
  where?: string
}

function aggregates(text: string): Part[] {
  return [...text.matchAll(AGGREGATE)].flatMap((match): Part[] => {
    const end = closing(text, match.index + match[0].length)
    const filter = end && FILTER.exec(text.slice(end))
    if (!end || !filter) {
      return end ? [{ end, filterEnd: end }] : []
    }
    const from = end + filter[0].length
    // A condition that is still being typed may hold an open quote or bracket: of a total of one aggregate it reaches to the end.
    const alone = [...text.matchAll(AGGREGATE)].length === 1 && text.endsWith(')')
    const filterEnd = closing(text, from) ?? (alone ? text.length : undefined)
    return filterEnd ? [{ end, filterEnd, where: text.slice(from, filterEnd - 1) }] : []
  })
}

/** Where the bracket that is open at a place is closed; quoted brackets are none. */
function closing(text: string, from: number): number | undefined {
  let depth = 1
  let quote: string | undefined
  for (let i = from; i < text.length; i++) {
    const sign = text[i]!
    if (quote) {
      quote = sign === quote ? undefined : quote
    } else if (sign === "'" || sign === '"') {
      quote = sign
    } else {
      depth += sign === '(' ? 1 : sign === ')' ? -1 : 0
    }
    if (depth === 0) {
      return i + 1
    }
  }
  return undefined
}
