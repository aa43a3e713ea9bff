<script setup lang="ts">
import { computed, useTemplateRef } from 'vue'
import ContinuousList from './ContinuousList.vue'
import PagesOverview from './PagesOverview.vue'
import type { Shape } from './shape'
import type { useReaderGestures } from './useReaderGestures'
import { api, type PageView, type RunView } from '@/api/client'
import WhyPanel from '@/explain/WhyPanel.vue'
import ColumnEdges from '@/paper/ColumnEdges.vue'
import PaperPage from '@/paper/PaperPage.vue'
import { words } from '@/words'

/** A run as it is read: page by page or as one list, and what is being explained beside it. */
const props = defineProps<{
  run?: RunView
  /** The run whose page is on the screen. */
  shownRun?: string
  shape: Shape
  page?: PageView
  /** The page beside it, where two are looked at. */
  beside?: PageView
  printed: boolean
  running: boolean
  zoom: number
  chosen: string[]
  narrow: boolean
  hands: ReturnType<typeof useReaderGestures>
}>()

const emit = defineEmits<{ open: [number: number] }>()

const text = words.run
const sheets = computed(() => [props.page, props.beside].filter((one) => one !== undefined))
const views = useTemplateRef('views')
const desk = useTemplateRef('desk')
const list = useTemplateRef('list')

const uncounted = (figure: string, rows: number[]) => api.uncounted(props.run!.id, figure, rows)

// What the hands hold belongs to the screen; here it is only let go.
const gestures = props.hands
const closeWhy = () => (gestures.why.value = undefined)
const showRows = (group: string) => (gestures.rowsOf.value = group)

defineExpose({
  toTop: () => desk.value?.scrollTo({ top: 0 }),
  goTo: (strip: number) => list.value?.goTo(strip),
  room: () => (desk.value ?? views.value)?.clientWidth,
  height: () => (desk.value ?? views.value)?.clientHeight,
  scroller: () => (props.shape === 'list' ? list.value?.scroller : desk.value),
})
</script>

<template>
  <div ref="views" class="views" :data-run="shownRun">
    <div
      v-if="shape === 'pages'"
      ref="desk"
      class="desk"
      :class="{ stale: running, spread: sheets.length > 1 }"
      tabindex="0"
      role="region"
      :aria-label="text.pages"
    >
      <PaperPage
        v-for="sheet in sheets"
        :key="sheet.number"
        :page="sheet"
        :zoom="zoom"
        :uncounted="uncounted"
        :chosen="chosen"
        :explained="hands.why.value"
        @pick="(hit, event) => hands.onPick(sheet, hit, event)"
        @open="(hit) => hands.onOpen(sheet, hit)"
        @menu="(hit, event) => hands.onMenu(sheet, hit, event)"
        @brace="(node, event) => hands.offerGroup(sheet.nodes[node]!.address, event)"
      >
        <template #default="{ bands, scale }">
          <ColumnEdges
            :page="sheet"
            :bands="bands"
            :scale="scale"
            :hint="() => text.column.width"
            @width="hands.setWidth"
            @fit="(column) => hands.setWidth(column, 'fit')"
          />
        </template>
      </PaperPage>
    </div>
    <ContinuousList
      v-else-if="run && printed && shape === 'list'"
      ref="list"
      :run="run.id"
      :zoom="zoom"
      :uncounted="uncounted"
      :chosen="chosen"
      :explained="hands.why.value"
      :narrow="narrow"
      @pick="hands.onPick"
      @open="hands.onOpen"
      @menu="hands.onMenu"
      @brace="(sheet, node, event) => hands.offerGroup(sheet.nodes[node]!.address, event)"
      @width="hands.setWidth"
      @fit="(column) => hands.setWidth(column, 'fit')"
    />
    <PagesOverview
      v-else-if="run && printed"
      :run="run.id"
      :pages="run.pages"
      :number="page?.number ?? 1"
      :like="page"
      @open="(number) => emit('open', number)"
    />
    <aside v-if="hands.why.value && run" class="explanation" :aria-label="words.bench.inspector.whyHint">
      <WhyPanel
        :run="run.id"
        :group="hands.why.value.group"
        :figure="hands.why.value.figure"
        @rows="showRows"
        @close="closeWhy"
      />
    </aside>
  </div>
</template>

<style scoped>
.views {
  flex: 1;
  min-height: 0;
  display: flex;
  position: relative;
}
.explanation {
  width: 290px;
  flex: none;
  overflow-y: auto;
  padding: 0.8rem 1rem;
  background: var(--panel);
  border-left: 1px solid var(--line);
}
.desk {
  flex: 1;
  min-height: 0;
  overflow: auto;
  padding: 1rem 1.5rem 2rem 0.5rem;
}
.desk.spread {
  display: flex;
  align-items: flex-start;
  justify-content: center;
}
.desk.spread > :deep(.sheet) {
  margin: 0;
}
.desk.stale {
  opacity: 0.5;
}
@media (max-width: 700px) {
  .explanation {
    position: absolute;
    inset: auto 0 0 0;
    width: auto;
    max-height: 60%;
    z-index: 4;
    border-left: 0;
    border-top: 1px solid var(--line);
  }
}
</style>
