import { shallowRef, ref, type Ref } from 'vue'
import { partOf, same, type Part } from '../parts'
import type { useBenchEdits } from '../useBenchEdits'
import type { useInPlace } from './useInPlace'
import type { PageView, Report } from '@/api/client'
import { figureAddress, figureOf } from '@/paper/figureAddress'
import { firstCellOf } from '@/paper/geometry'
import type { Hit } from '@/paper/hit'

/** What an author's hands do on a page: every part is selected where it is met, texts are edited where they stand. */
export function useBenchGestures(
  report: Readonly<Ref<Report | undefined>>,
  page: Readonly<Ref<PageView | undefined>>,
  zoom: Readonly<Ref<number>>,
  selection: Ref<Part[]>,
  edits: ReturnType<typeof useBenchEdits>,
  inPlace: ReturnType<typeof useInPlace>,
  act: {
    choose: (figure: string) => void
    hasRun: () => boolean
    menu: (event: MouseEvent) => void
    /** Works on the block of an id from now on. */
    work: (block: string) => void
  },
) {
  const why = shallowRef<{ group: string; figure?: string }>()
  const rowsOf = ref<string>()
  /** The filter whose dropped rows are shown. */
  const droppedBy = ref<string>()

  function select(part: Part, event?: MouseEvent | KeyboardEvent) {
    const adds = (event?.ctrlKey || event?.metaKey || event?.shiftKey) && part.kind === 'column'
    if (!adds) {
      selection.value = [part]
    } else if (event?.shiftKey && selection.value.at(-1)?.kind === 'column') {
      edits.selectTo(part.id)
    } else {
      const known = selection.value.some((p) => same(p, part))
      selection.value = known ? selection.value.filter((p) => !same(p, part)) : [...selection.value, part]
    }
    if (part.kind === 'block') {
      act.work(part.id)
    }
    why.value = undefined
  }

  /** Whether a key figure, or what stands beside it, is under the pointer, not what it is called. */
  const isFigure = (hit: Hit) => hit.cell?.figure === true || hit.part?.includes('.') === true
  const isText = (part: Part) => part.kind === 'figure' || part.kind === 'paragraph' || part.kind === 'block'

  function onPick(hit: Hit, event: MouseEvent) {
    if (!page.value || !report.value) {
      return
    }
    const figure = hit.cell && figureAddress(page.value, hit.band, hit.cell)
    if (figure && (event.ctrlKey || event.metaKey)) {
      act.choose(figure)
      return
    }
    act.work(page.value.parts.blocks[hit.band.block]!.id)
    const part = partOf(hit, page.value, report.value)
    select(part, event)
    const group = page.value.nodes[hit.node]!.address
    if (part.kind === 'total' && act.hasRun()) {
      why.value = { group, figure: figureOf(group, part.id) }
    } else if (part.kind === 'figure' && hit.part && isFigure(hit) && act.hasRun()) {
      why.value = { group, figure: figureOf(group, hit.part) }
    } else if (part.kind === 'level') {
      why.value = { group }
    }
  }

  function onOpen(hit: Hit) {
    if (!page.value || !report.value) {
      return
    }
    act.work(page.value.parts.blocks[hit.band.block]!.id)
    const part = partOf(hit, page.value, report.value)
    if (part.kind === 'total' || isFigure(hit) || (hit.band.role === 'ROW' && !isText(part))) {
      rowsOf.value = page.value.nodes[hit.node]!.address
    } else {
      inPlace.begin(report.value, page.value, zoom.value, part, hit)
    }
  }

  /** Works on the block of a column: its edge can be dragged whichever block is worked on. */
  function workAt(column: string) {
    const box = page.value?.parts.columns.find((one) => one.id === column)
    if (box && page.value) {
      act.work(page.value.parts.blocks[box.block]!.id)
    }
  }

  function onMenu(hit: Hit, event: MouseEvent) {
    onPick(hit, event)
    act.menu(event)
  }

  function onColumnMenu(column: string, event: MouseEvent) {
    if (!selection.value.some((part) => part.id === column)) {
      select({ kind: 'column', id: column })
    }
    act.menu(event)
  }

  function editText() {
    const part = selection.value.at(-1)
    if (part && report.value && page.value) {
      inPlace.begin(report.value, page.value, zoom.value, part)
    }
  }

  /** The group a keyboard command explains: the one last clicked, else the first on the page with such a figure. */
  function explain() {
    const part = selection.value.at(-1)
    const shown = page.value
    if (!shown || !part) {
      return
    }
    if (part.kind === 'total' || part.kind === 'figure') {
      const cell = firstCellOf(shown, part.id)
      const group = cell && shown.nodes[cell.node]!.address
      why.value = group ? { group, figure: figureOf(group, part.id) } : undefined
    } else if (part.kind === 'level') {
      const node = shown.nodes.find((n) => n.level === part.id)
      why.value = node && { group: node.address }
    }
  }

  function showRows() {
    explain()
    rowsOf.value = why.value?.group
  }

  return {
    why,
    rowsOf,
    droppedBy,
    select,
    onPick,
    onOpen,
    workAt,
    onMenu,
    onColumnMenu,
    editText,
    explain,
    showRows,
  }
}
