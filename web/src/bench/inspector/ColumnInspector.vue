<script setup lang="ts">
import OneOf from '@/shell/OneOf.vue'
import InputNumber from 'primevue/inputnumber'
import { computed, ref } from 'vue'
import ExpressionField from './ExpressionField.vue'
import ColumnRoom from './layout/ColumnRoom.vue'
import ColumnScale from './layout/ColumnScale.vue'
import FieldNaming from './FieldNaming.vue'
import AppearsField from './AppearsField.vue'
import InspectorField from './InspectorField.vue'
import ReadyMarks from './highlight/ReadyMarks.vue'
import TextInput from './TextInput.vue'
import { changeColumn } from '../edits/columns'
import { columnLabel, fieldOfColumn } from '../edits/fieldNames'
import { block, parts } from '../edits/report'
import { useAskEdit } from '../namedEdits'
import type { Column, DatasetView, PageView, Report } from '@/api/client'
import { bandsOf } from '@/paper/geometry'
import { LEAST_POINTS, MOST_POINTS } from '@/paper/columnWidth'
import { words } from '@/words'

const props = defineProps<{
  report: Report
  dataset: DatasetView
  column: Column
  page?: PageView
  problem: (path: string) => string | undefined
}>()
const emit = defineEmits<{ apply: [name: string, change: (report: Report) => Report, key?: string] }>()

/** Stands for no level. */
const EVERY_ROW = '*'

const text = words.bench.inspector
const aligns = Object.entries(text.aligns).map(([value, label]) => ({ value, label }))
const units = Object.entries(text.units).map(([value, label]) => ({ value, label }))
const once = computed(() => [
  { value: EVERY_ROW, label: text.everyRow },
  ...parts(props.report).levels.map((level) => ({ value: level.id, label: text.oncePer(level.name) })),
])
/** What the column prints first on the page: its heading, in however many lines, is no sample. */
const sample = computed(() => {
  const { page, column } = props
  const cells = page
    ? bandsOf(page).flatMap((band) => (band.role === 'COLUMN_HEADINGS' ? [] : band.cells))
    : []
  // Dots before a figure are none either.
  return cells.find((cell) => page!.ids[cell.id] === column.id && !/^•+$/.test(cell.text))?.text ?? ''
})

function change(what: Partial<Column>, key: string) {
  emit(
    'apply',
    key === 'label'
      ? words.bench.edits.label(columnLabel(props.report, props.column, props.dataset))
      : words.bench.edits.column(columnLabel(props.report, props.column, props.dataset)),
    (report) => changeColumn(report, props.column.id, what),
    `${props.column.id} ${key}`,
  )
}
const ask = useAskEdit()
/** An emptied box counts once it is left: until then something else may be typed, which the column's totals follow. */
const emptied = ref(false)
/** What is typed stands in the box until the column shows it. */
const typed = ref<string>()

async function shows(value: string | undefined) {
  emptied.value = !value
  typed.value = value
  if (value) {
    const { id } = props.column
    const name = words.bench.edits.column(columnLabel(props.report, props.column, props.dataset))
    const made = await ask(name, { edit: 'show-in-column', column: id, value }, `${id} value`)
    if (made && typed.value === value) {
      typed.value = undefined
    }
  }
}

function leaveShows() {
  if (emptied.value) {
    emptied.value = false
    change({ value: undefined }, 'value')
  }
}
</script>

<template>
  <InspectorField :label="text.name" :problem="problem('label')">
    <TextInput
      :model-value="columnLabel(report, column, dataset)"
      @update:model-value="(label) => change({ label: label ?? '' }, 'label')"
    />
  </InspectorField>
  <InspectorField :label="text.value" :problem="problem('value')">
    <ExpressionField
      :model-value="emptied ? undefined : (typed ?? column.value)"
      :placeholder="text.totalsAlone"
      :invalid="!!problem('value')"
      @update:model-value="shows"
      @focusout="leaveShows"
    />
  </InspectorField>
  <InspectorField :label="text.format" :hint="text.formatHint" :problem="problem('format')">
    <TextInput
      :model-value="column.format"
      :invalid="!!problem('format')"
      @update:model-value="(format) => change({ format }, 'format')"
    />
  </InspectorField>
  <InspectorField :label="text.unit">
    <OneOf
      :aria-label="text.unit"
      :model-value="column.unit ?? 'ones'"
      :options="units"
      fluid
      @update:model-value="
        (unit: string) => change({ unit: (unit === 'ones' ? undefined : unit) as Column['unit'] }, 'unit')
      "
    />
  </InspectorField>
  <FieldNaming :report="report" :field="fieldOfColumn(block(report), column)" :as="column" />
  <p v-if="sample" class="sample">
    {{ text.sample }}: <output>{{ sample }}</output>
  </p>
  <InspectorField :label="text.align">
    <OneOf
      :aria-label="text.align"
      :model-value="column.align ?? 'auto'"
      :options="aligns"
      fluid
      @update:model-value="
        (align: string) =>
          change({ align: align === 'auto' ? undefined : (align as Column['align']) }, 'align')
      "
    />
  </InspectorField>
  <InspectorField :label="text.width" :hint="text.widthHint" :problem="problem('width')">
    <InputNumber
      :aria-label="text.width"
      :model-value="column.width ?? null"
      :min="LEAST_POINTS"
      :max="MOST_POINTS"
      size="small"
      fluid
      @update:model-value="(width) => change({ width: width ?? undefined }, 'width')"
    />
  </InspectorField>
  <InspectorField v-if="once.length > 1" :label="text.once">
    <OneOf
      :aria-label="text.once"
      :model-value="column.once ?? EVERY_ROW"
      :options="once"
      fluid
      @update:model-value="
        (level: string) => change({ once: level === EVERY_ROW ? undefined : level }, 'once')
      "
    />
  </InspectorField>
  <ReadyMarks
    :label="words.bench.ready.mark"
    :part="column.id"
    :name="columnLabel(report, column, dataset)"
    :prompts="report.prompts"
  />
  <AppearsField
    :model-value="column.appears"
    :report="report"
    :problem="problem('appears')"
    @update:model-value="(appears) => change({ appears: appears || undefined }, 'appears')"
  />
  <ColumnRoom
    :column="column"
    :first="parts(report).columns[0]?.id === column.id"
    :problem="problem"
    @change="(room, key) => change({ room }, key)"
  />
  <ColumnScale
    :column="column"
    :levels="parts(report).levels"
    :problem="problem"
    @change="(scale, key) => change({ scale }, key)"
  />
</template>

<style scoped>
.sample {
  margin: 0;
  color: var(--quiet);
}
output {
  color: var(--ink);
  font-variant-numeric: tabular-nums;
}
</style>
