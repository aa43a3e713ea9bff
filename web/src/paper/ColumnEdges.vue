<script setup lang="ts">
import { computed, ref } from 'vue'
import { allowedWidth } from './columnWidth'
import { columnsOf, type Band } from './geometry'
import { MARK, MILLIMETRE, snapped } from './snapping'
import type { PageView } from '@/api/client'
import { words } from '@/words'

/** The edges of a page's headings: dragging one sets its column's width, a double-click lets it fit. */
const props = defineProps<{
  page: PageView
  bands: Band[]
  scale: number
  /** What dragging an edge does, in words. */
  hint: (column: string) => string
}>()
const emit = defineEmits<{ width: [column: string, points: number]; fit: [column: string] }>()

const CLICK_PIXELS = 4
/** An edge or a mark so near draws the one that is dragged. */
const NEAR_PIXELS = 8

const headings = computed(() => props.bands.filter((band) => band.role === 'COLUMN_HEADINGS'))
const edges = computed(() =>
  headings.value.flatMap((band) => columnsOf(props.page, band.block).map((column) => ({ band, column }))),
)
const layer = ref<HTMLElement>()
const drag = ref<{ column: string; startX: number; x: number; moved: boolean; free: boolean }>()

/** Where the pointer is on the page, in hundredths of a point. */
function pageX(x: number): number {
  return (x - (layer.value?.getBoundingClientRect().left ?? 0)) / props.scale
}

function begin(event: PointerEvent, column: string) {
  if (event.button === 0) {
    ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
    drag.value = { column, startX: event.clientX, x: event.clientX, moved: false, free: event.altKey }
  }
}

function track(event: PointerEvent) {
  const now = drag.value
  if (now) {
    const moved = now.moved || Math.abs(event.clientX - now.startX) > CLICK_PIXELS
    drag.value = { ...now, x: event.clientX, moved, free: event.altKey }
  }
}

function end(event: PointerEvent) {
  track(event)
  const now = drag.value
  const to = place.value
  drag.value = undefined
  const column = props.page.parts.columns.find((c) => c.id === now?.column)
  if (now?.moved && column && to) {
    emit('width', column.id, allowedWidth((to.x - column.x) / 100))
  }
}

/** Where the ruler begins and how long it is: over the columns of the headings whose edge is dragged. */
const ruler = computed(() => {
  const found = edges.value.find(({ column }) => column.id === drag.value?.column)
  const block = found && props.page.parts.blocks[found.band.block]
  return found && block ? { x: block.x, width: block.width, top: found.band.top } : undefined
})
/** Where the edge comes to stand; held with Alt it stands where the pointer is. */
const place = computed(() => {
  const now = drag.value
  if (!now?.moved || !ruler.value) {
    return undefined
  }
  const x = pageX(now.x)
  return now.free ? { x } : snapped(props.page, now.column, x, ruler.value.x, NEAR_PIXELS / props.scale)
})
const width = computed(() => {
  const column = props.page.parts.columns.find((one) => one.id === drag.value?.column)
  return place.value && column
    ? words.run.millimetres(Math.max(0, place.value.x - column.x) / MILLIMETRE)
    : ''
})
</script>

<template>
  <div v-if="headings.length" ref="layer" class="edges">
    <span
      v-for="{ band, column } in edges"
      :key="column.id"
      class="edge"
      :title="hint(column.id)"
      :data-edge="column.id"
      :style="{
        left: `${(column.x + column.width) * scale - 1}px`,
        top: `${band.top * scale}px`,
        height: `${band.height * scale - 4}px`,
      }"
      @pointerdown.stop="begin($event, column.id)"
      @pointermove="track"
      @pointerup="end"
      @pointercancel="drag = undefined"
      @click.stop
      @dblclick.stop="emit('fit', column.id)"
    />
    <template v-if="place && ruler">
      <div
        class="ruler"
        :style="{
          left: `${ruler.x * scale}px`,
          top: `${ruler.top * scale - 14}px`,
          width: `${ruler.width * scale}px`,
          backgroundSize: `${MARK * MILLIMETRE * scale}px 100%`,
        }"
      />
      <div
        class="guide"
        :class="{ drawn: place.to === 'edge' }"
        :style="{ left: `${place.x * scale - 1}px`, top: `${ruler.top * scale - 14}px` }"
      >
        <span>{{ width }}</span>
      </div>
    </template>
  </div>
</template>

<style scoped>
.edges {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
.edge {
  position: absolute;
  width: 8px;
  pointer-events: auto;
  touch-action: none;
  cursor: col-resize;
}
.edge:hover {
  background: rgb(29 92 99 / 0.35);
}
.ruler {
  position: absolute;
  height: 12px;
  border-bottom: 1px solid #1d5c63;
  background: linear-gradient(90deg, #1d5c63 1px, transparent 1px);
  opacity: 0.9;
}
.guide {
  position: absolute;
  bottom: 0;
  width: 2px;
  background: #1d5c63;
}
/* In line with another edge of the page. */
.guide.drawn {
  width: 3px;
}
.guide span {
  position: absolute;
  left: 4px;
  top: -20px;
  padding: 0 4px;
  background: #1d5c63;
  color: #fff;
  font-size: 11px;
  white-space: nowrap;
}
</style>
