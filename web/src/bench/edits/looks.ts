import { parts, stripped, withBlock } from './report'
import type { Part } from '../parts'
import type { Report } from '@/api/client'

/** The properties that say how parts look, apart from what they say, by their kind. */
const LOOKS = {
  column: ['align', 'format', 'unit', 'width', 'room', 'scale'],
  level: ['header', 'footer', 'newPage', 'layout'],
  total: ['format'],
  highlight: ['look', 'word', 'also'],
} as const

/** What a part must have stays when its look is taken back to the style's. */
const NEEDED = ['header', 'footer', 'look']

const LISTS = { column: 'columns', level: 'levels', total: 'totals', highlight: 'highlights' } as const

type Kind = keyof typeof LOOKS

/** How a part looks. */
export interface Look {
  kind: Kind
  values: Record<string, unknown>
}

const isKind = (kind: Part['kind']): kind is Kind => kind in LOOKS

/** Whether a part has a look of its own that others can be given. */
export const hasLook = (part: Part | undefined): boolean => !!part && isKind(part.kind)

type Item = { id: string } & Record<string, unknown>

const items = (report: Report, kind: Kind) => parts(report)[LISTS[kind]] as unknown as Item[]

/** How a part looks; what it does not say is as the style has it. */
export function lookOf(report: Report, part: Part): Look | undefined {
  if (!isKind(part.kind)) {
    return undefined
  }
  const item = items(report, part.kind).find((one) => one.id === part.id)
  return (
    item && { kind: part.kind, values: Object.fromEntries(LOOKS[part.kind].map((key) => [key, item[key]])) }
  )
}

function changed(report: Report, kind: Kind, ids: string[], values: Record<string, unknown>): Report {
  return withBlock(report, {
    [LISTS[kind]]: items(report, kind).map((item) =>
      ids.includes(item.id) ? stripped({ ...item, ...values }) : item,
    ),
  })
}

const idsOf = (parts: Part[], kind: Kind) => parts.filter((part) => part.kind === kind).map((part) => part.id)

/** The report with parts of the look's kind looking so. */
export function withLook(report: Report, parts: Part[], { kind, values }: Look): Report {
  return changed(report, kind, idsOf(parts, kind), values)
}

/** The report with parts looking as the style has it. */
export function withoutLook(report: Report, parts: Part[]): Report {
  return Object.entries(LOOKS).reduce((rest, [kind, keys]) => {
    const plain = keys.filter((key) => !NEEDED.includes(key)).map((key) => [key, undefined])
    return changed(rest, kind as Kind, idsOf(parts, kind as Kind), Object.fromEntries(plain))
  }, report)
}
