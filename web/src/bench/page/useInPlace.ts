import { shallowRef } from 'vue'
import { changeBlock } from '../edits/blocks'
import { columnLabel } from '../edits/fieldNames'
import { changeFigure } from '../edits/figures'
import { changeParagraph } from '../edits/paragraphs'
import { changeColumn } from '../edits/columns'
import { changeLevel } from '../edits/levels'
import { block, parts, partsOf, stripped } from '../edits/report'
import type { Place } from './InPlaceText.vue'
import type { Part } from '../parts'
import type { PageView, Report } from '@/api/client'
import { bandsOf, PIXEL, type Band, type Cell } from '@/paper/geometry'
import { words } from '@/words'

/** A text of the page that is being edited where it stands. */
export interface InPlace {
  label: string
  text: string
  place: Place
  name: string
  change: (report: Report, text: string) => Report
}

const LEAST_PIXELS = 120

const ITEM_WIDTH = 24_000

/** What is edited of a block's title, a key figure or a paragraph: its text, and what a change of it is. */
function itemText(report: Report, part: Part) {
  const { id } = part
  const of = block(report)
  switch (part.kind) {
    case 'block':
      return {
        label: words.bench.blocks.title,
        text: of.title ?? '',
        name: words.bench.blocks.change,
        change: (r: Report, title: string) => changeBlock(r, id, { title: title || undefined }),
      }
    case 'figure': {
      const figure = partsOf(of).figures.find((one) => one.id === id)
      return (
        figure && {
          label: words.bench.figures.label,
          text: figure.label ?? '',
          name: words.bench.edits.figure(figure.label ?? figure.value),
          change: (r: Report, label: string) => changeFigure(r, id, { label: label || undefined }),
        }
      )
    }
    case 'paragraph': {
      const paragraph = partsOf(of).paragraphs.find((one) => one.id === id)
      return paragraph?.text === undefined
        ? undefined
        : {
            label: words.bench.paragraphs.text,
            text: paragraph.text,
            name: words.bench.edits.paragraph,
            change: (r: Report, text: string) => (text ? changeParagraph(r, id, { text }) : r),
          }
    }
    default:
      return undefined
  }
}

/** Finds the text to be edited of a part, and where on the page it stands. */
export function useInPlace() {
  const editing = shallowRef<InPlace>()

  function placeOf(
    page: PageView,
    zoom: number,
    band: Band,
    cell: Cell | undefined,
    x: number,
    width: number,
  ): Place {
    const scale = PIXEL * zoom
    const style = page.fonts.styles[cell?.style ?? 0]
    return {
      left: x * scale - 4,
      top: band.top * scale,
      width: Math.max(LEAST_PIXELS, width * scale + 8),
      height: Math.max(22, Math.min(band.height, 2600) * scale),
      size: (style?.size ?? 900) * scale,
      weight: style?.face === 'semibold' ? 600 : 400,
    }
  }

  /** @param where band and text that were clicked, where there was a click */
  function begin(
    report: Report,
    page: PageView,
    zoom: number,
    part: Part,
    where?: { band: Band; cell?: Cell },
  ): boolean {
    const bands = bandsOf(page)
    if (part.kind === 'column') {
      const column = parts(report).columns.find((c) => c.id === part.id)
      const box = page.parts.columns.find((c) => c.id === part.id)
      const band = bands.find((b) => b.role === 'COLUMN_HEADINGS' && b.block === box?.block)
      if (!column || !box || !band) {
        return false
      }
      const cell = band.cells.find((c) => page.ids[c.id] === part.id) ?? band.cells[0]
      editing.value = {
        label: words.bench.inspector.name,
        text: columnLabel(report, column),
        place: placeOf(page, zoom, band, cell, box.x, box.width),
        name: words.bench.edits.label(columnLabel(report, column)),
        change: (r, label) => changeColumn(r, part.id, { label }),
      }
      return true
    }
    if (part.kind === 'level') {
      const level = parts(report).levels.find((l) => l.id === part.id)
      const band =
        where?.band ?? bands.find((b) => b.role === 'HEADING' && page.nodes[b.node]?.level === part.id)
      if (!level || !band) {
        return false
      }
      const footer = band.role === 'TOTALS'
      const cell = band.cells.find((c) => page.ids[c.id] === part.id)
      editing.value = {
        label: footer ? words.bench.inspector.footerText : words.bench.inspector.headerText,
        text: footer ? (level.footerText ?? '{group} total') : (level.headerText ?? '{group}'),
        place: placeOf(page, zoom, band, cell, cell?.x ?? 0, 24_000),
        name: words.bench.edits.text,
        change: (r, text) =>
          changeLevel(
            r,
            part.id,
            footer ? { footerText: text || undefined } : { headerText: text || undefined },
          ),
      }
      return true
    }
    const item = itemText(report, part)
    if (item) {
      const band =
        where?.band ??
        bands.find((b) => b.cells.some((cell) => cell.id >= 0 && page.ids[cell.id] === part.id))
      const cell = where?.cell ?? band?.cells.find((c) => page.ids[c.id] === part.id)
      if (!band) {
        return false
      }
      editing.value = {
        ...item,
        place: placeOf(page, zoom, band, cell, cell?.x ?? page.parts.blocks[band.block]!.x, ITEM_WIDTH),
      }
      return true
    }
    if (part.kind === 'report') {
      const band = bands.find((b) => b.role === 'TITLE')
      if (!band) {
        return false
      }
      const first = band.cells[0]
      const isDescription =
        report.description !== undefined &&
        where?.cell !== undefined &&
        where.cell.style !== first?.style &&
        report.description.startsWith(where.cell.text.slice(0, 20))
      const cell = isDescription ? where.cell : first
      const inBand = { ...band, top: (cell?.baseline ?? band.top + 1700) - 1700, height: 2200 }
      editing.value = {
        label: isDescription ? words.bench.inspector.description : words.bench.inspector.title,
        text: isDescription ? report.description! : report.title,
        place: placeOf(page, zoom, inBand, cell, cell?.x ?? 0, 40_000),
        name: isDescription ? words.bench.edits.description : words.bench.edits.title,
        change: (r, text) =>
          isDescription
            ? stripped({ ...r, description: text || undefined })
            : { ...r, title: text.trim() || r.title },
      }
      return true
    }
    return false
  }

  return { editing, begin, end: () => (editing.value = undefined) }
}
