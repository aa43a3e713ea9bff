<script setup lang="ts">
import { computed } from 'vue'
import { bracesOf, PIXEL } from './geometry'
import type { PageView } from '@/api/client'

const props = defineProps<{ page: PageView; zoom: number; lit?: number }>()
const emit = defineEmits<{ light: [node: number | undefined]; pick: [node: number, event: MouseEvent] }>()

/** Width of one depth of braces, in pixels. */
const STEP = 26
const BOW = 7

const braces = computed(() => bracesOf(props.page))
/** Braces of a block that stands beside another stand in the gap before it, closer together. */
const NARROW_STEP = 8

/** How far right of its usual place a brace stands: in its own block's margin. */
function shift(brace: { block: number; depth: number }): number {
  const first = Math.min(...props.page.parts.blocks.map((block) => block.x))
  const own = props.page.parts.blocks[brace.block]?.x ?? 0
  if (own <= first) {
    return 0
  }
  const right = width.value + own * PIXEL * props.zoom - 6
  const depth = Math.max(...braces.value.filter((b) => b.block === brace.block).map((b) => b.depth))
  return right - (depth - brace.depth) * NARROW_STEP - (brace.depth * STEP + 2)
}
const depths = computed(() => Math.max(1, ...braces.value.map((b) => b.depth)))
const width = computed(() => depths.value * STEP + 6)
const height = computed(() => props.page.height * PIXEL * props.zoom)

/** A plain curve; where the group goes on over the page its end stays straight. */
function curve(brace: {
  top: number
  bottom: number
  depth: number
  opens: boolean
  closes: boolean
}): string {
  const scale = PIXEL * props.zoom
  const right = brace.depth * STEP + 2
  const spine = right - BOW
  const top = brace.top * scale + 2
  const bottom = brace.bottom * scale - 2
  const middle = (top + bottom) / 2
  const bow = Math.min(BOW, (bottom - top) / 4)
  const start = brace.opens ? `M${right} ${top} Q${spine} ${top} ${spine} ${top + bow}` : `M${spine} ${top}`
  const end = brace.closes ? `V${bottom - bow} Q${spine} ${bottom} ${right} ${bottom}` : `V${bottom}`
  return `${start} V${middle - bow} Q${spine} ${middle} ${spine - bow} ${middle} Q${spine} ${middle} ${spine} ${middle + bow} ${end}`
}

function label(brace: { label: string; top: number; bottom: number }): string {
  const room = ((brace.bottom - brace.top) * PIXEL * props.zoom) / 6.4
  return room < 4
    ? ''
    : brace.label.length <= room
      ? brace.label
      : `${brace.label.slice(0, Math.max(1, room - 1))}…`
}

function labelPlace(brace: { top: number; bottom: number; depth: number }): string {
  const y = ((brace.top + brace.bottom) / 2) * PIXEL * props.zoom
  return `translate(${brace.depth * STEP - BOW - 9} ${y}) rotate(-90)`
}
</script>

<template>
  <svg class="braces" :width="width" :height="height" aria-hidden="true">
    <g
      v-for="brace in braces"
      :key="brace.node"
      :class="{ lit: lit === brace.node }"
      :style="{ '--level': `var(--level-${Math.min(brace.depth, 4)})` }"
      :transform="`translate(${shift(brace)} 0)`"
      @mouseenter="emit('light', brace.node)"
      @mouseleave="emit('light', undefined)"
      @click="emit('pick', brace.node, $event)"
    >
      <title>{{ brace.label }}</title>
      <rect
        :x="(brace.depth - 1) * STEP + 2"
        :y="brace.top * PIXEL * zoom"
        :width="STEP"
        :height="(brace.bottom - brace.top) * PIXEL * zoom"
      />
      <path :d="curve(brace)" />
      <text :transform="labelPlace(brace)" text-anchor="middle">{{ label(brace) }}</text>
    </g>
  </svg>
</template>

<style scoped>
.braces {
  display: block;
  overflow: visible;
  position: relative;
  z-index: 1;
  flex: none;
}
rect {
  fill: transparent;
  cursor: pointer;
}
path {
  fill: none;
  stroke: var(--level);
  stroke-width: 1.5;
  stroke-linecap: round;
}
text {
  font:
    11px 'Report',
    sans-serif;
  fill: var(--level);
}
.lit path {
  stroke-width: 3;
}
.lit text {
  font-weight: 600;
}
</style>
