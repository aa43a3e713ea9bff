import { operand, over } from './among'
import { figureWords } from './readyFigures'
import { typeOfTotal } from './typeOfTotal'
import { columnLabel } from '../fieldNames'
import { offered, perRow, printsInRows } from '../perRow'
import { block } from '../report'
import { hasEnds } from '../prompts'
import type { DatasetView, Highlight, Report } from '@/api/client'
import { words } from '@/words'

/** What a rule can compare: a name or an expression, by its kind. */
export interface Value {
  text: string
  label: string
  type: string
}

export const OPERATORS = ['>', '>=', '<', '<=', '=', '<>', 'IS NULL', 'IS NOT NULL'] as const
export type Operator = (typeof OPERATORS)[number]

/** A rule of one comparison. */
export interface BuiltRule {
  value: string
  operator: Operator
  /** What the value is compared with, as an expression; empty where it is with nothing. */
  than: string
}

const isNumber = (type: string) => type === 'INTEGER' || type === 'DECIMAL'
const isTime = (type: string) => type === 'DATE' || type === 'TIMESTAMP'
const alike = (a: string, b: string) => a === b || (isNumber(a) && isNumber(b)) || (isTime(a) && isTime(b))

export const comparesNothing = (operator: Operator) => operator.startsWith('IS')

/** Whether a rule is about rows, rather than about groups or a key figure. */
const isOfRows = (report: Report, { reach }: Highlight) =>
  (!reach || reach.of === 'row') && (block(report).rows.shown || block(report).levels.length === 0)

/** What a rule can be about: what is printed first, then the other fields. */
export function ruleValues(report: Report, dataset: DatasetView, rule: Highlight): Value[] {
  const text = words.bench.rule
  const { columns, totals, figures } = block(report)
  const figure = figures?.find((one) => one.id === rule.reach?.figure)
  if (figure) {
    const type = typeOfTotal(figure.value, dataset)
    return figureWords(figure).map((word) => ({
      text: word,
      label: text.words[word],
      type: word === 'change' ? 'DECIMAL' : type,
    }))
  }
  const fields = offered(dataset.fields).filter(perRow)
  const typeOf = (value?: string) => fields.find((field) => field.value === value)?.type
  const ofColumns = columns
    .filter((column) => printsInRows(column.value))
    .map((column) => ({
      text: operand(column.value!),
      label: columnLabel(report, column, dataset),
      type: typeOf(column.value) ?? 'DECIMAL',
    }))
  const ofFields = fields.map(({ value, label, type }) => ({ text: operand(value), label, type }))
  const ofTotals = totals
    .filter((total) => !total.shown && !total.compare)
    .map((total) => {
      const column = columns.find((one) => one.id === total.column)
      return {
        text: operand(total.value),
        label: text.total(column ? columnLabel(report, column, dataset) : total.value),
        type: typeOfTotal(total.value, dataset),
      }
    })
  const counted = { text: 'COUNT(*)', label: text.count, type: 'INTEGER' }
  const all = isOfRows(report, rule) ? [...ofColumns, ...ofFields] : [...ofTotals, counted, ...ofFields]
  return all.filter((one, i) => all.findIndex((other) => other.text === one.text) === i)
}

/** What a value can be compared with, besides one that is typed. */
export function comparedWith(report: Report, rule: Highlight, value: Value, values: Value[]): Value[] {
  const text = words.bench.rule
  const { levels } = block(report)
  const { type } = value
  const averages =
    isNumber(type) && isOfRows(report, rule) && !rule.reach?.figure
      ? [
          ...(levels.length
            ? [
                {
                  text: `AVG(${value.text}) ${over(levels)}`,
                  label: text.averageOf(levels.at(-1)!.name),
                  type,
                },
              ]
            : []),
          { text: `AVG(${value.text}) OVER ()`, label: text.average, type },
        ]
      : []
  const asked = report.prompts
    .filter((prompt) => !hasEnds(prompt) && prompt.type !== 'choices' && fits(prompt.type, type))
    .map((prompt) => ({ text: `:${prompt.name}`, label: text.answer(prompt.label), type }))
  return [
    ...(isTime(type) ? [{ text: 'CURRENT_DATE', label: text.today, type }] : []),
    ...asked,
    ...averages,
    ...values.filter((other) => other.text !== value.text && alike(other.type, type)),
  ]
}

const fits = (prompt: string, type: string) =>
  prompt === 'date'
    ? isTime(type)
    : prompt === 'whole-number' || prompt === 'decimal'
      ? isNumber(type)
      : prompt === 'yes-no'
        ? type === 'BOOLEAN'
        : type === 'TEXT'

/**
 * A value as an expression, as it is typed: a number by itself, a day, or a text in quotes.
 *
 * @param day stands where no day is typed yet
 */
export function literal(typed: string, type: string, day = ''): string {
  if (isNumber(type)) {
    return typed.replace(',', '.').replace(/\s/g, '') || '0'
  }
  return isTime(type) ? `DATE '${typed || day}'` : `'${typed.replace(/'/g, "''")}'`
}

/** Whether what is typed is a value of a type already, or only its beginning: a sign, or half a day. */
export function isValue(typed: string, type: string): boolean {
  return isNumber(type)
    ? /^-?\d+([.,]\d+)?$/.test(typed.replace(/\s/g, ''))
    : !isTime(type) || /^\d{4}-\d\d-\d\d$/.test(typed)
}

/** What was typed for a value; undefined where an expression is none. */
export function typedValue(than: string): string | undefined {
  const day = /^DATE '([^']*)'$/.exec(than)?.[1]
  const text = /^'((?:[^']|'')*)'$/.exec(than)?.[1]?.replace(/''/g, "'")
  return day ?? text ?? (/^-?[\d.]+$/.test(than) ? than : undefined)
}

export const ruleText = ({ value, operator, than }: BuiltRule) =>
  [value, operator, ...(comparesNothing(operator) ? [] : [than])].join(' ')

/** The comparison that a condition is; undefined for one that was typed and is more than that. */
export function builtRule(report: Report, rule: Highlight, values: Value[]): BuiltRule | undefined {
  const when = rule.when.trim()
  for (const value of values) {
    const rest = when.startsWith(`${value.text} `) ? when.slice(value.text.length + 1).trim() : undefined
    const operator = rest && OPERATORS.findLast((one) => rest === one || rest.startsWith(`${one} `))
    if (!rest || !operator) {
      continue
    }
    const than = rest.slice(operator.length).trim()
    const known =
      typedValue(than) !== undefined ||
      comparedWith(report, rule, value, values).some((other) => other.text === than)
    if (comparesNothing(operator) ? than === '' : known) {
      return { value: value.text, operator, than }
    }
  }
  return undefined
}

/** A rule about another value: what it was compared with stays where it still fits. */
export function aboutValue(rule: BuiltRule | undefined, from: Value | undefined, to: Value): BuiltRule {
  const operator = rule?.operator ?? (isNumber(to.type) ? '>' : isTime(to.type) ? '<' : 'IS NULL')
  const stays = rule && from && alike(from.type, to.type) && typedValue(rule.than) !== undefined
  const than = stays
    ? rule.than
    : isTime(to.type)
      ? 'CURRENT_DATE'
      : literal(isNumber(to.type) ? '0' : '', to.type)
  return { value: to.text, operator, than }
}
