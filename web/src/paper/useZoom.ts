import { ref, type Ref } from 'vue'
import { PIXEL } from './geometry'
import type { PageView } from '@/api/client'

const SMALLEST = 0.4
const LARGEST = 2.5
const LARGEST_FIT = 1.5
/** At this, the type of rows is 11 pixels high: a narrow screen scrolls sideways before type gets smaller. */
const SMALLEST_FIT = 0.92
/** Room beside the paper, and for each depth of braces, in pixels. */
const BESIDE = 48
const DEPTH = 26

/** How large pages are shown; 1 is the size of the paper. */
export function useZoom(page: Readonly<Ref<PageView | undefined>>, room: () => number | undefined) {
  const zoom = ref(0.85)

  function fitWidth() {
    const wide = room()
    if (page.value && wide) {
      const depths = Math.max(1, ...page.value.nodes.map((node) => node.depth))
      const fitting = (wide - BESIDE - depths * DEPTH) / (page.value.width * PIXEL)
      zoom.value = Math.min(LARGEST_FIT, Math.max(SMALLEST_FIT, fitting))
    }
  }

  function by(step: number) {
    zoom.value = Math.min(LARGEST, Math.max(SMALLEST, zoom.value + step))
  }

  return { zoom, fitWidth, by }
}
