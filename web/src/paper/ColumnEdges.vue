<script setup lang="ts">
import { computed, ref } from 'vue'
import { columnsOf, type Band } from './geometry'
import type { PageView } from '@/api/client'

/** The edges of a page's headings: dragging one sets its column's width, a double-click lets it fit. */
const props = defineProps<{
  page: PageView
  bands: Band[]
  scale: number
  /** What dragging an edge does, in words. */
  hint: (column: string) => string
}>()
const emit = defineEmits<{ width: [column: string, points: number]; fit: [column: string] }>()

const LEAST_POINTS = 10
const MOST_POINTS = 1000
const CLICK_PIXELS = 4

const headings = computed(() => props.bands.filter((band) => band.role === 'COLUMN_HEADINGS'))
const edges = computed(() =>
  headings.value.flatMap((band) => columnsOf(props.page, band.block).map((column) => ({ band, column }))),
)
const layer = ref<HTMLElement>()
const drag = ref<{ column: string; startX: number; x: number; moved: boolean }>()

/** Where the pointer is on the page, in hundredths of a point. */
function pageX(x: number): number {
  return (x - (layer.value?.getBoundingClientRect().left ?? 0)) / props.scale
}

function begin(event: PointerEvent, column: string) {
  if (event.button === 0) {
    ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
    drag.value = { column, startX: event.clientX, x: event.clientX, moved: false }
  }
}

function track(event: PointerEvent) {
  const now = drag.value
  if (now) {
    const moved = now.moved || Math.abs(event.clientX - now.startX) > CLICK_PIXELS
    drag.value = { ...now, x: event.clientX, moved }
  }
}

function end(event: PointerEvent) {
  const now = drag.value
  drag.value = undefined
  const column = props.page.columns.find((c) => c.id === now?.column)
  if (now?.moved && column) {
    const points = Math.round((pageX(event.clientX) - column.x) / 100)
    emit('width', column.id, Math.min(MOST_POINTS, Math.max(LEAST_POINTS, points)))
  }
}

const guide = computed(() => (drag.value?.moved ? pageX(drag.value.x) * props.scale : undefined))
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
    <div
      v-if="guide !== undefined"
      class="guide"
      :style="{ left: `${guide}px`, top: `${headings[0]!.top * scale}px` }"
    />
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
.guide {
  position: absolute;
  bottom: 0;
  width: 2px;
  background: #1d5c63;
}
</style>
