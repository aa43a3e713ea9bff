<script setup lang="ts">
import { computed, toRef } from 'vue'
import { fontOf } from './faces'
import {
  bandsOf,
  baselineOffset,
  columnsOf,
  fillsOf,
  LINE,
  PIXEL,
  rulesOf,
  type Band,
  type Cell,
  type Fill,
} from './geometry'
import { figureAddress } from './figureAddress'
import { hitOf, type Hit } from './hit'
import PageBraces from './PageBraces.vue'
import { useLight, type Uncounted } from './useLight'
import type { PageView } from '@/api/client'

const props = defineProps<{
  page: PageView
  zoom: number
  continuous?: boolean
  uncounted?: Uncounted
  /** Addresses of the figures that are chosen. */
  chosen?: string[]
  /** What is being explained, by their addresses: a figure of a group, or the group. */
  explained?: { group: string; figure?: string }
  /** Whether the first column stays in sight where the list is scrolled sideways, by as much as the style --held says. */
  held?: boolean
}>()
const emit = defineEmits<{
  pick: [hit: Hit, event: MouseEvent]
  open: [hit: Hit, event: MouseEvent]
  menu: [hit: Hit, event: MouseEvent]
  brace: [node: number, event: MouseEvent]
}>()

const bands = computed(() => bandsOf(props.page))
const fills = computed(() => fillsOf(props.page))
const rules = computed(() => rulesOf(props.page))
const scale = computed(() => PIXEL * props.zoom)
const { lit, light, pointAt, lightClass } = useLight(toRef(props, 'page'), bands, (...asked) =>
  props.uncounted ? props.uncounted(...asked) : Promise.resolve([]),
)

function px(length: number): string {
  return `${(length * scale.value).toFixed(2)}px`
}

/** How a cell looks and where it stands, as one text: a page has hundreds, and a text is set and compared at once. */
function cellStyle(cell: Cell, band: Band): string {
  const size = props.page.fonts.styles[cell.style]?.size ?? 900
  const top =
    Math.round(cell.baseline * scale.value) - band.top * scale.value - baselineOffset(size * scale.value)
  if (cell.turned) {
    return turnedStyle(cell, band, size)
  }
  const place = `${styleRules.value[cell.style]}left:${px(cell.x - spanOf(band).left)};top:${top.toFixed(2)}px`
  const next = seconds.value[band.block]
  return next && isHeld(cell, band) ? `${place};min-width:${px(next.x - cell.x)}` : place
}

/** A text from bottom to top turns about where its line begins. */
function turnedStyle(cell: Cell, band: Band, size: number): string {
  const line = baselineOffset(size * scale.value)
  const top = cell.baseline * scale.value - band.top * scale.value - line
  return (
    `${styleRules.value[cell.style]}left:${px(cell.x - spanOf(band).left)};top:${top.toFixed(2)}px;` +
    `transform:rotate(-90deg);transform-origin:0 ${line}px`
  )
}

const styleRules = computed(() =>
  props.page.fonts.styles.map(
    (style) =>
      `font-size:${px(style.size)};line-height:${px(style.size * LINE)};` +
      `font-weight:${style.face === 'semibold' ? 600 : 400};` +
      `color:${style.ink};font-family:${fontOf(props.page.fonts.family)},sans-serif;`,
  ),
)

/** Bands that are the page's, not a block's. */
const OF_PAGE = ['PAGE_HEADER', 'PAGE_FOOTER', 'TITLE']

/** How far the signs of marked rows stand out of their block. */
const STANDS_OUT = 1_100
/** Room behind a block that is still its own. */
const BEHIND = 600

/** Where a band is to be met: of one block the whole width of the paper, of several that of its own. */
function spanOf(band: Band): { left: number; width: number } {
  const block = props.page.parts.blocks[band.block]
  return !block || props.page.parts.blocks.length === 1 || OF_PAGE.includes(band.role)
    ? { left: 0, width: props.page.width }
    : { left: block.x - STANDS_OUT, width: block.width + STANDS_OUT + BEHIND }
}

function bandStyle(band: Band): string {
  const { left, width } = spanOf(band)
  const ground = band.fill ? `;--ground:${band.fill}` : ''
  return `left:${px(left)};width:${px(width)};top:${px(band.top)};height:${px(band.height)}${ground}`
}

function fillStyle(fill: Fill): string {
  return `left:${px(fill.x)};top:${px(fill.y)};width:${px(fill.width)};height:${px(fill.height)};background:${fill.colour}`
}

/** Bands in which something stands in the first column. */
const IN_COLUMNS = ['ROW', 'TOTALS', 'COLUMN_HEADINGS', 'GRAND_TOTAL', 'HEADING', 'OTHER_ROWS']

/** By block, its second column, behind whose left edge the held one must not reach. */
const seconds = computed(() => props.page.parts.blocks.map((_, block) => columnsOf(props.page, block)[1]))

/** Whether a cell stays in sight, what is scrolled passing behind it. */
function isHeld(cell: Cell, band: Band): boolean {
  const next = seconds.value[band.block]
  return !!props.held && !!next && cell.x < next.x && IN_COLUMNS.includes(band.role)
}

/** What the pointer or the keyboard is on now, so that moving within it changes nothing. */
let pointed: Element | null = null

function onPoint(event: Event) {
  const target = event.target as Element
  const place = target.closest('[data-cell]') ?? target.closest('[data-band]')
  if (place !== pointed) {
    pointed = place
    const hit = hitOf(target, undefined, props.page, bands.value, props.zoom)
    pointAt(hit?.band, hit?.cell)
  }
}

function onLeave() {
  pointed = null
  light()
}

function isChosen(band: Band, cell: Cell): boolean {
  const key = props.chosen?.length ? figureAddress(props.page, band, cell) : undefined
  return key !== undefined && props.chosen!.includes(key)
}

/** The figure itself, or what is printed of the group but its figures. */
function isExplained(band: Band, cell: Cell): boolean {
  const { explained, page } = props
  if (!explained || page.nodes[cell.node]?.address !== explained.group) {
    return false
  }
  return explained.figure === undefined
    ? band.row < 0 && !cell.figure
    : figureAddress(page, band, cell) === explained.figure
}

function cellRole(band: Band): string {
  return band.role === 'COLUMN_HEADINGS' ? 'columnheader' : 'cell'
}

function report(kind: 'pick' | 'open' | 'menu', event: MouseEvent) {
  const hit = hitOf(event.target as Element, event.clientX, props.page, bands.value, props.zoom)
  if (hit) {
    if (kind === 'menu') {
      event.preventDefault()
      emit('menu', hit, event)
    } else if (kind === 'open') {
      emit('open', hit, event)
    } else {
      emit('pick', hit, event)
    }
  }
}
</script>

<template>
  <div class="sheet">
    <PageBraces
      :page="page"
      :zoom="zoom"
      :lit="lit"
      @light="light"
      @pick="(node, event) => emit('brace', node, event)"
    />
    <article
      class="paper"
      :class="{ continuous }"
      :style="{ width: px(page.width), height: px(page.height) }"
      @click="report('pick', $event)"
      @dblclick="report('open', $event)"
      @contextmenu="report('menu', $event)"
    >
      <div v-for="(fill, i) in fills" :key="`fill-${i}`" class="fill" :style="fillStyle(fill)" />
      <div
        role="table"
        :aria-label="`${page.nodes[0]?.label}, ${page.number} / ${page.of}`"
        @mouseover="onPoint"
        @mouseleave="onLeave"
        @focusin="onPoint"
        @focusout="onLeave"
      >
        <div
          v-for="(band, i) in bands"
          :key="i"
          :role="band.cells.length ? 'row' : 'presentation'"
          class="band"
          :class="lightClass(band)"
          :data-role="band.role"
          :data-band="i"
          :data-look="band.look"
          :title="band.markLabel"
          :style="bandStyle(band)"
        >
          <span
            v-for="(cell, j) in band.cells"
            :key="j"
            :role="cellRole(band)"
            :data-id="page.ids[cell.id]"
            :data-cell="j"
            :data-node="cell.node"
            :class="{
              chosen: isChosen(band, cell),
              explained: isExplained(band, cell),
              held: isHeld(cell, band),
            }"
            :aria-current="isExplained(band, cell) || undefined"
            :style="cellStyle(cell, band)"
            ><template v-if="cell.runs"
              ><span class="said">{{ cell.text }}</span
              ><span
                v-for="(run, k) in cell.runs"
                :key="k"
                class="run"
                aria-hidden="true"
                :data-drawn="run.text"
                :style="{ fontFamily: fontOf(run.family) }" /></template
            ><template v-else>{{ cell.text }}</template></span
          >
        </div>
      </div>
      <img
        v-for="(picture, i) in page.drawings.pictures"
        :key="`picture-${i}`"
        class="fill"
        alt=""
        :src="picture.source"
        :style="{
          left: px(picture.x),
          top: px(picture.y),
          width: px(picture.width),
          height: px(picture.height),
        }"
      />
      <div
        v-for="(rule, i) in rules"
        :key="`rule-${i}`"
        class="rule"
        :style="{
          left: px(rule.x),
          top: px(rule.y),
          width: px(rule.width),
          borderTopColor: rule.ink,
          borderTopWidth: `${Math.max(0.75, rule.thickness * scale).toFixed(2)}px`,
        }"
      />
      <slot :bands="bands" :scale="scale" />
    </article>
  </div>
</template>

<style scoped>
.band span.chosen {
  background: var(--accent-soft);
  outline: 1px solid var(--accent);
  outline-offset: 1px;
}
.band span.explained {
  background: var(--accent-soft);
  outline: 2px solid #1d5c63;
  outline-offset: 0;
  z-index: 1;
}
.sheet {
  display: flex;
  width: max-content;
  margin: 0 auto;
}
.paper {
  position: relative;
  background: var(--paper);
  box-shadow: var(--paper-shadow);
  flex: none;
  overflow: hidden;
  contain: strict;
}
.paper.continuous {
  box-shadow: none;
}
.band {
  position: absolute;
}
/* Widths are measured on the same faces; nothing may set them otherwise. */
.band span {
  position: absolute;
  white-space: pre;
  font-family: 'Report', sans-serif;
  font-kerning: none;
  font-variant-ligatures: none;
  text-rendering: geometricPrecision;
}
/* What is read, searched and copied lies unseen over what is drawn, glyph by glyph in the order of the page. */
.band span .said {
  left: 0;
  color: transparent;
}
.band span .run {
  position: static;
  unicode-bidi: bidi-override;
  direction: ltr;
  line-height: 0;
}
.band span .run::before {
  content: attr(data-drawn);
}
.band span.held {
  transform: translateX(var(--held, 0));
  background: var(--ground, var(--paper));
  box-shadow: -1.5rem 0 0 var(--ground, var(--paper));
  z-index: 1;
}
.fill {
  position: absolute;
}
.band.lit {
  background: #e4eef8;
}
.band.dim {
  opacity: 0.4;
}
.rule {
  position: absolute;
  border-top: solid;
}
</style>
