import { figureOf } from './figureAddress'
import { ref, watch, type Ref } from 'vue'
import { inside, type Band, type Cell } from './geometry'
import type { PageView } from '@/api/client'

/** Asks which of some rows of a group do not count in a total of it. */
export type Uncounted = (figure: string, rows: number[]) => Promise<number[]>

const PAUSE_MILLISECONDS = 120
const TOTALLING: Band['role'][] = ['TOTALS', 'GRAND_TOTAL']

/** Which group's rows are lit on a page, and which of them do not count in the figure pointed at. */
export function useLight(page: Readonly<Ref<PageView>>, bands: Readonly<Ref<Band[]>>, uncounted?: Uncounted) {
  const lit = ref<number>()
  const leftOut = ref(new Set<number>())
  let asked = 0
  let timer: ReturnType<typeof setTimeout> | undefined

  function light(node?: number) {
    asked++
    clearTimeout(timer)
    lit.value = node
    leftOut.value = new Set()
  }

  /** Lights the rows of the group that something on the page totals; of a figure, those that count in it. */
  function pointAt(band?: Band, cell?: Cell) {
    const total = cell && page.value.ids[cell.id]
    if (band && cell?.figure && band.row < 0 && total !== undefined) {
      light(cell.node)
      const mine = asked
      timer = uncounted && setTimeout(() => void ask(uncounted, cell.node, total, mine), PAUSE_MILLISECONDS)
    } else {
      light(band && TOTALLING.includes(band.role) ? band.node : undefined)
    }
  }

  async function ask(find: Uncounted, node: number, total: string, mine: number) {
    const group = page.value.nodes[node]!.address
    const rows = bands.value.filter((b) => b.row >= 0 && inside(page.value, b.node, node)).map((b) => b.row)
    const found = rows.length ? await find(figureOf(group, total), rows).catch(() => []) : []
    if (mine === asked) {
      leftOut.value = new Set(found)
    }
  }

  function lightClass(band: Band): string | undefined {
    if (lit.value === undefined || band.role !== 'ROW' || !inside(page.value, band.node, lit.value)) {
      return undefined
    }
    return leftOut.value.has(band.row) ? 'dim' : 'lit'
  }

  watch(page, () => light())
  return { lit, light, pointAt, lightClass }
}
