import { nextTick, type Ref } from 'vue'

const STEPS: Record<string, [across: number, down: number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

/** Arrow keys go from cell to cell of a grid; Home and End to the ends of its row. One cell alone can be reached with Tab. */
export function useGridKeys(grid: Ref<HTMLElement | null | undefined>) {
  const rows = () =>
    [...(grid.value?.querySelectorAll<HTMLElement>('[role=row]') ?? [])]
      .map((row) => [...row.querySelectorAll<HTMLElement>('button')])
      .filter((cells) => cells.length)

  const columnOf = (button: HTMLElement) => button.closest<HTMLTableCellElement>('td, th')?.cellIndex
  const inColumn = (row: HTMLElement[] | undefined, column: number | undefined) =>
    row?.find((button) => columnOf(button) === column)

  function reach(cell: HTMLElement | undefined) {
    if (cell) {
      rows()
        .flat()
        .forEach((other) => (other.tabIndex = other === cell ? 0 : -1))
      cell.focus()
    }
  }

  function onKey(event: KeyboardEvent) {
    const from = event.target as HTMLElement
    const all = rows()
    const row = all.findIndex((cells) => cells.includes(from))
    const cells = all[row]
    if (!cells || event.ctrlKey || event.metaKey || event.altKey) {
      return
    }
    const step = STEPS[event.key]
    if (step?.[1]) {
      reach(inColumn(all[row + step[1]], columnOf(from)))
    } else if (step) {
      reach(cells[cells.indexOf(from) + step[0]])
    } else if (event.key === 'Home' || event.key === 'End') {
      reach(cells.at(event.key === 'Home' ? 0 : -1))
    } else {
      return
    }
    event.preventDefault()
  }

  /** Goes to the first row below the headings once it is there. */
  async function enter() {
    await nextTick()
    reach(rows()[1]?.[0])
  }

  return { onKey, enter, reach }
}
