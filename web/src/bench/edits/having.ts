/** A condition on groups that can be chosen rather than typed: a measure beside a number. */
export interface Having {
  by: string
  comparison: string
  number: string
}

export const COMPARISONS = ['>', '>=', '<', '<=', '=', '<>']

const SIMPLE = /^(.+?)\s*(>=|<=|<>|>|<|=)\s*(-?[0-9]+(?:\.[0-9]+)?)$/

/** The parts of a condition, where it is of the simple form. */
export function simpleHaving(condition: string): Having | undefined {
  const found = SIMPLE.exec(condition.trim())
  // A comparison inside the measure, as in its FILTER, is not one of this form.
  return found && !/[<>=]/.test(found[1]!)
    ? { by: found[1]!, comparison: found[2]!, number: found[3]! }
    : undefined
}

export const havingText = ({ by, comparison, number }: Having) => `${by} ${comparison} ${number}`
