<script setup lang="ts">
import { computed, nextTick, ref, shallowReactive, shallowRef, useTemplateRef, watch } from 'vue'
import { api, type PageView, type StripsView } from '@/api/client'
import type { Hit } from '@/paper/hit'
import ColumnEdges from '@/paper/ColumnEdges.vue'
import { PIXEL, rulesOf } from '@/paper/geometry'
import { oneAFrame } from '@/paper/oneAFrame'
import PaperPage from '@/paper/PaperPage.vue'
import type { Uncounted } from '@/paper/useLight'
import { words } from '@/words'

const props = defineProps<{
  run: string
  zoom: number
  uncounted: Uncounted
  chosen: string[]
  explained?: { group: string; figure?: string }
  /** Whether there is little room: the first column stays in sight. */
  narrow?: boolean
}>()
const emit = defineEmits<{
  pick: [page: PageView, hit: Hit, event: MouseEvent]
  open: [page: PageView, hit: Hit]
  menu: [page: PageView, hit: Hit, event: MouseEvent]
  brace: [page: PageView, node: number, event: MouseEvent]
  width: [column: string, points: number]
  fit: [column: string]
}>()

/** Taller than this, browsers lose precision: the scroll position is then mapped to the list. */
const TALLEST_PIXELS = 8_000_000
const KEPT = 40
/** Room for each depth of braces, in pixels. */
const BRACE = 36
const MOST_ASKED = 3

const strips = shallowRef<StripsView>()
const loaded = shallowReactive(new Map<number, PageView>())
const asking = new Set<number>()
const turn = oneAFrame()
const first = ref(0)
const last = ref(0)
const scroller = useTemplateRef('scroller')

const scale = computed(() => PIXEL * props.zoom)
const starts = computed(() => {
  const found = [0]
  strips.value?.heights.forEach((height) => found.push(found.at(-1)! + height))
  return found
})
const whole = computed(() => starts.value.at(-1)! * scale.value)
const tall = computed(() => Math.min(whole.value, TALLEST_PIXELS))
/** Pixels of the list for each pixel that is scrolled. */
const ratio = computed(() => (whole.value > TALLEST_PIXELS ? whole.value / TALLEST_PIXELS : 1))
const offset = ref(0)
const aside = ref(0)
/** Room at the left edge of a narrow screen, in pixels. */
const EDGE = 8
/** Where print begins, the rule under the headings among it, in pixels from the left edge of the list. */
const printEdge = computed(
  () => BRACE * depths.value + ((strips.value && rulesOf(strips.value.headings)[0]?.x) ?? 0) * scale.value,
)
const held = computed(() => `${Math.max(0, aside.value - printEdge.value + EDGE)}px`)

/** On a narrow screen the list begins with its first column, past braces and margin. */
watch([strips, () => props.narrow], async () => {
  await nextTick()
  if (props.narrow && strips.value) {
    scroller.value?.scrollTo({ left: printEdge.value - EDGE })
  }
})

watch(
  () => props.run,
  async (run) => {
    loaded.clear()
    const found = await api.strips(run).catch(() => undefined)
    if (run === props.run) {
      strips.value = found
      scroller.value?.scrollTo({ top: 0 })
      onScroll()
    }
  },
  { immediate: true },
)
watch(() => props.zoom, onScroll)

function stripAt(y: number): number {
  let low = 0
  let high = starts.value.length - 2
  while (low < high) {
    const middle = (low + high + 1) >> 1
    if (starts.value[middle]! * scale.value <= y) {
      low = middle
    } else {
      high = middle - 1
    }
  }
  return Math.max(0, low)
}

function onScroll() {
  const view = scroller.value
  if (!view || !strips.value) {
    return
  }
  const top = view.scrollTop * ratio.value
  offset.value = view.scrollTop - top
  aside.value = view.scrollLeft
  first.value = stripAt(top)
  last.value = stripAt(top + view.clientHeight)
  fill()
}

/** Asks for strips that are in sight or come next, few at a time: those scrolled past meanwhile are never asked for. */
function fill() {
  const beyond = Math.min(last.value + 1, (strips.value?.heights.length ?? 0) - 1)
  for (let i = first.value; i <= beyond && asking.size < MOST_ASKED; i++) {
    if (!loaded.has(i) && !asking.has(i)) {
      void load(i)
    }
  }
}

async function load(index: number) {
  const run = props.run
  asking.add(index)
  const strip = await api.strip(run, index + 1).catch(() => undefined)
  await turn()
  asking.delete(index)
  if (strip && run === props.run) {
    loaded.set(index, strip)
    forgetFar()
  }
  // What failed is asked for again when somebody scrolls, not in a circle.
  if (strip || run !== props.run) {
    fill()
  }
}

function forgetFar() {
  for (const key of loaded.keys()) {
    if (loaded.size <= KEPT) {
      break
    }
    if (key < first.value || key > last.value + 1) {
      loaded.delete(key)
    }
  }
}

const shown = computed(() => {
  const found = []
  for (let i = first.value; i <= last.value; i++) {
    const page = loaded.get(i)
    if (page) {
      found.push({ index: i, page, top: starts.value[i]! * scale.value + offset.value })
    }
  }
  return found
})

/** Whether rows in sight are still on their way. */
const isBusy = computed(() => strips.value !== undefined && shown.value.length <= last.value - first.value)

/** Braces take room at the left of every strip, as much as the deepest on any needs. */
const depths = computed(() => Math.max(1, ...shown.value.flatMap((s) => s.page.nodes.map((n) => n.depth))))

function goTo(strip: number) {
  scroller.value?.scrollTo({ top: (starts.value[strip - 1]! * scale.value) / ratio.value })
}
defineExpose({ goTo, scroller })
</script>

<template>
  <div
    ref="scroller"
    class="list"
    data-drawn-in-sight
    :aria-busy="isBusy"
    :style="{ '--held': held }"
    tabindex="0"
    role="region"
    :aria-label="words.run.listView"
    @scroll="onScroll"
  >
    <div v-if="strips" class="sheet" :style="{ width: `${strips.width * scale + BRACE * depths}px` }">
      <div class="headings">
        <PaperPage
          :page="strips.headings"
          :zoom="zoom"
          :held="narrow"
          continuous
          @pick="(hit, event) => emit('pick', strips!.headings, hit, event)"
          @menu="(hit, event) => emit('menu', strips!.headings, hit, event)"
        >
          <template #default="{ bands, scale: pixels }">
            <ColumnEdges
              :page="strips.headings"
              :bands="bands"
              :scale="pixels"
              :hint="() => words.run.column.width"
              @width="(column, points) => emit('width', column, points)"
              @fit="(column) => emit('fit', column)"
            />
          </template>
        </PaperPage>
      </div>
      <div class="body" :style="{ height: `${tall}px` }">
        <div v-for="strip in shown" :key="strip.index" class="strip" :style="{ top: `${strip.top}px` }">
          <PaperPage
            :page="strip.page"
            :zoom="zoom"
            :uncounted="uncounted"
            :chosen="chosen"
            :explained="explained"
            :held="narrow"
            continuous
            @pick="(hit, event) => emit('pick', strip.page, hit, event)"
            @open="(hit) => emit('open', strip.page, hit)"
            @menu="(hit, event) => emit('menu', strip.page, hit, event)"
            @brace="(node, event) => emit('brace', strip.page, node, event)"
          />
        </div>
      </div>
    </div>
  </div>
</template>

<style scoped>
.list {
  flex: 1;
  min-height: 0;
  overflow: auto;
  padding: 0 0.5rem;
}
.sheet {
  margin: 0 auto;
}
.headings {
  position: sticky;
  top: 0;
  z-index: 1;
  background: var(--bench);
}
.body {
  position: relative;
}
/* A strip that comes or goes leaves the layout of the others alone. */
.strip {
  position: absolute;
  right: 0;
  contain: layout style;
}
.headings :deep(.sheet) {
  margin: 0 0 0 auto;
}
.strip :deep(.sheet) {
  margin: 0 0 0 auto;
}
</style>
