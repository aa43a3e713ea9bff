<script setup lang="ts">
import Button from 'primevue/button'
import { computed, provide } from 'vue'
import BlockInspector from './BlockInspector.vue'
import ColumnInspector from './ColumnInspector.vue'
import FigureInspector from './FigureInspector.vue'
import ParagraphInspector from './ParagraphInspector.vue'
import FilterInspector from './filter/FilterInspector.vue'
import HighlightInspector from './highlight/HighlightInspector.vue'
import LevelInspector from './LevelInspector.vue'
import OrderEditor from './OrderEditor.vue'
import PageInspector from './PageInspector.vue'
import ShownRows from './ShownRows.vue'
import PromptInspector from './prompt/PromptInspector.vue'
import ReportInspector from './ReportInspector.vue'
import ReportStyle from './ReportStyle.vue'
import TableLayout from './layout/TableLayout.vue'
import TotalInspector from './TotalInspector.vue'
import TotalsInspector from './TotalsInspector.vue'
import { EXPRESSION_NAMES, expressionNames } from './expressionNames'
import { limitRows } from '../edits/levels'
import { allFilters, isOwn } from '../edits/filters'
import { parts } from '../edits/report'
import { partAt, partName, same, type Part } from '../parts'
import type { DatasetView, PageView, PreviewView, ProblemView, Report } from '@/api/client'
import { words } from '@/words'

const props = defineProps<{
  report: Report
  /** The report with its blocks in reading order. */
  whole: Report
  dataset: DatasetView
  /** The report's own dataset. */
  main: DatasetView
  /** Those of all blocks. */
  datasets: DatasetView[]
  selection: Part[]
  page?: PageView
  preview?: PreviewView
  problems: ProblemView[]
  seen?: Report
}>()
const emit = defineEmits<{
  dropped: [filter: string]
  apply: [name: string, change: (report: Report) => Report, key?: string]
  whole: [name: string, change: (report: Report) => Report, key?: string]
  remove: []
}>()

const text = words.bench.inspector
provide(
  EXPRESSION_NAMES,
  computed(() => expressionNames(props.report, props.dataset)),
)
const part = computed(() => props.selection.at(-1))
const name = computed(() => (part.value ? partName(props.report, part.value) : undefined))
const title = computed(() => {
  if (props.selection.length > 1) {
    return text.columns(props.selection.length)
  }
  return part.value && name.value !== undefined ? text[part.value.kind] : text.label
})
const own = computed(() => parts(props.report))
const byId = <T extends { id: string }>(list: T[]) => list.find((item) => item.id === part.value?.id)
const removable = computed(
  () =>
    part.value &&
    name.value !== undefined &&
    !['report', 'block', 'page', 'rows', 'totals'].includes(part.value.kind),
)

/** What is wrong with a property of the report itself. */
const ofReport = (path: string) => props.problems.find((p) => p.pointer.startsWith(`/${path}`))?.message

/** What is wrong with a property of the selected part. */
function problem(path: string): string | undefined {
  const seen = props.seen
  const found = props.problems.find((p) => {
    const at = seen && partAt(seen, p.pointer)
    return (
      p.severity === 'ERROR' &&
      at !== undefined &&
      part.value !== undefined &&
      same(at, part.value) &&
      (path === '' ? /\d$/.test(p.pointer) : p.pointer.endsWith(`/${path}`))
    )
  })
  return found && (found.position ? `${found.position} ${found.message}` : found.message)
}

const on = {
  onApply: (name: string, change: (report: Report) => Report, key?: string) =>
    emit('apply', name, change, key),
}
</script>

<template>
  <section class="inspector" data-skip="panel" :aria-label="text.label">
    <h2>{{ title }}</h2>
    <p v-if="!part || name === undefined" class="quiet">{{ text.nothing }}</p>
    <div v-else :key="`${part.kind} ${part.id}`" class="fields">
      <ColumnInspector
        v-if="part.kind === 'column'"
        :report="report"
        :dataset="dataset"
        :column="byId(own.columns)!"
        :page="page"
        :problem="problem"
        v-bind="on"
      />
      <BlockInspector
        v-else-if="part.kind === 'block'"
        :report="whole"
        :block="byId(whole.blocks)!"
        :problem="problem"
        @apply="(name, change, key) => emit('whole', name, change, key)"
      />
      <LevelInspector
        v-else-if="part.kind === 'level'"
        :report="report"
        :dataset="dataset"
        :level="byId(own.levels)!"
        :order-in-words="preview?.orders.find((order) => order.id === part!.id)?.words"
        :problem="problem"
        v-bind="on"
      />
      <FilterInspector
        v-else-if="part.kind === 'filter'"
        :report="report"
        :dataset="isOwn(report, part.id) ? dataset : main"
        :datasets="datasets"
        :filter="byId(allFilters(report))!"
        :kept="preview?.filters.find((one) => one.id === part!.id)"
        :problem="problem"
        v-bind="on"
        @dropped="emit('dropped', part.id)"
      />
      <PromptInspector
        v-else-if="part.kind === 'prompt'"
        :report="report"
        :dataset="main"
        :prompt="byId(report.prompts)!"
        :problem="problem"
        v-bind="on"
      />
      <HighlightInspector
        v-else-if="part.kind === 'highlight'"
        :report="report"
        :highlight="byId(own.highlights)!"
        :dataset="dataset"
        :problem="problem"
        v-bind="on"
      />
      <TotalInspector
        v-else-if="part.kind === 'total'"
        :report="report"
        :total="byId(own.totals)!"
        :dataset="dataset"
        :problem="problem"
        v-bind="on"
      />
      <FigureInspector
        v-else-if="part.kind === 'figure'"
        :report="report"
        :figure="byId(own.figures)!"
        :dataset="dataset"
        :problem="problem"
        v-bind="on"
      />
      <ParagraphInspector
        v-else-if="part.kind === 'paragraph'"
        :paragraph="byId(own.paragraphs)!"
        :problem="problem"
        v-bind="on"
      />
      <TotalsInspector v-else-if="part.kind === 'totals'" :report="report" v-bind="on" />
      <template v-else-if="part.kind === 'page'">
        <ReportStyle :report="report" :problem="ofReport" v-bind="on" />
        <PageInspector :report="report" :problem="problem" v-bind="on" />
      </template>
      <template v-else-if="part.kind === 'rows'">
        <OrderEditor :report="report" :dataset="dataset" v-bind="on" />
        <TableLayout :report="report" :problem="problem" v-bind="on" />
        <ShownRows
          :rows="own.rows"
          @change="(limits) => on.onApply(words.bench.edits.rows, (r) => limitRows(r, limits))"
        />
      </template>
      <ReportInspector v-else :report="report" :dataset="main" v-bind="on" />
      <slot />
      <Button
        v-if="removable"
        :label="text.remove"
        icon="pi pi-trash"
        text
        size="small"
        severity="secondary"
        class="remove"
        @click="emit('remove')"
      />
    </div>
  </section>
</template>

<style scoped>
.inspector {
  padding: 0.7rem 0.9rem 2rem;
  overflow-y: auto;
  min-height: 0;
}
h2 {
  font-size: 1.1rem;
  margin: 0 0 0.6rem;
}
.fields {
  display: grid;
  gap: 0.65rem;
  align-content: start;
}
/* Choices are read whole: a long one goes on in a second line. */
.fields :deep(.p-select-label) {
  white-space: normal;
  overflow-wrap: anywhere;
}
.quiet {
  color: var(--quiet);
}
.remove {
  justify-self: start;
}
</style>
