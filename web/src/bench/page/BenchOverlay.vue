<script setup lang="ts">
import { computed, ref } from 'vue'
import { columnLabel } from '../edits/fieldNames'
import { block, parts, partsOf } from '../edits/report'
import type { Part } from '../parts'
import type { ColumnOrder, PageView, Report } from '@/api/client'
import ColumnEdges from '@/paper/ColumnEdges.vue'
import type { Band } from '@/paper/geometry'
import { columnsOf } from '@/paper/geometry'
import { dropIndex } from '@/paper/hit'
import { words } from '@/words'

const props = defineProps<{
  report: Report
  page: PageView
  bands: Band[]
  scale: number
  selection: Part[]
  /** What ordering by each column means. */
  orders: ColumnOrder[]
}>()
const emit = defineEmits<{
  pick: [column: string, event: MouseEvent]
  edit: [column: string]
  menu: [column: string, event: MouseEvent]
  move: [column: string, before: number]
  level: [column: string]
  width: [column: string, points: number]
  fit: [column: string]
  order: [column: string]
}>()

const CLICK_PIXELS = 4

/** The block that is worked on, among those of the page. */
const blockIndex = computed(() =>
  props.page.parts.blocks.findIndex((one) => one.id === block(props.report).id),
)
const columns = computed(() => columnsOf(props.page, blockIndex.value))
const headings = computed(() =>
  props.bands.find((band) => band.role === 'COLUMN_HEADINGS' && band.block === blockIndex.value),
)
/** How far down the page the block goes. */
const bottom = computed(() =>
  Math.max(
    ...props.bands.filter((band) => band.block === blockIndex.value).map((band) => band.top + band.height),
  ),
)
const selected = computed(() =>
  props.selection.filter((part) => part.kind === 'column').map((part) => part.id),
)
const selectedLevel = computed(() => props.selection.find((part) => part.kind === 'level')?.id)
const levelBands = computed(() =>
  props.bands.filter(
    (band) =>
      (band.role === 'HEADING' || band.role === 'TOTALS') &&
      props.page.nodes[band.node]?.level === selectedLevel.value,
  ),
)

interface Drag {
  column: string
  startX: number
  x: number
  moved: boolean
}
const drag = ref<Drag>()
const paper = ref<HTMLElement>()

/** Of columns that stand below one another each has its part of the headings. */
function shareOf(column: { id: string; x: number }) {
  const inPlace = columns.value.filter((one) => one.x === column.x)
  return { from: inPlace.findIndex((one) => one.id === column.id) / inPlace.length, part: 1 / inPlace.length }
}

function label(id: string): string {
  const of = props.report.blocks.find((one) => partsOf(one).columns.some((column) => column.id === id))
  const column = of && partsOf(of).columns.find((one) => one.id === id)
  // What its dataset calls it is known where it is printed.
  const printed = headings.value?.cells
    .filter((cell) => props.page.ids[cell.id] === id)
    .map((cell) => cell.text)
    .join(' ')
  return of && column
    ? column.label || printed || columnLabel({ ...props.report, blocks: [of] }, column) || id
    : id
}

function begin(event: PointerEvent, column: string) {
  if (event.button !== 0) {
    return
  }
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  drag.value = { column, startX: event.clientX, x: event.clientX, moved: false }
}

function track(event: PointerEvent) {
  const now = drag.value
  if (now) {
    drag.value = {
      ...now,
      x: event.clientX,
      moved: now.moved || Math.abs(event.clientX - now.startX) > CLICK_PIXELS,
    }
  }
}

/** Where the pointer is on the page, in hundredths of a point. */
function pageX(x: number): number {
  return (x - (paper.value?.getBoundingClientRect().left ?? 0)) / props.scale
}

/** Left of the paper's own edge is the margin in which braces stand. */
const inMargin = computed(() => drag.value?.moved && pageX(drag.value.x) < (columns.value[0]?.x ?? 0) - 1500)
const dropAt = computed(() =>
  drag.value?.moved && !inMargin.value ? dropIndex(columns.value, pageX(drag.value.x)) : undefined,
)
const dropX = computed(() => {
  if (dropAt.value === undefined) {
    return undefined
  }
  const next = columns.value[dropAt.value]
  const last = columns.value.at(-1)
  return (next ? next.x - 450 : last ? last.x + last.width + 450 : 0) * props.scale
})

/** The definition counts switched-off columns too; the page shows only the others. */
function definitionIndex(pageIndex: number): number {
  const all = parts(props.report).columns
  const before = columns.value[pageIndex]?.id
  return before === undefined ? all.length : all.findIndex((column) => column.id === before)
}

function end() {
  const now = drag.value
  const margin = inMargin.value
  const at = dropAt.value
  drag.value = undefined
  if (!now?.moved) {
    return
  }
  if (margin) {
    emit('level', now.column)
  } else if (at !== undefined) {
    emit('move', now.column, definitionIndex(at))
  }
}

function arrow(id: string): string {
  const now = props.orders.find((one) => one.column === id)?.now
  return now === 'DESCENDING' ? '▼' : now === 'ASCENDING' ? '▲' : '↕'
}
</script>

<template>
  <div ref="paper" class="overlay">
    <template v-for="band in levelBands" :key="`level-${band.top}`">
      <div class="level" :style="{ top: `${band.top * scale}px`, height: `${band.height * scale}px` }" />
    </template>
    <template v-if="headings">
      <template v-for="column in columns" :key="column.id">
        <div
          v-if="selected.includes(column.id)"
          class="column"
          :style="{
            left: `${column.x * scale - 3}px`,
            width: `${column.width * scale + 6}px`,
            top: `${headings.top * scale}px`,
            height: `${(bottom - headings.top) * scale}px`,
          }"
        />
        <button
          type="button"
          class="heading"
          :class="{ selected: selected.includes(column.id) }"
          :aria-pressed="selected.includes(column.id)"
          :aria-label="`${words.bench.inspector.column}: ${label(column.id)}`"
          :data-column="column.id"
          :style="{
            left: `${column.x * scale - 3}px`,
            width: `${column.width * scale + 6}px`,
            top: `${(headings.top + headings.height * shareOf(column).from) * scale}px`,
            height: `${headings.height * shareOf(column).part * scale - 4}px`,
          }"
          @pointerdown="begin($event, column.id)"
          @pointermove="track"
          @pointerup="end"
          @pointercancel="drag = undefined"
          @click.stop="emit('pick', column.id, $event)"
          @dblclick.stop="emit('edit', column.id)"
          @contextmenu.prevent.stop="emit('menu', column.id, $event)"
        />
        <button
          v-if="selected.length === 1 && selected[0] === column.id"
          type="button"
          class="arrow"
          tabindex="-1"
          :title="`${words.bench.edits.order(label(column.id))} (O)`"
          :aria-label="words.bench.edits.order(label(column.id))"
          :style="{
            left: `${(column.x + column.width / 2) * scale - 10}px`,
            top: `${headings.top * scale - 18}px`,
          }"
          @click.stop="emit('order', column.id)"
        >
          {{ arrow(column.id) }}
        </button>
      </template>
      <div
        v-if="dropX !== undefined"
        class="drop"
        :style="{ left: `${dropX}px`, top: `${headings.top * scale}px` }"
      />
    </template>
    <ColumnEdges
      :page="page"
      :bands="bands"
      :scale="scale"
      :hint="(column) => words.bench.edits.width(label(column))"
      @width="(column, points) => emit('width', column, points)"
      @fit="(column) => emit('fit', column)"
    />
    <div v-if="inMargin && drag" class="margin">{{ words.bench.edits.addLevel(label(drag.column)) }}</div>
  </div>
</template>

<style scoped>
.overlay {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
.heading,
.arrow {
  pointer-events: auto;
  position: absolute;
  touch-action: none;
}
.heading {
  border: 1px solid transparent;
  border-radius: 3px;
  background: none;
  cursor: grab;
  padding: 0;
}
.heading:hover {
  border-color: #9fb4b6;
}
.heading.selected {
  border: 2px solid #1d5c63;
}
.column {
  position: absolute;
  background: rgb(29 92 99 / 0.07);
}
.level {
  position: absolute;
  left: 4px;
  right: 4px;
  border: 1.5px solid #1d5c63;
  border-radius: 3px;
  background: rgb(29 92 99 / 0.07);
}
.arrow {
  width: 20px;
  height: 18px;
  padding: 0;
  border: 0;
  border-radius: 3px;
  background: #1d5c63;
  color: #fff;
  font-size: 11px;
  line-height: 18px;
  cursor: pointer;
}
.drop {
  position: absolute;
  bottom: 0;
  width: 2px;
  background: #1d5c63;
}
.margin {
  position: absolute;
  left: 0;
  top: 40%;
  padding: 0.4rem 0.8rem;
  background: #1d5c63;
  color: #fff;
  border-radius: 0 4px 4px 0;
}
</style>
