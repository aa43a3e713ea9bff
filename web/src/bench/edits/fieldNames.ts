import { block, partsOf } from './report'
import type { Block, Column, DatasetView, FieldInReport, Figure, Report } from '@/api/client'

/** What an expression adds up, where it is a sum or the like of one field or measure; itself otherwise. */
export function fieldIn(expression: string | undefined): string | undefined {
  const text = expression?.trim()
  const inner = /^[A-Z]+\s*\(\s*("?)([a-z][a-z0-9_-]*)\1\s*\)$/i.exec(text ?? '')
  if (inner && !/^count/i.test(text!)) {
    return inner[2]
  }
  return /^"?[a-z][a-z0-9_-]*"?$/i.test(text ?? '') ? text!.replace(/"/g, '') : undefined
}

/** The field or measure that a column shows, or that is totalled under it. */
export function fieldOfColumn(of: Block, column: Column): string | undefined {
  return fieldIn(column.value ?? partsOf(of).totals.find((total) => total.column === column.id)?.value)
}

/** What a report calls a field, and how it prints it; nothing where it says nothing. */
export function saidOf(report: Report, field: string): FieldInReport | undefined {
  return report.fields?.find((said) => said.id === field)
}

/** What a block calls a field, or else its report or its dataset. */
function labelOfField(report: Report, field: string | undefined, dataset?: DatasetView): string | undefined {
  return field === undefined
    ? undefined
    : (block(report).fields?.find((said) => said.id === field)?.label ??
        saidOf(report, field)?.label ??
        dataset?.fields.find((known) => known.id === field)?.label)
}

/** What a column is called: by itself, or else by its block, report or dataset. */
export function columnLabel(report: Report, column: Column, dataset?: DatasetView): string {
  return (
    column.label ??
    labelOfField(report, fieldOfColumn(block(report), column), dataset) ??
    column.value ??
    column.id
  )
}

/** All that the block that is worked on, or its report, calls a field. */
export function namesOf(report: Report, field: string): string[] {
  const worked = block(report)
  const { columns } = partsOf(worked)
  return [
    saidOf(report, field)?.label,
    worked.fields?.find((said) => said.id === field)?.label,
    ...columns.filter((column) => fieldOfColumn(worked, column) === field).map((column) => column.label),
  ].filter((name) => name !== undefined)
}

/** What a key figure is called, likewise. */
export function figureLabel(report: Report, figure: Figure, dataset?: DatasetView): string {
  return figure.label ?? labelOfField(report, fieldIn(figure.value), dataset) ?? figure.value
}
