import type { CopiedColumns } from '../edits/columns'

/** Marks a text on the clipboard as columns that were copied on a bench. */
const MARK = 'grammatus-columns'
const MOST_CHARACTERS = 1_000_000

/** Copied columns as a text that any clipboard carries, to another tab or a colleague. */
export function clipboardText(copied: CopiedColumns): string {
  return JSON.stringify({ [MARK]: 1, ...copied })
}

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
const hasTexts = (value: unknown, names: string[]) =>
  isObject(value) && names.every((name) => typeof value[name] === 'string')

/** The columns that a clipboard's text carries; none where it carries anything else. */
export function copiedColumns(text: string): CopiedColumns | undefined {
  if (text.length > MOST_CHARACTERS || !text.includes(MARK)) {
    return undefined
  }
  let found: unknown
  try {
    found = JSON.parse(text)
  } catch {
    return undefined
  }
  if (!isObject(found) || !Array.isArray(found.columns) || !Array.isArray(found.totals)) {
    return undefined
  }
  const ids = found.columns.map((column) => (isObject(column) ? column.id : undefined))
  const areColumns = found.columns.every((column) => hasTexts(column, ['id', 'label', 'value']))
  const areTotals = found.totals.every(
    (total) =>
      hasTexts(total, ['id', 'column', 'value']) &&
      ids.includes((total as { column: string }).column) &&
      Array.isArray((total as { cells: unknown }).cells),
  )
  return ids.length > 0 && areColumns && areTotals ? (found as unknown as CopiedColumns) : undefined
}
