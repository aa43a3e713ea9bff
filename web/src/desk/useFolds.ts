import { useMediaQuery, useStorage } from '@vueuse/core'
import { computed, ref } from 'vue'

/** The sides of a desk at which a panel stands. */
export type Side = 'left' | 'right'

/** Below this there is no room for a panel beside the work. */
const NARROW = '(max-width: 700px)'
const NARROWEST_PIXELS = 200
const WIDEST_PIXELS = 520

const within = (pixels: number) => Math.round(Math.min(WIDEST_PIXELS, Math.max(NARROWEST_PIXELS, pixels)))

/**
 * Which panels of a desk are open and how wide they are, remembered in the browser. On a narrow screen a panel lies over the work: both
 * begin folded away, and one gives way to the other.
 *
 * @param desk tells the desks apart that are remembered
 * @param usual how wide the panels are at first, in pixels
 */
export function useFolds(desk: string, usual: Record<Side, number>) {
  const isNarrow = useMediaQuery(NARROW)
  const kept = useStorage(`grammatus-desk-${desk}`, {
    open: { left: true, right: true },
    width: { ...usual },
  })
  /** The panel that lies over the work on a narrow screen. */
  const over = ref<Side>()

  const isOpen = (side: Side) => (isNarrow.value ? over.value === side : kept.value.open[side])

  function toggle(side: Side) {
    if (isNarrow.value) {
      over.value = over.value === side ? undefined : side
    } else {
      kept.value.open[side] = !kept.value.open[side]
    }
  }

  /** Takes what lies over the work away. */
  const uncover = () => (over.value = undefined)

  const width = computed(() => ({
    left: within(kept.value.width.left),
    right: within(kept.value.width.right),
  }))

  function setWidth(side: Side, pixels: number) {
    kept.value.width[side] = within(pixels)
  }

  return { isNarrow, isOpen, toggle, uncover, width, setWidth }
}

export type Folds = ReturnType<typeof useFolds>
