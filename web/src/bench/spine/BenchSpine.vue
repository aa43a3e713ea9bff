<script setup lang="ts">
import Button from 'primevue/button'
import ToggleSwitch from 'primevue/toggleswitch'
import { computed } from 'vue'
import SpineCount from './SpineCount.vue'
import SpineSection, { type SpineItem } from './SpineSection.vue'
import SpineData from './SpineData.vue'
import type { Addable } from '../edits/blocks'
import { columnLabel, figureLabel } from '../edits/fieldNames'
import { filterTree, hasParts, isOwn } from '../edits/filters'
import { block, partsOf } from '../edits/report'
import FieldButton from '../FieldButton.vue'
import { filterInWords } from '../filterInWords'
import type { Part, PartKind } from '../parts'
import { perRow } from '../edits/perRow'
import AddBlock from './AddBlock.vue'
import AddPrompt from './AddPrompt.vue'
import WhyNotHere from '@/explain/WhyNotHere.vue'
import type { FoundField } from '../findFields'
import type { DatasetView, FieldView, Paragraph, PreviewView, Report } from '@/api/client'
import type { Prompt } from '@/api/definition'
import { isTable } from '@/api/documents'
import { words } from '@/words'

const props = defineProps<{
  report: Report
  /** The report with its blocks in reading order. */
  whole: Report
  /** The dataset of the block that is worked on. */
  dataset: DatasetView
  /** The report's own. */
  main: DatasetView
  preview?: PreviewView
  selection: Part[]
}>()
const emit = defineEmits<{
  select: [part: Part, event?: MouseEvent | KeyboardEvent]
  remove: [part: Part]
  toggle: [part: Part]
  move: [part: Part, before: number]
  addColumn: [field: FieldView]
  addLevel: [field: FoundField]
  addFilter: [field: FieldView]
  makeFilter: [kind: 'expression' | 'any' | 'top' | 'has']
  addPrompt: [field: FieldView]
  makePrompt: [type: Prompt['type']]
  addHighlight: [field?: FieldView]
  rows: [shown: boolean]
  addBlock: [kind: Addable]
  pasteBlock: []
  addFigure: [field: FieldView]
  addParagraph: [kind: Paragraph['kind']]
  removeBlock: [id: string]
  toggleBlock: [id: string]
  moveBlock: [id: string, before: number]
}>()

const text = words.bench.spine
const filterWords = words.bench.filters
/** Filters that begin without a field. */
const MADE = [
  ['any', filterWords.several],
  ['top', filterWords.top],
  ['has', filterWords.has],
] as const
const worked = computed(() => block(props.report))
const parts = computed(() => partsOf(worked.value))
const run = computed(() => props.preview?.run)
const grainNoun = computed(
  () => props.dataset.tables.find((table) => table.id === props.dataset.counts.at(-1))?.noun ?? 'rows',
)

function isSelected(kind: PartKind, id = ''): boolean {
  return props.selection.some((part) => part.kind === kind && part.id === id)
}

function counted(list: { id: string; count: number }[] | undefined, id: string): number | undefined {
  return list?.find((entry) => entry.id === id)?.count
}

/** What the block that is worked on keeps. */
const counts = computed(() => props.preview?.blocks.find((one) => one.id === worked.value.id))
const keptInWords = computed(() => {
  const kept = run.value?.rowsKept ?? 0
  const here = counts.value?.rows
  return here === undefined || here === kept
    ? text.kept(kept)
    : `${text.kept(kept)} · ${text.blockKept(here)}`
})

const blocks = computed<SpineItem[]>(() =>
  props.whole.blocks.map((one, i) => ({
    id: one.id,
    label: one.title || text.unnamed(one.kind, i + 1),
    off: one.off,
    selected: one.id === worked.value.id,
    fixed: props.whole.blocks.length === 1,
  })),
)
/** The fields by which rows are told, those that tell them apart first. */
const tellers = computed(() => {
  const fields = props.dataset.fields.filter(perRow)
  const tells = (field: FieldView) => (field.role === 'IDENTIFIER' ? 0 : 1)
  return fields.sort((a, b) => tells(a) - tells(b))
})
const prompts = computed<SpineItem[]>(() =>
  props.report.prompts.map((prompt) => ({
    id: prompt.id,
    label: prompt.label,
    detail: props.preview?.prompts.find((p) => p.name === prompt.name)?.answer.words,
    selected: isSelected('prompt', prompt.id),
  })),
)
const filters = computed<SpineItem[]>(() => {
  const tree = filterTree(props.report)
  const added = new Set(
    tree.flatMap(({ filter }) => (filter.kind === 'any' ? (filter.filters ?? []) : [])).map(({ id }) => id),
  )
  return tree.map(({ filter, depth }) => {
    const kept = props.preview?.filters.find((one) => one.id === filter.id)?.kept
    const own = isOwn(props.report, filter.id)
    const keeps =
      kept === undefined
        ? undefined
        : added.has(filter.id)
          ? words.bench.filters.added(kept)
          : own
            ? text.blockKept(kept)
            : text.kept(kept)
    return {
      id: filter.id,
      label: hasParts(filter)
        ? words.bench.filters.kinds[filter.kind as 'all']
        : filterInWords(filter, props.report, own ? props.dataset : props.main),
      detail:
        depth === 0 && (own || filter.blocks) ? [text.ofBlock, keeps].filter(Boolean).join(' · ') : keeps,
      depth,
      off: filter.off,
      selected: isSelected('filter', filter.id),
    }
  })
})
const levels = computed<SpineItem[]>(() =>
  parts.value.levels.map((level) => ({
    id: level.id,
    label: level.name,
    detail: props.preview?.orders.find((order) => order.id === level.id)?.words,
    off: level.off,
    selected: isSelected('level', level.id),
  })),
)
const columns = computed<SpineItem[]>(() =>
  parts.value.columns.map((column) => ({
    id: column.id,
    label: columnLabel(props.report, column, props.dataset) || column.value || column.id,
    off: column.off,
    selected: isSelected('column', column.id),
  })),
)
const figures = computed<SpineItem[]>(() =>
  parts.value.figures.map((figure) => ({
    id: figure.id,
    label: figureLabel(props.report, figure, props.dataset),
    off: figure.off,
    selected: isSelected('figure', figure.id),
  })),
)
const paragraphs = computed<SpineItem[]>(() =>
  parts.value.paragraphs.map((paragraph) => ({
    id: paragraph.id,
    label: paragraph.text || words.bench.paragraphs.kinds[paragraph.kind],
    selected: isSelected('paragraph', paragraph.id),
  })),
)
const highlights = computed<SpineItem[]>(() =>
  parts.value.highlights.map((highlight) => {
    const marked = counted(props.preview?.marked, highlight.id)
    return {
      id: highlight.id,
      label: highlight.label,
      detail: marked === undefined ? undefined : text.marked(marked),
      off: highlight.off,
      selected: isSelected('highlight', highlight.id),
    }
  }),
)
/** What rows are ordered by, keys that no column shows among it. */
const rowOrder = computed(() =>
  parts.value.rows.order
    .map(({ by, direction }) => {
      const column = parts.value.columns.find((c) => c.value === by)
      const label = column?.label || props.dataset.fields.find((f) => f.offers.value === by)?.label || by
      return `${label} ${direction === 'descending' ? '▼' : '▲'}`
    })
    .join(', '),
)
/** The sections whose parts are all handled alike. */
const of = (kind: PartKind) => ({
  onSelect: (id: string, event: MouseEvent | KeyboardEvent) => emit('select', { kind, id }, event),
  onRemove: (id: string) => emit('remove', { kind, id }),
  onToggle: (id: string) => emit('toggle', { kind, id }),
  onMove: (id: string, before: number) => emit('move', { kind, id }, before),
})
</script>

<template>
  <nav class="spine" :aria-label="text.label">
    <SpineData
      :dataset="dataset"
      :open="isTable(worked) && parts.columns.length === 0"
      @column="(field) => emit('addColumn', field)"
      @level="(field) => emit('addLevel', field)"
    />
    <SpineSection
      :title="text.blocks"
      :items="blocks"
      @select="(id, event) => emit('select', { kind: 'block', id }, event)"
      @remove="(id) => emit('removeBlock', id)"
      @toggle="(id) => emit('toggleBlock', id)"
      @move="(id, before) => emit('moveBlock', id, before)"
    >
      <template #add>
        <AddBlock :block="worked" @add="(kind) => emit('addBlock', kind)" @paste="emit('pasteBlock')" />
      </template>
    </SpineSection>
    <SpineCount :text="run && text.rowsRead(counts?.read ?? run.rowsRead, grainNoun)" />

    <SpineSection :title="text.prompts" :items="prompts" :empty="text.noPrompts" v-bind="of('prompt')">
      <template #add>
        <AddPrompt
          :dataset="main"
          @field="(field) => emit('addPrompt', field)"
          @make="(type) => emit('makePrompt', type)"
        />
      </template>
    </SpineSection>
    <SpineSection :title="text.filters" :items="filters" :empty="text.noFilters" v-bind="of('filter')">
      <template #add>
        <FieldButton
          v-slot="{ hide }"
          :dataset="dataset"
          :name="text.add(text.filters)"
          :accept="perRow"
          @pick="(field) => emit('addFilter', field)"
        >
          <Button
            :label="text.typed"
            icon="pi pi-code"
            text
            size="small"
            @click="(hide(), emit('makeFilter', 'expression'))"
          />
          <Button
            v-for="[kind, label] in MADE"
            :key="kind"
            :label="label"
            text
            size="small"
            @click="(hide(), emit('makeFilter', kind))"
          />
        </FieldButton>
      </template>
    </SpineSection>
    <SpineCount :text="run && keptInWords" />
    <WhyNotHere
      v-if="run && filters.length"
      :run="run.id"
      :block="worked.id"
      :fields="tellers"
      leads
      @select="(id) => emit('select', { kind: 'filter', id })"
    />

    <template v-if="isTable(worked)">
      <SpineSection :title="text.groups" :items="levels" :empty="text.noGroups" level v-bind="of('level')">
        <template #add>
          <FieldButton
            :dataset="dataset"
            :name="text.add(text.groups)"
            :accept="perRow"
            with-spans
            @pick="(field) => emit('addLevel', field)"
          />
        </template>
        <button
          v-if="parts.rows.shown && parts.columns.length"
          type="button"
          class="ordered"
          :aria-pressed="isSelected('rows')"
          @click="emit('select', { kind: 'rows', id: '' })"
        >
          <span>{{ text.rowsItem }}</span>
          <small>{{ rowOrder || text.rowsByKey }}</small>
        </button>
        <label v-if="parts.levels.length" class="rows">
          <ToggleSwitch
            :model-value="parts.rows.shown"
            :aria-label="text.rows"
            @update:model-value="(shown: boolean) => emit('rows', shown)"
          />
          <button type="button" @click="emit('select', { kind: 'rows', id: '' })">{{ text.rows }}</button>
        </label>
      </SpineSection>
      <SpineCount :text="run && text.groupCount(counts?.groups ?? run.groups)" />

      <SpineSection :title="text.columns" :items="columns" :empty="text.noColumns" v-bind="of('column')">
        <template #add>
          <FieldButton
            :dataset="dataset"
            :name="text.add(text.columns)"
            @pick="(field) => emit('addColumn', field)"
          />
        </template>
      </SpineSection>
      <SpineSection
        :title="text.totals"
        :items="[
          {
            id: '',
            label: parts.totals.length ? text.grid : text.noTotals,
            fixed: true,
            selected: isSelected('totals'),
          },
        ]"
        @select="emit('select', { kind: 'totals', id: '' })"
      />
    </template>
    <SpineSection
      v-else-if="worked.kind === 'figures'"
      :title="text.figures"
      :items="figures"
      :empty="text.noFigures"
      v-bind="of('figure')"
    >
      <template #add>
        <FieldButton
          :dataset="dataset"
          :name="words.bench.sentence.addFigure"
          @pick="(field) => emit('addFigure', field)"
        />
      </template>
    </SpineSection>
    <SpineSection
      v-else
      :title="text.paragraphs"
      :items="paragraphs"
      :empty="text.noParagraphs"
      v-bind="of('paragraph')"
    >
      <Button
        v-for="(label, kind) in words.bench.paragraphs.add"
        :key="kind"
        :label="label"
        icon="pi pi-plus"
        text
        size="small"
        @click="emit('addParagraph', kind)"
      />
    </SpineSection>
    <SpineSection
      v-if="worked.kind !== 'text'"
      :title="text.highlights"
      :items="highlights"
      :empty="isTable(worked) ? text.noHighlights : text.noFigureMarks"
      v-bind="of('highlight')"
    >
      <template #add>
        <Button
          icon="pi pi-plus"
          :aria-label="text.add(text.highlights)"
          :title="text.add(text.highlights)"
          text
          size="small"
          @click="emit('addHighlight')"
        />
      </template>
    </SpineSection>
    <SpineSection
      :title="text.page"
      :items="[{ id: '', label: text.settings, fixed: true, selected: isSelected('page') }]"
      @select="emit('select', { kind: 'page', id: '' })"
    />
    <SpineCount :text="run && text.pageCount(run.pages)" />
    <section>
      <h2>{{ text.checks }}</h2>
      <slot name="checks" />
    </section>
  </nav>
</template>

<style scoped>
.spine {
  padding: 0.6rem 0.5rem 1.5rem 0.8rem;
  overflow-y: auto;
  min-height: 0;
}
.rows {
  display: flex;
  align-items: center;
  gap: 0.5rem;
  padding: 0.2rem 0.35rem;
}
.ordered {
  display: flex;
  justify-content: space-between;
  gap: 0.4rem;
  width: 100%;
  min-height: 24px;
  border: 0;
  border-radius: 3px;
  background: none;
  font: inherit;
  color: inherit;
  padding: 0.2rem 0.35rem;
  text-align: left;
  cursor: pointer;
}
.ordered[aria-pressed='true'] {
  background: var(--accent-soft);
}
.ordered small {
  color: var(--quiet);
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.rows button {
  border: 0;
  background: none;
  font: inherit;
  color: inherit;
  padding: 0;
  cursor: pointer;
}
h2 {
  font-size: 1rem;
  margin: 0.3rem 0;
}
</style>
