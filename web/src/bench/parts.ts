import { columnLabel, figureLabel } from './edits/fieldNames'
import { allFilters, hasParts } from './edits/filters'
import { block, parts, partsOf } from './edits/report'
import { isTable } from '@/api/documents'
import type { Filter, PageView, Report } from '@/api/client'
import type { Hit } from '@/paper/hit'

export type PartKind =
  | 'report'
  | 'block'
  | 'page'
  | 'prompt'
  | 'filter'
  | 'level'
  | 'column'
  | 'total'
  | 'totals'
  | 'highlight'
  | 'figure'
  | 'paragraph'
  | 'rows'

/** A part of a report that can be selected; parts that a report has one of have no id. */
export interface Part {
  kind: PartKind
  id: string
}

export const same = (a: Part, b: Part) => a.kind === b.kind && a.id === b.id

/** What a report calls one of its parts; undefined where it has no such part. */
export function partName(report: Report, part: Part): string | undefined {
  const { columns, levels, totals, highlights, figures, paragraphs } = parts(report)
  const byId = <T extends { id: string }>(list: T[]) => list.find((item) => item.id === part.id)
  switch (part.kind) {
    case 'column': {
      const column = byId(columns)
      return column && (columnLabel(report, column) || column.value)
    }
    case 'level':
      return byId(levels)?.name
    case 'total':
      return byId(totals)?.value
    case 'highlight':
      return byId(highlights)?.label
    case 'figure': {
      const figure = byId(figures)
      return figure && figureLabel(report, figure)
    }
    case 'paragraph': {
      const paragraph = byId(paragraphs)
      return paragraph && (paragraph.text ?? '')
    }
    case 'prompt':
      return byId(report.prompts)?.label
    case 'block':
      return report.blocks.some((one) => one.id === part.id) ? (byId(report.blocks)?.title ?? '') : undefined
    case 'filter': {
      const filter = byId(allFilters(report))
      return filter && (filter.where ?? filter.field ?? filter.kind)
    }
    default:
      return part.kind
  }
}

/** The part of a definition that a place on its page comes from. */
export function partOf(hit: Hit, page: PageView, report: Report): Part {
  const worked = block(report)
  const own = partsOf(worked)
  const isTotal = own.totals.some((total) => total.id === hit.part)
  // What is said beside a key figure has its id and a point.
  const item = hit.part?.split('.')[0] ?? ''
  if (own.highlights.some((highlight) => highlight.id === item)) {
    return { kind: 'highlight', id: item }
  }
  if (own.figures.some((figure) => figure.id === item)) {
    return { kind: 'figure', id: item }
  }
  if (own.paragraphs.some((paragraph) => paragraph.id === item)) {
    return { kind: 'paragraph', id: item }
  }
  if (!isTable(worked) && hit.band.role === 'ROW') {
    return { kind: 'block', id: worked.id }
  }
  const level = page.nodes[hit.node]?.level
  switch (hit.band.role) {
    case 'COLUMN_HEADINGS':
      return hit.column ? { kind: 'column', id: hit.column } : { kind: 'page', id: '' }
    case 'ROW':
      return isTotal
        ? { kind: 'total', id: hit.part! }
        : hit.column
          ? { kind: 'column', id: hit.column }
          : { kind: 'rows', id: '' }
    case 'OTHER_ROWS':
      return { kind: 'rows', id: '' }
    case 'HEADING':
    case 'TOTALS':
      return isTotal ? { kind: 'total', id: hit.part! } : { kind: 'level', id: level ?? '' }
    case 'GRAND_TOTAL':
      return isTotal ? { kind: 'total', id: hit.part! } : { kind: 'totals', id: '' }
    case 'BLOCK_TITLE':
      return { kind: 'block', id: worked.id }
    case 'TITLE':
      return { kind: 'report', id: '' }
    default:
      return { kind: 'page', id: '' }
  }
}

/** The filter that steps lead to, or the part of it; what stands inside a look for rows is part of that. */
function filterAt(filters: Filter[], [index, inside, ...steps]: string[]): Part | undefined {
  const filter = filters[Number(index)]
  return filter && inside === 'filters' && hasParts(filter) && steps.length
    ? filterAt(filter.filters ?? [], steps)
    : filter && { kind: 'filter', id: filter.id }
}

/** The part that a problem's JSON pointer leads into. */
export function partAt(report: Report, pointer: string): Part | undefined {
  const steps = pointer.split('/').slice(1)
  const nth = (list: { id: string }[], kind: PartKind, index: string | undefined) => {
    const id = list[Number(index)]?.id
    return id === undefined ? undefined : { kind, id }
  }
  const of = steps[0] === 'blocks' ? report.blocks[Number(steps[1])] : undefined
  const worked = of ?? block(report)
  const { columns, levels, totals, highlights, figures, paragraphs } = partsOf(worked)
  if (steps[0] === 'prompts') {
    return nth(report.prompts, 'prompt', steps[1])
  }
  if (steps[0] === 'filters') {
    return filterAt(report.filters, steps.slice(1))
  }
  if (steps[0] === 'page') {
    return { kind: 'page', id: '' }
  }
  if (steps[0] === 'answers') {
    const prompt = report.prompts.find((p) => p.name === steps[1])
    return prompt && { kind: 'prompt', id: prompt.id }
  }
  switch (steps[2]) {
    case 'columns':
      return nth(columns, 'column', steps[3])
    case 'levels':
      return nth(levels, 'level', steps[3])
    case 'totals':
      return nth(totals, 'total', steps[3])
    case 'highlights':
      return nth(highlights, 'highlight', steps[3])
    case 'rows':
      return { kind: 'rows', id: '' }
    case 'filters':
      return filterAt(worked.filters ?? [], steps.slice(3))
    case 'figures':
      return nth(figures, 'figure', steps[3])
    case 'paragraphs':
      return nth(paragraphs, 'paragraph', steps[3])
    case 'dataset':
    case 'title':
    case 'note':
    case 'totalText':
      return of && { kind: 'block', id: of.id }
    default:
      return steps[0] === 'title' || steps[0] === 'description' ? { kind: 'report', id: '' } : undefined
  }
}
