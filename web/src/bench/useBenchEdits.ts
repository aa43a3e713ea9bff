import type { Ref } from 'vue'
import * as columns from './edits/columns'
import * as figures from './edits/figures'
import * as paragraphs from './edits/paragraphs'
import type { Filter, Paragraph } from '@/api/client'
import * as filters from './edits/filters'
import * as prompts from './edits/prompts'
import * as highlights from './edits/marks/highlights'
import * as levels from './edits/levels'
import { firstCondition } from './edits/marks/condition'
import { orderByColumn, type Direction } from './edits/order'
import { block } from './edits/report'
import * as totals from './edits/totals'
import { partName, type Part } from './parts'
import { perRow } from './edits/perRow'
import type { DatasetView, FieldView, PageView, PreviewView, Report } from '@/api/client'
import { words } from '@/words'

type Apply = (name: string, change: (report: Report) => Report, key?: string) => void

const LEAST_POINTS = 10
const MOST_POINTS = 1000
/** The bench's changes, each under the name by which it is undone. */
export function useBenchEdits(
  report: Readonly<Ref<Report | undefined>>,
  dataset: Readonly<Ref<DatasetView | undefined>>,
  /** The report's own dataset, which prompts are about, whatever that of the block is. */
  main: Readonly<Ref<DatasetView | undefined>>,
  selection: Ref<Part[]>,
  preview: Readonly<Ref<PreviewView | undefined>>,
  apply: Apply,
) {
  const edits = words.bench.edits
  const nameOf = (part: Part) => (report.value && partName(report.value, part)) ?? part.id
  const selectedColumns = () => selection.value.filter((p) => p.kind === 'column').map((p) => p.id)
  const last = () => selection.value.at(-1)

  /** Selects what a change has brought in. */
  function selectNew(kind: Part['kind'], before: string[], list: { id: string }[]) {
    // A column that names groups may come in with it, before it.
    const added = list.findLast((item) => !before.includes(item.id))
    if (added) {
      selection.value = [{ kind, id: added.id }]
    }
  }

  function addColumn(field: FieldView) {
    const before = block(report.value!).columns.map((c) => c.id)
    const at = before.indexOf(selectedColumns().at(-1) ?? '')
    apply(edits.addColumn(field.label), (r) => columns.addColumn(r, field, at < 0 ? undefined : at + 1))
    selectNew('column', before, block(report.value!).columns)
  }

  function addFigure(field: FieldView) {
    const before = (block(report.value!).figures ?? []).map((k) => k.id)
    apply(edits.addFigure(field.label), (r) => figures.addFigure(r, field))
    selectNew('figure', before, block(report.value!).figures ?? [])
  }

  function addParagraph(kind: Paragraph['kind']) {
    const before = (block(report.value!).paragraphs ?? []).map((p) => p.id)
    apply(edits.addParagraph, (r) => paragraphs.addParagraph(r, kind, words.bench.paragraphs.first[kind]))
    selectNew('paragraph', before, block(report.value!).paragraphs ?? [])
  }

  function addLevel({ id, label, level }: FieldView) {
    if (!level) {
      return
    }
    const before = block(report.value!).levels.map((l) => l.id)
    apply(edits.addLevel(label), (r) => levels.addLevel(r, { id, label, level }))
    selectNew('level', before, block(report.value!).levels)
  }

  function addFilter(field: FieldView) {
    const before = filters.allFilters(report.value!).map((f) => f.id)
    apply(edits.addFilter, (r) =>
      filters.addFilter(r, { kind: 'condition', field: field.id, comparison: 'not-blank' }),
    )
    selectNew('filter', before, filters.allFilters(report.value!))
  }

  function addTyped() {
    const before = filters.allFilters(report.value!).map((f) => f.id)
    apply(edits.addFilter, (r) => filters.addFilter(r, { kind: 'expression', where: 'TRUE' }))
    selectNew('filter', before, filters.allFilters(report.value!))
  }

  /** A filter that is made of others, chooses the first rows, or looks into another dataset. */
  function addFilterOf(kind: 'several' | 'top' | 'has') {
    const fields = dataset.value?.fields.filter(perRow) ?? []
    const number = fields.find((f) => f.role === 'ADDITIVE') ?? fields.find((f) => f.type === 'INTEGER')
    const key = fields.find((f) => f.role === 'IDENTIFIER') ?? fields[0]
    const made: Record<typeof kind, Omit<Filter, 'id'>> = {
      several: { kind: 'any', filters: [] },
      top: { kind: 'top', field: number?.id ?? fields[0]?.id, end: 'largest', count: 10 },
      has: {
        kind: 'has',
        dataset: dataset.value?.id,
        keys: [{ field: key?.id ?? '', of: key?.id ?? '' }],
      },
    }
    const before = filters.allFilters(report.value!).map((f) => f.id)
    apply(edits.addFilter, (r) => filters.addFilter(r, made[kind]))
    selectNew('filter', before, filters.allFilters(report.value!))
  }

  function addPrompt(field: FieldView) {
    const before = report.value!.prompts.map((p) => p.id)
    apply(edits.addPrompt(field.label), (r) => prompts.addPrompt(r, field))
    selectNew('prompt', before, report.value!.prompts)
  }

  function addHighlight() {
    const before = block(report.value!).highlights.map((h) => h.id)
    const when = firstCondition(report.value!, dataset.value?.fields ?? [], last())
    const { figures: k = [] } = block(report.value!)
    const figure = (k.find((one) => one.id === last()?.id) ?? k[0])?.id
    const reach = figure === undefined ? undefined : ({ of: 'figure', figure } as const)
    apply(edits.addHighlight, (r) => highlights.addHighlight(r, words.bench.inspector.highlight, when, reach))
    selectNew('highlight', before, block(report.value!).highlights)
  }

  /** The sentence's period: asked with a default, on the dataset's usual date. */
  function setPeriod(answer: string) {
    const field = main.value?.fields.find((f) => f.id === main.value?.dateField)
    const prompt = report.value!.prompts.find((p) => p.type === 'period')
    const given = answer === 'all' ? undefined : answer
    if (prompt) {
      apply(edits.prompt, (r) => prompts.changePrompt(r, prompt.id, { default: given }))
    } else if (field) {
      apply(edits.addPrompt(field.label), (r) => prompts.addPrompt(r, field, given))
    }
  }

  function remove(part: Part) {
    const name = nameOf(part)
    switch (part.kind) {
      case 'column':
        return apply(edits.removeColumn([name]), (r) => columns.removeColumns(r, [part.id]))
      case 'level':
        return apply(edits.removeLevel(name), (r) => levels.removeLevel(r, part.id))
      case 'filter':
        return apply(edits.removeFilter, (r) => filters.removeFilter(r, part.id))
      case 'prompt':
        return apply(edits.removePrompt, (r) => prompts.removePrompt(r, part.id))
      case 'highlight':
        return apply(edits.removeHighlight, (r) => highlights.removeHighlight(r, part.id))
      case 'total':
        return apply(edits.removeTotal, (r) => totals.removeTotal(r, part.id))
      case 'figure':
        return apply(edits.removeFigure(name), (r) => figures.removeFigure(r, part.id))
      case 'paragraph':
        return apply(edits.removeParagraph, (r) => paragraphs.removeParagraph(r, part.id))
    }
  }

  function removeSelected() {
    const ids = selectedColumns()
    const part = last()
    if (ids.length > 1) {
      apply(edits.removeColumn(selection.value.map(nameOf)), (r) => columns.removeColumns(r, ids))
    } else if (part) {
      remove(part)
    }
  }

  function toggle(part: Part) {
    const flip = (off?: boolean) => ({ off: off ? undefined : true })
    const { columns: c, levels: l, highlights: h, figures: k = [] } = block(report.value!)
    const off = [...c, ...l, ...h, ...k, ...filters.allFilters(report.value!)].find(
      (item) => item.id === part.id,
    )?.off
    const name = edits.onOff(nameOf(part))
    switch (part.kind) {
      case 'column':
        return apply(name, (r) => columns.changeColumn(r, part.id, flip(off)))
      case 'level':
        return apply(name, (r) => levels.changeLevel(r, part.id, flip(off)))
      case 'filter':
        return apply(name, (r) => filters.changeFilter(r, part.id, flip(off)))
      case 'highlight':
        return apply(name, (r) => highlights.changeHighlight(r, part.id, flip(off)))
      case 'figure':
        return apply(name, (r) => figures.changeFigure(r, part.id, flip(off)))
      case 'prompt': {
        // A prompt is off when nothing reads it.
        const asked = report.value!.prompts.find((p) => p.id === part.id)?.name
        const reading = filters.allFilters(report.value!).filter((f) => f.prompt === asked)
        const all = reading.every((f) => f.off)
        return apply(name, (r) => reading.reduce((next, f) => filters.changeFilter(next, f.id, flip(all)), r))
      }
    }
  }

  function move(part: Part, before: number) {
    const name = nameOf(part)
    switch (part.kind) {
      case 'column':
        return apply(edits.moveColumn(name), (r) => columns.moveColumn(r, part.id, before))
      case 'level':
        return apply(edits.moveLevel(name), (r) => levels.moveLevel(r, part.id, before))
      case 'filter':
        return apply(edits.moveFilter, (r) => filters.moveFilter(r, part.id, before))
      case 'prompt':
        return apply(edits.movePrompt, (r) => prompts.movePrompt(r, part.id, before))
      case 'highlight':
        return apply(edits.moveHighlight, (r) => highlights.moveHighlight(r, part.id, before))
      case 'figure':
        return apply(edits.moveFigure(name), (r) => figures.moveFigure(r, part.id, before))
      case 'paragraph':
        return apply(edits.moveParagraph, (r) => paragraphs.moveParagraph(r, part.id, before))
    }
  }

  function listOf(part: Part): { id: string }[] {
    const { columns: c, levels: l, highlights: h, figures: k, paragraphs: p } = block(report.value!)
    const lists: Partial<Record<Part['kind'], { id: string }[]>> = {
      column: c,
      level: l,
      highlight: h,
      figure: k,
      paragraph: p,
      filter: filters.allFilters(report.value!),
      prompt: report.value!.prompts,
    }
    return lists[part.kind] ?? []
  }

  function shiftSelected(step: -1 | 1) {
    const part = last()
    if (part?.kind === 'column') {
      apply(edits.moveColumn(nameOf(part)), (r) => columns.nudgeColumn(r, part.id, step))
    } else if (part) {
      const at = listOf(part).findIndex((item) => item.id === part.id)
      move(part, step > 0 ? at + 2 : Math.max(0, at - 1))
    }
  }

  function setWidth(id: string, points: number) {
    const width = Math.min(MOST_POINTS, Math.max(LEAST_POINTS, points))
    apply(
      edits.width(nameOf({ kind: 'column', id })),
      (r) => columns.changeColumn(r, id, { width }),
      `${id} width`,
    )
  }

  function fit(id: string) {
    apply(edits.fit(nameOf({ kind: 'column', id })), (r) => columns.changeColumn(r, id, { width: undefined }))
  }

  function widenSelected(step: number, page?: PageView) {
    for (const id of selectedColumns()) {
      const box = page?.columns.find((column) => column.id === id)
      const now = block(report.value!).columns.find((c) => c.id === id)?.width
      setWidth(id, (now ?? Math.round((box?.width ?? 6000) / 100)) + step)
    }
  }

  /** Orders by a column: the other way round where it decides already, figures largest first to begin with. */
  function order(id: string, direction?: Direction) {
    const meant = preview.value?.columnOrders.find((one) => one.column === id)
    if (!meant) {
      return
    }
    const { value } = block(report.value!).columns.find((column) => column.id === id) ?? {}
    const field = dataset.value?.fields.find((f) => f.value === value)
    // As a reader's click does: figures begin with the largest.
    const isFigure =
      field?.type === 'DECIMAL' ||
      field?.type === 'INTEGER' ||
      block(report.value!).totals.some((total) => total.column === id)
    const first: Direction = isFigure ? 'descending' : 'ascending'
    const turned: Direction = meant.now === 'DESCENDING' ? 'ascending' : 'descending'
    const next = direction ?? (meant.now === undefined ? first : turned)
    apply(edits.order(nameOf({ kind: 'column', id })), (r) => orderByColumn(r, meant, next))
  }

  function levelFrom(id: string) {
    const before = block(report.value!).levels.map((l) => l.id)
    const column = block(report.value!).columns.find((c) => c.id === id)
    const field = dataset.value?.fields.find((f) => perRow(f) && f.value === column?.value)
    apply(edits.addLevel(nameOf({ kind: 'column', id })), (r) => levels.levelFromColumn(r, id, field))
    selectNew('level', before, block(report.value!).levels)
  }

  const copied = () => columns.copyColumns(report.value!, selectedColumns())

  function paste(what: columns.CopiedColumns) {
    const before = block(report.value!).columns.map((c) => c.id)
    const after = last()?.kind === 'column' ? last()!.id : undefined
    apply(edits.paste(what.columns.length), (r) => columns.pasteColumns(r, what, after))
    const added = block(report.value!).columns.filter((c) => !before.includes(c.id))
    selection.value = added.map((c) => ({ kind: 'column', id: c.id }))
  }

  function cutSelected() {
    const ids = selectedColumns()
    apply(edits.cut(ids.length), (r) => columns.removeColumns(r, ids))
  }

  /** Selects the columns from the last selected one to another. */
  function selectTo(id: string) {
    const ids = block(report.value!).columns.map((c) => c.id)
    const from = ids.indexOf(last()!.id)
    const to = ids.indexOf(id)
    const range = ids.slice(Math.min(from, to), Math.max(from, to) + 1)
    const ordered = from <= to ? range : range.reverse()
    selection.value = ordered.map((column) => ({ kind: 'column', id: column }))
  }

  function selectBeside(step: -1 | 1, extend: boolean, page?: PageView) {
    const own = block(report.value!).columns.map((column) => column.id)
    const shown = page?.columns.map((column) => column.id).filter((id) => own.includes(id)) ?? []
    const next = shown[shown.indexOf(last()?.id ?? '') + step]
    if (next) {
      const rest = extend ? selection.value.filter((p) => p.id !== next) : []
      selection.value = [...rest, { kind: 'column', id: next }]
    }
  }

  const setRows = (shown: boolean) => apply(edits.rows, (r) => levels.showRows(r, shown))
  const onSelected = (act: (id: string) => void) => () => selectedColumns().forEach(act)

  return {
    addColumn,
    addFigure,
    addParagraph,
    addLevel,
    addFilter,
    addTyped,
    addFilterOf,
    addPrompt,
    addHighlight,
    setPeriod,
    remove,
    removeSelected,
    toggle,
    toggleSelected: () => last() && toggle(last()!),
    move,
    moveColumnTo: (id: string, before: number) => move({ kind: 'column', id }, before),
    shiftSelected,
    setWidth,
    fit,
    fitSelected: onSelected(fit),
    widenSelected,
    order,
    orderSelected: (direction?: Direction) => last() && order(last()!.id, direction),
    levelFrom,
    groupSelected: onSelected(levelFrom),
    copied,
    cutSelected,
    paste,
    selectTo,
    selectBeside,
    setRows,
    toggleRows: () => setRows(!block(report.value!).rows.shown),
  }
}
