<script setup lang="ts">
import Select from 'primevue/select'
import { computed } from 'vue'
import { columnLabel, figureLabel } from './edits/fieldNames'
import { block, parts } from './edits/report'
import FieldButton from './FieldButton.vue'
import { perRow } from './edits/perRow'
import type { FoundField } from './findFields'
import type { DatasetView, FieldView, Level, Report } from '@/api/client'
import { isTable } from '@/api/documents'
import { words } from '@/words'

const props = defineProps<{
  report: Report
  /** The dataset of the block that is worked on. */
  dataset: DatasetView
  /** The report's own. */
  main: DatasetView
}>()
const emit = defineEmits<{
  addColumn: [field: FieldView]
  removeColumn: [id: string]
  addLevel: [field: FoundField]
  removeLevel: [id: string]
  addFigure: [field: FieldView]
  removeFigure: [id: string]
  period: [answer: string]
}>()

const text = words.bench.sentence
/** Columns that say what is shown; the one that names the groups is not among them. */
const shown = computed(() => {
  const { columns, levels } = parts(props.report)
  const labels = levels.map((level) => level.label ?? level.key)
  return columns.filter((column) => !column.off && !(column.value && labels.includes(column.value)))
})
const kind = computed(() => {
  const worked = block(props.report)
  return isTable(worked) ? 'table' : worked.kind
})
const figures = computed(() => parts(props.report).figures.filter((figure) => !figure.off))
const said = computed(() => parts(props.report).paragraphs.find((paragraph) => paragraph.text)?.text ?? '…')
const levels = computed(() => parts(props.report).levels.filter((level) => !level.off))
/** What a level is called; of a date, by which of its spans it groups. */
function levelInWords(level: Level): string {
  const field = props.dataset.fields.find((one) => one.offers.value === level.key)
  const bucket = level.bucket && words.bench.inspector.buckets[level.bucket]
  return bucket && field?.label === level.name ? text.spanOf(bucket, level.name) : level.name
}
const summary = computed(() => {
  const names = shown.value.map(
    (column) => columnLabel(props.report, column, props.dataset) || column.value || column.id,
  )
  return names.length > 3 ? [...names.slice(0, 3), `+${names.length - 3}`] : names
})
const periods = Object.entries(words.periods).map(([value, label]) => ({ value, label }))
const period = computed(() => {
  const prompt = props.report.prompts.find((p) => p.type === 'period')
  const answer = prompt?.default ?? 'all'
  return answer
})
const options = computed(() =>
  periods.some((p) => p.value === period.value)
    ? periods
    : [...periods, { value: period.value, label: period.value }],
)
</script>

<template>
  <div class="sentence" data-skip="sentence" role="group" :aria-label="text.label">
    <span>{{ kind === 'text' ? text.say : text.show }}</span>
    <template v-if="kind === 'figures'">
      <span v-for="figure in figures" :key="figure.id" class="word">
        <span class="name" :title="figure.value">{{ figureLabel(report, figure, dataset) }}</span>
        <button
          type="button"
          :aria-label="text.remove(figureLabel(report, figure, dataset))"
          @click="emit('removeFigure', figure.id)"
        >
          ×
        </button>
      </span>
      <FieldButton
        :dataset="dataset"
        :label="figures.length ? undefined : text.firstFigure"
        :name="text.addFigure"
        @pick="(field) => emit('addFigure', field)"
      />
      <span>{{ text.asFigures }}</span>
    </template>
    <span v-else-if="kind === 'text'" class="said">{{ said }}</span>
    <template v-else>
      <template v-for="(column, i) in shown.slice(0, summary.length > 3 ? 3 : undefined)" :key="column.id">
        <span class="word">
          <span class="name" :title="summary[i]">{{ summary[i] }}</span>
          <button
            type="button"
            :aria-label="text.remove(columnLabel(report, column, dataset))"
            @click="emit('removeColumn', column.id)"
          >
            ×
          </button>
        </span>
      </template>
      <span v-if="shown.length > 3" class="more">+{{ shown.length - 3 }}</span>
      <FieldButton
        :dataset="dataset"
        :label="shown.length ? undefined : text.nothing"
        :name="text.addMeasure"
        @pick="(field) => emit('addColumn', field)"
      />
      <template v-for="(level, i) in levels" :key="level.id">
        <span>{{ i === 0 ? text.by : text.then }}</span>
        <span class="word" :style="{ '--level': `var(--level-${Math.min(i + 1, 4)})` }">
          <span class="name" :title="levelInWords(level)">{{ levelInWords(level) }}</span>
          <button type="button" :aria-label="text.remove(level.name)" @click="emit('removeLevel', level.id)">
            ×
          </button>
        </span>
      </template>
      <span v-if="levels.length === 0">{{ text.by }}</span>
      <FieldButton
        :dataset="dataset"
        :label="levels.length ? undefined : text.level"
        :name="text.addLevel"
        :accept="perRow"
        with-spans
        @pick="(field) => emit('addLevel', field)"
      />
    </template>
    <template v-if="main.dateField">
      <span>{{ text.for }}</span>
      <Select
        :model-value="period"
        :options="options"
        option-label="label"
        option-value="value"
        size="small"
        scroll-height="20rem"
        :aria-label="text.for"
        @update:model-value="(answer: string) => emit('period', answer)"
      />
    </template>
  </div>
</template>

<style scoped>
.sentence {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.25rem 0.4rem;
  padding: 0.35rem 1rem;
  background: var(--panel);
  border-bottom: 1px solid var(--line);
}
.word {
  display: inline-flex;
  align-items: center;
  max-width: 12rem;
  white-space: nowrap;
}
.name {
  overflow: hidden;
  text-overflow: ellipsis;
  color: var(--level, var(--accent));
  text-decoration: underline 2px;
  text-underline-offset: 0.25em;
  padding-bottom: 0.2em;
}
.word button {
  flex: none;
  border: 0;
  background: none;
  color: var(--quiet);
  font: inherit;
  cursor: pointer;
  width: 24px;
  height: 24px;
}
.said {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  max-width: 24rem;
  color: var(--quiet);
}
.more {
  color: var(--quiet);
}
</style>
