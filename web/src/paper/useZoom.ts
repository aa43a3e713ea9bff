import { useMediaQuery } from '@vueuse/core'
import { ref, type Ref } from 'vue'
import { PIXEL } from './geometry'
import type { PageView } from '@/api/client'

const SMALLEST = 0.4
/** A whole page is looked at, not read. */
const SMALLEST_WHOLE = 0.2
const LARGEST = 2.5
const LARGEST_FIT = 1.5
/** At this, the type of rows is 11 pixels high: on a small screen one scrolls sideways before type gets smaller. */
const READABLE = 0.92
/** Room beside the paper, and for each depth of braces, in pixels. */
const BESIDE = 48
const DEPTH = 26

/** How small a page may get so that it fits, where it is read: on a small screen no smaller than can be read. */
export function readable() {
  const isSmall = useMediaQuery('(max-width: 900px)')
  return () => (isSmall.value ? READABLE : SMALLEST)
}

/**
 * How large pages are shown; 1 is the size of the paper.
 *
 * @param room pixels across that there are for a page
 * @param least how small a page may get so that it fits
 * @param sheets how many pages stand side by side
 */
export function useZoom(
  page: Readonly<Ref<PageView | undefined>>,
  room: () => number | undefined,
  least = () => SMALLEST,
  sheets = () => 1,
) {
  const zoom = ref(0.85)

  function fitWidth() {
    const wide = room() && room()! / sheets()
    if (page.value && wide) {
      const depths = Math.max(1, ...page.value.nodes.map((node) => node.depth))
      const fitting = (wide - BESIDE - depths * DEPTH) / (page.value.width * PIXEL)
      zoom.value = Math.min(LARGEST_FIT, Math.max(least(), fitting))
    }
  }

  /** Shows the whole page in so many pixels down. */
  function fitPage(tall: number | undefined) {
    if (page.value && tall) {
      const fitting = (tall - BESIDE) / (page.value.height * PIXEL)
      zoom.value = Math.min(LARGEST_FIT, Math.max(SMALLEST_WHOLE, fitting))
    }
  }

  function by(step: number) {
    zoom.value = Math.min(LARGEST, Math.max(SMALLEST, zoom.value + step))
  }

  return { zoom, fitWidth, fitPage, by }
}
