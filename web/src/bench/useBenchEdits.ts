import type { Ref } from 'vue'
import * as columns from './edits/columns'
import * as figures from './edits/figures'
import * as paragraphs from './edits/paragraphs'
import * as filters from './edits/filters'
import * as prompts from './edits/prompts'
import * as highlights from './edits/marks/highlights'
import { parts } from './edits/report'
import type { AskEdit } from './namedEdits'
import { partName, type Part } from './parts'
import type { DatasetView, FieldView, Order, PageView, Paragraph, Report, ReportEdit } from '@/api/client'
import type { Prompt } from '@/api/definition'
import type { FoundField } from './findFields'
import { allowedWidth } from '@/paper/columnWidth'
import { words } from '@/words'

type Apply = (name: string, change: (report: Report) => Report, key?: string) => void

/** The bench's changes, each under the name by which it is undone. */
export function useBenchEdits(
  report: Readonly<Ref<Report | undefined>>,
  /** The report's own dataset, which prompts are about, whatever that of the block is. */
  main: Readonly<Ref<DatasetView | undefined>>,
  selection: Ref<Part[]>,
  apply: Apply,
  ask: AskEdit,
) {
  const edits = words.bench.edits
  const nameOf = (part: Part) => (report.value && partName(report.value, part)) ?? part.id
  const selectedColumns = () => selection.value.filter((p) => p.kind === 'column').map((p) => p.id)
  const last = () => selection.value.at(-1)

  /** Makes a named edit, and selects what it has brought in. */
  async function bringIn(kind: Part['kind'], name: string, edit: ReportEdit) {
    const before = listOf(kind).map((item) => item.id)
    if (await ask(name, edit)) {
      // A column that names groups may come in with it, before it.
      const added = listOf(kind).findLast((item) => !before.includes(item.id))
      if (added) {
        selection.value = [{ kind, id: added.id }]
      }
    }
  }

  function addColumn(field: FieldView) {
    const after = selectedColumns().at(-1)
    void bringIn('column', edits.addColumn(field.label), { edit: 'add-column', field: field.id, after })
  }

  const addFigure = (field: FieldView) =>
    void bringIn('figure', edits.addFigure(field.label), { edit: 'add-figure', field: field.id })

  const addParagraph = (kind: Paragraph['kind']) =>
    void bringIn('paragraph', edits.addParagraph, {
      edit: 'add-paragraph',
      kind,
      text: words.bench.paragraphs.first[kind],
    })

  const addLevel = (field: FoundField) =>
    void bringIn('level', edits.addLevel(field.label), {
      edit: 'add-level',
      field: field.id,
      bucket: field.bucket,
    })

  const addFilter = (field: FieldView) =>
    void bringIn('filter', edits.addFilter, { edit: 'add-filter', field: field.id })

  /** A filter that is typed, is made of others, chooses the first rows, or looks into another dataset. */
  const makeFilter = (kind: 'expression' | 'any' | 'top' | 'has') =>
    void bringIn('filter', edits.addFilter, { edit: 'make-filter', kind })

  const addPrompt = (field: FieldView) =>
    void bringIn('prompt', edits.addPrompt(field.label), { edit: 'add-prompt', field: field.id })

  /** A prompt that no field is about. */
  const makePrompt = (type: Prompt['type']) =>
    void bringIn('prompt', edits.addPrompt(words.bench.prompts.made[type]!), {
      edit: 'make-prompt',
      type,
      label: words.bench.prompts.label[type]!,
    })

  function addHighlight() {
    const part = last()
    const about = part && ['column', 'total', 'figure'].includes(part.kind) ? part.id : undefined
    const label = words.bench.inspector.highlight
    void bringIn('highlight', edits.addHighlight, { edit: 'add-highlight', label, about })
  }

  /** The sentence's period: asked with a default, on the dataset's usual date. */
  function setPeriod(answer: string) {
    const field = main.value?.fields.find((f) => f.id === main.value?.dateField)
    const prompt = report.value!.prompts.find((p) => p.type === 'period')
    const given = answer === 'all' ? undefined : answer
    if (prompt) {
      apply(edits.prompt, (r) => prompts.changePrompt(r, prompt.id, { default: given }))
    } else if (field) {
      void ask(edits.addPrompt(field.label), { edit: 'add-prompt', field: field.id, answer: given })
    }
  }

  function remove(part: Part) {
    const name = nameOf(part)
    const { id } = part
    switch (part.kind) {
      case 'column':
        return void ask(edits.removeColumn([name]), { edit: 'remove-columns', columns: [id] })
      case 'level':
        return void ask(edits.removeLevel(name), { edit: 'remove-level', level: id })
      case 'filter':
        return void ask(edits.removeFilter, { edit: 'remove-filter', filter: id })
      case 'prompt':
        return void ask(edits.removePrompt, { edit: 'remove-prompt', prompt: id })
      case 'highlight':
        return void ask(edits.removeHighlight, { edit: 'remove-highlight', highlight: id })
      case 'total':
        return void ask(edits.removeTotal, { edit: 'remove-total', total: id })
      case 'figure':
        return void ask(edits.removeFigure(name), { edit: 'remove-figure', figure: id })
      case 'paragraph':
        return apply(edits.removeParagraph, (r) => paragraphs.removeParagraph(r, id))
    }
  }

  function removeSelected() {
    const ids = selectedColumns()
    const part = last()
    if (ids.length > 1) {
      void ask(edits.removeColumn(selection.value.map(nameOf)), { edit: 'remove-columns', columns: ids })
    } else if (part) {
      remove(part)
    }
  }

  function toggle(part: Part) {
    const flip = (off?: boolean) => ({ off: off ? undefined : true })
    const { columns: c, levels: l, highlights: h, figures: k } = parts(report.value!)
    const off = [...c, ...l, ...h, ...k, ...filters.allFilters(report.value!)].find(
      (item) => item.id === part.id,
    )?.off
    const name = edits.onOff(nameOf(part))
    switch (part.kind) {
      case 'column':
        return apply(name, (r) => columns.changeColumn(r, part.id, flip(off)))
      case 'level':
        return void ask(name, { edit: 'switch-level', level: part.id, on: !!off })
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
        const on = reading.every((f) => f.off)
        return void ask(name, { edit: 'switch-prompt', prompt: part.id, on })
      }
    }
  }

  function move(part: Part, before: number) {
    const name = nameOf(part)
    const at = (index: number) => listOf(part.kind)[index]?.id
    switch (part.kind) {
      case 'column':
        return apply(edits.moveColumn(name), (r) => columns.moveColumn(r, part.id, before))
      case 'level':
        return void ask(edits.moveLevel(name), { edit: 'move-level', level: part.id, before: at(before) })
      case 'filter':
        return void ask(edits.moveFilter, { edit: 'move-filter', filter: part.id, before: at(before) })
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

  function listOf(kind: Part['kind']): { id: string }[] {
    const { columns: c, levels: l, highlights: h, figures: k, paragraphs: p } = parts(report.value!)
    const lists: Partial<Record<Part['kind'], { id: string }[]>> = {
      column: c,
      level: l,
      highlight: h,
      figure: k,
      paragraph: p,
      filter: filters.allFilters(report.value!),
      prompt: report.value!.prompts,
    }
    return lists[kind] ?? []
  }

  function shiftSelected(step: -1 | 1) {
    const part = last()
    if (part?.kind === 'column') {
      apply(edits.moveColumn(nameOf(part)), (r) => columns.nudgeColumn(r, part.id, step))
    } else if (part) {
      const at = listOf(part.kind).findIndex((item) => item.id === part.id)
      move(part, step > 0 ? at + 2 : Math.max(0, at - 1))
    }
  }

  function setWidth(id: string, points: number) {
    const width = allowedWidth(points)
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
      const box = page?.parts.columns.find((column) => column.id === id)
      const now = parts(report.value!).columns.find((c) => c.id === id)?.width
      setWidth(id, (now ?? Math.round((box?.width ?? 6000) / 100)) + step)
    }
  }

  /** Orders by a column: the other way round where it decides already, unless a direction is given. */
  const order = (id: string, direction?: Order['direction']) =>
    void ask(edits.order(nameOf({ kind: 'column', id })), { edit: 'order-by-column', column: id, direction })

  const levelFrom = (id: string) =>
    void bringIn('level', edits.addLevel(nameOf({ kind: 'column', id })), {
      edit: 'group-by-column',
      column: id,
    })

  const copied = () => columns.copyColumns(report.value!, selectedColumns())

  async function paste(what: columns.CopiedColumns) {
    const before = parts(report.value!).columns.map((c) => c.id)
    const after = last()?.kind === 'column' ? last()!.id : undefined
    const edit = { edit: 'paste-columns' as const, columns: what.columns, totals: what.totals, after }
    if (await ask(edits.paste(what.columns.length), edit)) {
      const added = parts(report.value!).columns.filter((c) => !before.includes(c.id))
      selection.value = added.map((c) => ({ kind: 'column', id: c.id }))
    }
  }

  function cutSelected() {
    const ids = selectedColumns()
    void ask(edits.cut(ids.length), { edit: 'remove-columns', columns: ids })
  }

  /** Selects the columns from the last selected one to another. */
  function selectTo(id: string) {
    const ids = parts(report.value!).columns.map((c) => c.id)
    const from = ids.indexOf(last()!.id)
    const to = ids.indexOf(id)
    const range = ids.slice(Math.min(from, to), Math.max(from, to) + 1)
    const ordered = from <= to ? range : range.reverse()
    selection.value = ordered.map((column) => ({ kind: 'column', id: column }))
  }

  function selectBeside(step: -1 | 1, extend: boolean, page?: PageView) {
    const own = parts(report.value!).columns.map((column) => column.id)
    const shown = page?.parts.columns.map((column) => column.id).filter((id) => own.includes(id)) ?? []
    const next = shown[shown.indexOf(last()?.id ?? '') + step]
    if (next) {
      const rest = extend ? selection.value.filter((p) => p.id !== next) : []
      selection.value = [...rest, { kind: 'column', id: next }]
    }
  }

  const setRows = (shown: boolean) => void ask(edits.rows, { edit: 'show-rows', shown })
  const onSelected = (act: (id: string) => void) => () => selectedColumns().forEach(act)

  return {
    addColumn,
    addFigure,
    addParagraph,
    addLevel,
    addFilter,
    makeFilter,
    addPrompt,
    makePrompt,
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
    orderSelected: (direction?: Order['direction']) => last() && order(last()!.id, direction),
    levelFrom,
    groupSelected: onSelected(levelFrom),
    copied,
    cutSelected,
    paste,
    selectTo,
    selectBeside,
    setRows,
    toggleRows: () => setRows(!parts(report.value!).rows.shown),
  }
}
