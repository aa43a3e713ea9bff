<script setup lang="ts">
import type { Folds, Side } from './useFolds'
import { words } from '@/words'

/** The edge of a panel, by which it is widened: dragged, or moved by the arrow keys. */
const props = defineProps<{ side: Side; folds: Folds; label: string }>()

const STEP_PIXELS = 16
/** Dragged outwards, a panel grows: to the right for the left one. */
const outwards = props.side === 'left' ? 1 : -1

function onKey(event: KeyboardEvent) {
  const step = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0
  if (step) {
    event.preventDefault()
    event.stopPropagation()
    props.folds.setWidth(props.side, props.folds.width.value[props.side] + step * outwards * STEP_PIXELS)
  }
}

function onDown(event: PointerEvent) {
  const edge = event.currentTarget as HTMLElement
  const from = props.folds.width.value[props.side]
  const onMove = (move: PointerEvent) =>
    props.folds.setWidth(props.side, from + (move.clientX - event.clientX) * outwards)
  edge.setPointerCapture(event.pointerId)
  edge.addEventListener('pointermove', onMove)
  edge.addEventListener('pointerup', () => edge.removeEventListener('pointermove', onMove), { once: true })
}
</script>

<template>
  <div
    class="edge"
    :class="side"
    role="separator"
    aria-orientation="vertical"
    tabindex="0"
    :aria-label="words.desk.width(label)"
    :aria-valuenow="folds.width.value[side]"
    aria-valuemin="200"
    aria-valuemax="520"
    @keydown="onKey"
    @pointerdown="onDown"
  />
</template>

<style scoped>
.edge {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 7px;
  cursor: col-resize;
  touch-action: none;
  z-index: 1;
}
.edge:hover,
.edge:focus-visible {
  background: var(--accent);
  opacity: 0.5;
}
.left {
  right: -4px;
}
.right {
  left: -4px;
}
</style>
