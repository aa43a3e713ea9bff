<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, nextTick, ref, shallowReactive, useTemplateRef, watch } from 'vue'
import { api, type PageView } from '@/api/client'
import { PIXEL } from '@/paper/geometry'
import PaperPage from '@/paper/PaperPage.vue'
import { oneAFrame } from '@/paper/oneAFrame'
import { words } from '@/words'

/** All pages of a run, small and side by side: what lies where is seen at a glance, and a page is opened by a click. */
const props = defineProps<{ run: string; pages: number; number: number; like?: PageView }>()
const emit = defineEmits<{ open: [number: number] }>()

/** Width of a small page and the room around it, in pixels. */
const WIDTH = 150
const GAP = 18
const CAPTION = 22
const KEPT = 80
const MOST_ASKED = 3

const text = words.run
const scroller = useTemplateRef('scroller')
const { width, height } = useElementSize(scroller)
const loaded = shallowReactive(new Map<number, PageView>())
const asking = new Set<number>()
const turn = oneAFrame()
const top = ref(0)

const zoom = computed(() => WIDTH / ((props.like?.width ?? 59_500) * PIXEL))
const tall = computed(() => (props.like?.height ?? 84_200) * PIXEL * zoom.value)
const rowHeight = computed(() => tall.value + CAPTION + GAP)
const perRow = computed(() => Math.max(1, Math.floor((width.value - GAP) / (WIDTH + GAP))))
const rows = computed(() => Math.ceil(props.pages / perRow.value))
const first = computed(() => Math.floor(top.value / rowHeight.value) * perRow.value + 1)
const last = computed(() =>
  Math.min(props.pages, Math.ceil((top.value + height.value) / rowHeight.value) * perRow.value),
)
const shown = computed(() =>
  Array.from({ length: Math.max(0, last.value - first.value + 1) }, (_, i) => {
    const number = first.value + i
    return {
      number,
      page: loaded.get(number),
      left: GAP + ((number - 1) % perRow.value) * (WIDTH + GAP),
      top: GAP + Math.floor((number - 1) / perRow.value) * rowHeight.value,
    }
  }),
)

/** What a page begins with: a group of the outermost levels. */
function begins(page: PageView | undefined): string {
  const outer = page?.nodes.find((node) => node.depth === 1)?.label
  const inner = page?.nodes.find((node) => node.depth === 2)?.label
  return [outer, inner].filter(Boolean).join(' › ')
}

/** Asks for pages in sight, few at a time: those scrolled past meanwhile are never asked for. */
function fill() {
  for (let i = first.value; i <= last.value && asking.size < MOST_ASKED; i++) {
    if (!loaded.has(i) && !asking.has(i)) {
      void load(i)
    }
  }
}

async function load(number: number) {
  const { run } = props
  asking.add(number)
  const page = await api.page(run, number).catch(() => undefined)
  await turn()
  asking.delete(number)
  if (page && run === props.run) {
    loaded.set(number, page)
    for (const key of loaded.keys()) {
      if (loaded.size > KEPT && (key < first.value || key > last.value)) {
        loaded.delete(key)
      }
    }
    fill()
  }
}

watch([first, last], fill)
watch(
  () => props.run,
  () => {
    loaded.clear()
    fill()
  },
)
watch(
  perRow,
  async (now, before) => {
    if (before === undefined || now !== before) {
      await nextTick()
      scroller.value?.scrollTo({ top: Math.floor((props.number - 1) / now) * rowHeight.value - GAP })
    }
  },
  { immediate: true },
)

/** Arrows go from page to page, as they stand: the focus is there before the next key, however late the page is drawn. */
async function onKey(event: KeyboardEvent, number: number) {
  const step = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: perRow.value, ArrowUp: -perRow.value }[event.key]
  const wanted = number + (step ?? 0)
  if (!step || wanted < 1 || wanted > props.pages) {
    return
  }
  event.preventDefault()
  event.stopPropagation()
  const view = scroller.value!
  const row = Math.floor((wanted - 1) / perRow.value) * rowHeight.value
  if (row < top.value || row + rowHeight.value > top.value + height.value) {
    view.scrollTo({ top: row - (step > 0 ? height.value - rowHeight.value - GAP : 0) })
    // Whoever waits to be told of it waits for a frame.
    top.value = view.scrollTop
    await nextTick()
  }
  view.querySelector<HTMLElement>(`[data-page='${wanted}']`)?.focus({ preventScroll: true })
}

defineExpose({ scroller })
</script>

<template>
  <div
    ref="scroller"
    class="overview"
    role="region"
    tabindex="-1"
    :aria-label="text.overview"
    @scroll="top = ($event.target as HTMLElement).scrollTop"
  >
    <div :style="{ height: `${rows * rowHeight + GAP}px` }" class="all">
      <button
        v-for="one in shown"
        :key="one.number"
        type="button"
        class="small"
        :class="{ here: one.number === number }"
        :data-page="one.number"
        :style="{ left: `${one.left}px`, top: `${one.top}px`, width: `${WIDTH}px` }"
        :aria-label="text.openPage(one.number, begins(one.page))"
        :aria-current="one.number === number ? 'page' : undefined"
        @click="emit('open', one.number)"
        @keydown="onKey($event, one.number)"
      >
        <span class="sheet" :style="{ height: `${tall}px` }" aria-hidden="true" inert>
          <PaperPage v-if="one.page" :page="one.page" :zoom="zoom" continuous class="page" />
        </span>
        <span class="caption">{{ one.number }} {{ begins(one.page) }}</span>
      </button>
    </div>
  </div>
</template>

<style scoped>
.overview {
  flex: 1;
  min-height: 0;
  overflow: auto;
}
.all {
  position: relative;
}
.small {
  position: absolute;
  padding: 0;
  border: 0;
  background: none;
  font: inherit;
  color: var(--ink);
  cursor: pointer;
}
.sheet {
  display: block;
  overflow: hidden;
  background: var(--paper);
  box-shadow: var(--paper-shadow);
  pointer-events: none;
}
/* Braces are too small to be read here. */
.sheet :deep(svg) {
  display: none;
}
.sheet :deep(.sheet) {
  margin: 0;
}
.small.here .sheet {
  outline: 2px solid var(--accent);
}
.caption {
  display: block;
  padding-top: 3px;
  font-size: 0.85rem;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
</style>
