<script setup lang="ts">
import { computed, ref } from 'vue'
import { PARTS, type EdgePart } from '../edits/layout'
import type { PageView, Report } from '@/api/client'
import type { Band, Cell } from '@/paper/geometry'
import { words } from '@/words'

/** The texts at the edges of a page, which are dragged from part to part where they stand, or moved by the arrow keys. */
const props = defineProps<{ report: Report; page: PageView; bands: Band[]; scale: number }>()
const emit = defineEmits<{ move: [edge: Edge, from: EdgePart, to: EdgePart]; pick: [] }>()
type Edge = keyof NonNullable<Report['page']['lines']>

const text = words.layout.page
const CLICK_PIXELS = 4
/** How far from the edge of what is printed a text may begin or end that stands at it. */
const NEAR = 200

const left = computed(() => Math.min(...props.page.parts.blocks.map((block) => block.x)))
const right = computed(() => Math.max(...props.page.parts.blocks.map((block) => block.x + block.width)))

/** The line that a band of the page comes from; none where the report says nothing of it itself. */
function edgeOf(band: Band): Edge | undefined {
  const lines = props.report.page.lines
  const first = props.page.number === 1
  if (band.role === 'PAGE_HEADER') {
    const edge = first && lines?.firstHeader ? 'firstHeader' : 'header'
    return lines?.[edge] && edge
  }
  const edge = first && lines?.firstFooter ? 'firstFooter' : 'footer'
  return band.role === 'PAGE_FOOTER' && lines?.[edge] ? edge : undefined
}

function partOf(cell: Cell): EdgePart {
  if (cell.x <= left.value + NEAR) {
    return 'start'
  }
  return cell.x + cell.width >= right.value - NEAR ? 'end' : 'centre'
}

const texts = computed(() =>
  props.bands.flatMap((band) => {
    const edge = edgeOf(band)
    return edge ? band.cells.map((cell) => ({ band, edge, cell, part: partOf(cell) })) : []
  }),
)
type EdgeText = (typeof texts.value)[number]

const drag = ref<{ text: EdgeText; startX: number; x: number; moved: boolean }>()
const paper = ref<HTMLElement>()

/** The part that the pointer is over. */
const over = computed(() => {
  if (!drag.value?.moved) {
    return undefined
  }
  const x = (drag.value.x - (paper.value?.getBoundingClientRect().left ?? 0)) / props.scale
  const third = Math.floor(((x - left.value) / (right.value - left.value)) * PARTS.length)
  return PARTS[Math.min(PARTS.length - 1, Math.max(0, third))]
})

function begin(event: PointerEvent, dragged: EdgeText) {
  if (event.button === 0) {
    ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
    drag.value = { text: dragged, startX: event.clientX, x: event.clientX, moved: false }
  }
}

function track(event: PointerEvent) {
  const now = drag.value
  if (now) {
    const moved = now.moved || Math.abs(event.clientX - now.startX) > CLICK_PIXELS
    drag.value = { ...now, x: event.clientX, moved }
  }
}

function end() {
  const now = drag.value
  const to = over.value
  drag.value = undefined
  if (now && to && to !== now.text.part) {
    emit('move', now.text.edge, now.text.part, to)
  }
}

function step(moved: EdgeText, by: number) {
  const to = PARTS[PARTS.indexOf(moved.part) + by]
  if (to) {
    emit('move', moved.edge, moved.part, to)
  }
}
</script>

<template>
  <div ref="paper" class="edges">
    <button
      v-for="one in texts"
      :key="`${one.edge}-${one.part}`"
      type="button"
      class="text"
      :aria-label="text.grip(text[one.edge], text[one.part])"
      :title="text.gripHint"
      :style="{
        left: `${one.cell.x * scale - 3}px`,
        width: `${one.cell.width * scale + 6}px`,
        top: `${one.band.top * scale}px`,
        height: `${one.band.height * scale}px`,
      }"
      @pointerdown="begin($event, one)"
      @pointermove="track"
      @pointerup="end"
      @pointercancel="drag = undefined"
      @keydown.left.prevent="step(one, -1)"
      @keydown.right.prevent="step(one, 1)"
      @click.stop="emit('pick')"
    />
    <template v-if="over && drag">
      <div
        v-for="(part, i) in PARTS"
        :key="part"
        class="part"
        :class="{ over: part === over }"
        :style="{
          left: `${(left + ((right - left) * i) / PARTS.length) * scale}px`,
          width: `${((right - left) / PARTS.length) * scale}px`,
          top: `${drag.text.band.top * scale - 4}px`,
          height: `${drag.text.band.height * scale + 8}px`,
        }"
      >
        {{ text[part] }}
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
.text {
  position: absolute;
  padding: 0;
  border: 1px solid transparent;
  border-radius: 3px;
  background: none;
  cursor: grab;
  pointer-events: auto;
  touch-action: none;
}
.text:hover,
.text:focus-visible {
  border-color: #9fb4b6;
}
.part {
  position: absolute;
  border: 1px dashed #9fb4b6;
  color: #4c565e;
  font-size: 11px;
  text-align: center;
}
.part.over {
  border: 2px solid #1d5c63;
  background: rgb(29 92 99 / 0.1);
}
</style>
