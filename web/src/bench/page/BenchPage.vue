<script setup lang="ts">
import { computed, useTemplateRef } from 'vue'
import BenchOverlay from './BenchOverlay.vue'
import BlockFrame from './BlockFrame.vue'
import EdgeLines from './EdgeLines.vue'
import type { BlockPlace } from '../edits/arrangement'
import { withMovedText, type EdgePart } from '../edits/layout'
import InPlaceText from './InPlaceText.vue'
import type { Part } from '../parts'
import type { useBenchEdits } from '../useBenchEdits'
import { isTable } from '@/api/documents'
import type { useBenchGestures } from './useBenchGestures'
import type { useInPlace } from './useInPlace'
import { api, type PageView, type PreviewView, type Report } from '@/api/client'
import PaperPage from '@/paper/PaperPage.vue'
import { words } from '@/words'

/** The page that is made, with its parts to select, drag and edit where they stand. */
const props = defineProps<{
  report: Report
  page?: PageView
  zoom: number
  stale: boolean
  took: number
  asked: number
  preview?: PreviewView
  selection: Part[]
  chosen: string[]
  hands: ReturnType<typeof useBenchGestures>
  edits: ReturnType<typeof useBenchEdits>
  inPlace: ReturnType<typeof useInPlace>
}>()
const emit = defineEmits<{
  text: [name: string, change: (report: Report) => Report]
  place: [id: string, place: BlockPlace]
  share: [id: string, percent: number]
}>()

const text = words.bench
const desk = useTemplateRef('desk')
const isEmpty = computed(() => props.report.blocks.every((one) => isTable(one) && one.columns.length === 0))
const editing = computed(() => props.inPlace.editing.value)

const uncounted = (figure: string, rows: number[]) => api.uncounted(props.preview!.run!.id, figure, rows)

function keepText(value: string) {
  const edit = editing.value
  if (edit) {
    emit('text', edit.name, (r) => edit.change(r, value))
  }
}

function leaveText() {
  props.inPlace.end()
  desk.value?.focus()
}

const beginColumn = (id: string) =>
  props.inPlace.begin(props.report, props.page!, props.zoom, { kind: 'column', id })

const movedName = (from: EdgePart, to: EdgePart) =>
  words.layout.page.moved(words.layout.page[from], words.layout.page[to])

defineExpose({ desk })
</script>

<template>
  <div
    ref="desk"
    class="desk"
    :class="{ stale }"
    tabindex="0"
    role="region"
    :aria-label="words.run.pages"
    :data-took="Math.round(took)"
    :data-asked="asked"
    :data-edit="preview?.edit"
    :data-run="preview?.run?.id"
  >
    <PaperPage
      v-if="page"
      :page="page"
      :zoom="zoom"
      :uncounted="uncounted"
      :chosen="chosen"
      :explained="hands.why.value"
      @pick="hands.onPick"
      @open="hands.onOpen"
      @menu="hands.onMenu"
      @brace="(node) => hands.select({ kind: 'level', id: page!.nodes[node]!.level })"
    >
      <template #default="{ bands, scale }">
        <BenchOverlay
          :report="report"
          :page="page"
          :bands="bands"
          :scale="scale"
          :selection="selection"
          :orders="preview?.columnOrders ?? []"
          @pick="(column, event) => hands.select({ kind: 'column', id: column }, event)"
          @edit="beginColumn"
          @menu="hands.onColumnMenu"
          @move="edits.moveColumnTo"
          @level="edits.levelFrom"
          @width="(column, points) => (hands.workAt(column), edits.setWidth(column, points))"
          @fit="(column) => (hands.workAt(column), edits.fit(column))"
          @order="(column) => edits.order(column)"
        />
        <BlockFrame
          :report="report"
          :page="page"
          :bands="bands"
          :scale="scale"
          @place="(id, place) => emit('place', id, place)"
          @share="(id, percent) => emit('share', id, percent)"
        />
        <EdgeLines
          :report="report"
          :page="page"
          :bands="bands"
          :scale="scale"
          @move="
            (edge, from, to) => emit('text', movedName(from, to), (r) => withMovedText(r, edge, from, to))
          "
          @pick="hands.select({ kind: 'page', id: '' })"
        />
        <InPlaceText
          v-if="editing"
          :key="editing.label + editing.place.left"
          :text="editing.text"
          :label="editing.label"
          :place="editing.place"
          @keep="keepText"
          @leave="leaveText"
        />
        <div v-if="isEmpty" class="empty">
          <strong>{{ text.empty }}</strong>
          <p>{{ text.emptyHint }}</p>
        </div>
      </template>
    </PaperPage>
  </div>
</template>

<style scoped>
.desk {
  flex: 1;
  min-height: 0;
  overflow: auto;
  padding: 1rem 0.75rem 2rem 0.25rem;
}
.desk.stale {
  opacity: 0.55;
}
.empty {
  position: absolute;
  left: 12%;
  right: 12%;
  top: 22%;
  text-align: center;
  color: #4c565e;
}
</style>
