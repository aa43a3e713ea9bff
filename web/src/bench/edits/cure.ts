import type { ProblemView, Report } from '@/api/client'

type Change = NonNullable<ProblemView['cure']>['changes'][number]

/** The report with the texts of a cure in their places. */
export function cured(report: Report, changes: Change[]): Report {
  return changes.reduce((next, { pointer, value }) => set(next, steps(pointer), value) as Report, report)
}

/** The steps of a JSON pointer (RFC 6901). */
const steps = (pointer: string) =>
  pointer
    .split('/')
    .slice(1)
    .map((step) => step.replaceAll('~1', '/').replaceAll('~0', '~'))

function set(node: unknown, [step, ...rest]: string[], value: string): unknown {
  if (step === undefined) {
    return value
  }
  if (Array.isArray(node)) {
    return node.map((item, i) => (String(i) === step ? set(item, rest, value) : item))
  }
  const object = node as Record<string, unknown>
  return { ...object, [step]: set(object[step], rest, value) }
}
