<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import { shareOf, type BlockPlace } from '../edits/arrangement'
import { block } from '../edits/report'
import type { PageView, Report } from '@/api/client'
import type { Band } from '@/paper/geometry'
import { words } from '@/words'

/**
 * The frame of the block that is worked on, of several: its grip is dragged to where the block is to stand, or moved by arrow keys; its
 * right edge sets its share of the width.
 */
const props = defineProps<{
  report: Report
  page: PageView
  bands: Band[]
  scale: number
}>()
const emit = defineEmits<{ place: [id: string, place: BlockPlace]; share: [id: string, percent: number] }>()

/** Room around a block, in hundredths of a point. */
const ROOM = 500
const SIDE_PART = 0.25
const STEP_PERCENT = 5
const OF_PAGE = ['PAGE_HEADER', 'PAGE_FOOTER', 'TITLE']
const text = words.bench.blocks

interface Box {
  id: string
  left: number
  top: number
  width: number
  height: number
}

const boxes = computed<Box[]>(() =>
  props.page.parts.blocks.flatMap((one, index) => {
    const own = props.bands.filter((band) => band.block === index && !OF_PAGE.includes(band.role))
    const top = Math.min(...own.map((band) => band.top))
    const bottom = Math.max(...own.map((band) => band.top + band.height))
    return own.length ? [{ id: one.id, left: one.x, top, width: one.width, height: bottom - top }] : []
  }),
)
const worked = computed(() => block(props.report))
const box = computed(() => boxes.value.find((one) => one.id === worked.value.id))
const share = computed(() => shareOf(props.report, worked.value.id))
const name = computed(() => worked.value.title || text.thisBlock)

const px = (length: number) => `${length * props.scale}px`
const placed = ({ left, top, width, height }: Box) => ({
  left: px(left - ROOM),
  top: px(top - ROOM / 2),
  width: px(width + 2 * ROOM),
  height: px(height + ROOM),
})

const frame = useTemplateRef('frame')
const pointer = ref<{ x: number; y: number }>()

function at(event: PointerEvent) {
  const paper = frame.value!.getBoundingClientRect()
  return { x: (event.clientX - paper.left) / props.scale, y: (event.clientY - paper.top) / props.scale }
}

function begin(event: PointerEvent) {
  if (event.button === 0) {
    ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
    pointer.value = at(event)
  }
}

const track = (event: PointerEvent) => pointer.value && (pointer.value = at(event))

/** Where the block would stand: beside the block under the pointer at its sides, else above or below it. */
const drop = computed<{ to: Box; place: BlockPlace } | undefined>(() => {
  const now = pointer.value
  const to =
    now &&
    boxes.value.find(
      (one) =>
        now.x >= one.left - ROOM &&
        now.x <= one.left + one.width + ROOM &&
        now.y >= one.top - ROOM &&
        now.y <= one.top + one.height + ROOM,
    )
  if (!now || !to || to.id === worked.value.id) {
    return undefined
  }
  const across = (now.x - to.left) / to.width
  const down = (now.y - to.top) / to.height
  const side =
    across < SIDE_PART ? 'before' : across > 1 - SIDE_PART ? 'after' : down < 0.5 ? 'above' : 'below'
  return { to, place: { of: to.id, side } }
})

function end() {
  const found = drop.value
  pointer.value = undefined
  if (found) {
    emit('place', worked.value.id, found.place)
  }
}

/** Arrow keys: up and down past the neighbours in a row of its own, left and right beside them. */
function onKey(event: KeyboardEvent) {
  const order = props.page.parts.blocks.map((one) => one.id)
  const own = order.indexOf(worked.value.id)
  const previous = order[own - 1]
  const next = order[own + 1]
  const moves: Record<string, BlockPlace | undefined> = {
    ArrowUp: previous ? { of: previous, side: 'above' } : undefined,
    ArrowDown: next ? { of: next, side: 'below' } : undefined,
    ArrowLeft: previous ? { of: previous, side: 'after' } : undefined,
    ArrowRight: next ? { of: next, side: 'before' } : undefined,
  }
  const place = moves[event.key]
  if (place) {
    event.preventDefault()
    event.stopPropagation()
    emit('place', worked.value.id, place)
  }
}

const resizing = ref<{ x: number; share: number }>()

function beginEdge(event: PointerEvent) {
  if (event.button === 0 && share.value !== undefined) {
    ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
    resizing.value = { x: at(event).x, share: share.value }
  }
}

function endEdge(event: PointerEvent) {
  const begun = resizing.value
  resizing.value = undefined
  if (begun && box.value) {
    const row = (box.value.width * 100) / begun.share
    const moved = ((at(event).x - begun.x) * 100) / row
    if (Math.abs(moved) >= 1) {
      emit('share', worked.value.id, begun.share + moved)
    }
  }
}

function onEdgeKey(event: KeyboardEvent) {
  const step = event.key === 'ArrowRight' ? STEP_PERCENT : event.key === 'ArrowLeft' ? -STEP_PERCENT : 0
  if (step && share.value !== undefined) {
    event.preventDefault()
    event.stopPropagation()
    emit('share', worked.value.id, share.value + step)
  }
}
</script>

<template>
  <div v-if="page.parts.blocks.length > 1" ref="frame" class="frames">
    <div v-if="box" class="frame" :style="placed(box)">
      <button
        type="button"
        class="grip"
        :aria-label="text.grip(name)"
        :title="text.grip(name)"
        @pointerdown="begin"
        @pointermove="track"
        @pointerup="end"
        @pointercancel="pointer = undefined"
        @keydown="onKey"
      >
        <i class="pi pi-arrows-alt" aria-hidden="true" />
      </button>
      <div
        v-if="share !== undefined"
        class="edge"
        role="separator"
        tabindex="0"
        aria-orientation="vertical"
        :aria-label="text.share"
        :aria-valuenow="share"
        aria-valuemin="10"
        aria-valuemax="90"
        :title="text.share"
        @pointerdown="beginEdge"
        @pointerup="endEdge"
        @pointercancel="resizing = undefined"
        @keydown="onEdgeKey"
      />
    </div>
    <div v-if="drop" class="drop" :class="drop.place.side" :style="placed(drop.to)" />
  </div>
</template>

<style scoped>
.frames {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
.frame {
  position: absolute;
  border: 1px dashed #1d5c63;
  border-radius: 3px;
}
.grip {
  position: absolute;
  right: -1px;
  top: -1px;
  width: 24px;
  height: 24px;
  padding: 0;
  border: 1px solid #1d5c63;
  border-radius: 3px;
  background: var(--paper);
  color: #1d5c63;
  cursor: grab;
  pointer-events: auto;
  touch-action: none;
}
.edge {
  position: absolute;
  right: -5px;
  top: 0;
  bottom: 0;
  width: 9px;
  cursor: col-resize;
  pointer-events: auto;
  touch-action: none;
}
.edge:hover,
.edge:focus-visible {
  background: rgb(29 92 99 / 0.25);
}
.drop {
  position: absolute;
  border: 0 solid #1d5c63;
}
.drop.above {
  border-top-width: 3px;
}
.drop.below {
  border-bottom-width: 3px;
}
.drop.before {
  border-left-width: 3px;
}
.drop.after {
  border-right-width: 3px;
}
</style>
