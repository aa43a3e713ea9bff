import { useEventListener } from '@vueuse/core'
import { nextTick, ref, shallowRef, type Ref } from 'vue'
import { useDoubleClick } from './useDoubleClick'
import { useReaderMenu } from './useReaderMenu'
import type { useView } from './useView'
import { api, type PageView, type RunView } from '@/api/client'
import { allowedWidth } from '@/paper/columnWidth'
import { figureAddress } from '@/paper/figureAddress'
import { allCells } from '@/paper/geometry'
import type { Hit } from '@/paper/hit'
import { words } from '@/words'

const OPENING = ['ROW', 'OTHER_ROWS', 'TOTALS', 'GRAND_TOTAL', 'HEADING']

/** Whether what was hit is a figure of the totals, not of a row. */
function isTotal(sheet: PageView, hit: Hit): boolean {
  const ofRow = hit.band.role === 'ROW' && sheet.parts.columns.some((column) => column.id === hit.part)
  return !!hit.cell?.figure && hit.part !== undefined && !ofRow
}

function isGroup(sheet: PageView, hit: Hit): boolean {
  const lineOfGroup = hit.band.role === 'ROW' && hit.band.row < 0 && sheet.nodes[hit.node]!.depth > 0
  return hit.band.role === 'HEADING' || hit.band.role === 'TOTALS' || lineOfGroup
}

const opens = (hit: Hit) => OPENING.includes(hit.band.role)

/** Id of the table whose rows a line of other rows stands for. */
function otherRows(sheet: PageView, hit: Hit): string | undefined {
  const name = hit.band.role === 'OTHER_ROWS' ? hit.band.cells[0] : undefined
  return name && name.id >= 0 ? sheet.ids[name.id] : undefined
}

/** What a reader's hands do on a page: figures say why, headings order, groups narrow; a double-click shows the rows. */
export function useReaderGestures(
  run: Readonly<Ref<RunView | undefined>>,
  page: Readonly<Ref<PageView | undefined>>,
  looked: ReturnType<typeof useView>,
  act: {
    choose: (figure: string) => void
    run: (openAt?: number) => void
    pageNow: () => number
    someOf: (part: string) => { label: string; command: () => void }[]
    menu: () => { show: (event: MouseEvent) => void; hide: () => void } | null
  },
) {
  const why = shallowRef<{ group: string; figure?: string }>()
  const rowsOf = ref<string>()
  /** What levels are called, as far as menus have told. */
  const levelNames = new Map<string, string>()

  function openRows(group: string) {
    act.menu()?.hide()
    rowsOf.value = group
  }
  const double = useDoubleClick(openRows)
  useEventListener(window, 'click', double.onClickCapture, true)

  function onPick(sheet: PageView, hit: Hit, event: MouseEvent) {
    const group = sheet.nodes[hit.node]!.address
    const figure = hit.cell && figureAddress(sheet, hit.band, hit.cell)
    if (event.ctrlKey || event.metaKey) {
      if (figure) {
        act.choose(figure)
      }
      return
    }
    if (opens(hit)) {
      double.met(group, event)
    }
    if (hit.band.role === 'COLUMN_HEADINGS' && hit.column) {
      turnOrder(hit.column, event.shiftKey)
    } else if (isTotal(sheet, hit)) {
      why.value = { group, figure }
    } else if (isGroup(sheet, hit)) {
      void offerGroup(group, event)
    } else if (hit.band.role === 'OTHER_ROWS') {
      void offerGroup(group, event, undefined, otherRows(sheet, hit))
    }
  }

  function onMenu(sheet: PageView, hit: Hit, event: MouseEvent) {
    if (hit.band.role === 'COLUMN_HEADINGS' && hit.column) {
      target.value = { kind: 'column', column: hit.column }
      act.menu()?.show(event)
    } else {
      const figure = isTotal(sheet, hit) ? figureAddress(sheet, hit.band, hit.cell!) : undefined
      void offerGroup(sheet.nodes[hit.node]!.address, event, figure, otherRows(sheet, hit))
    }
  }

  function onOpen(sheet: PageView, hit: Hit) {
    if (opens(hit) && !double.isAgain()) {
      openRows(sheet.nodes[hit.node]!.address)
    }
  }

  async function offerGroup(group: string, event: MouseEvent, figure?: string, rows?: string) {
    const path = await api.path(run.value!.id, group).catch(() => [])
    path.forEach((step) => levelNames.set(step.level, step.name))
    if (rows) {
      levelNames.set(rows, words.why.row)
    }
    target.value = { kind: 'group', path, group, figure, otherRows: rows }
    await nextTick()
    act.menu()?.show(event)
  }

  const { target, items } = useReaderMenu({
    order: (column, direction, adds) => {
      looked.orderBy(column, direction, adds)
      act.run()
    },
    widen: (column, step) => {
      const box = page.value?.parts.columns.find((c) => c.id === column)
      setWidth(column, Math.round((box?.width ?? 0) / 100) + step)
    },
    fit: (column) => setWidth(column, 'fit'),
    narrow: (path, reach) => {
      looked.narrow(path, reach)
      act.run()
    },
    leaveOut: (group, reach) => {
      looked.leaveOut(group, reach)
      act.run()
    },
    hasSeveral: () => (page.value?.parts.blocks.length ?? 1) > 1,
    someOf: act.someOf,
    showAll: (level) => {
      looked.showAll(level)
      act.run()
    },
    fold: (level) => {
      looked.fold(level)
      act.run()
    },
    isFolded: () => looked.view().downTo !== undefined,
    why: (group, figure) => (why.value = { group, figure }),
    rows: (group) => (rowsOf.value = group),
  })

  function turnOrder(column: string, adds: boolean) {
    const shown = page.value
    const isFigure = shown && allCells(shown).some((cell) => shown.ids[cell.id] === column && cell.figure)
    looked.turnOrder(column, isFigure ? 'descending' : 'ascending', adds)
    act.run()
  }

  function setWidth(column: string, points: number | 'fit') {
    const kept = points === 'fit' ? points : allowedWidth(points)
    looked.setWidth(column, kept)
    act.run(act.pageNow())
  }

  return { why, rowsOf, levelNames, items, onPick, onMenu, onOpen, offerGroup, setWidth }
}
