<script setup lang="ts">
import { computed } from 'vue'
import OneOf from '@/shell/OneOf.vue'
import CompareFields from './CompareFields.vue'
import ExpressionField from './ExpressionField.vue'
import InspectorField from './InspectorField.vue'
import OnlyRowsWhere from './OnlyRowsWhere.vue'
import ReadyMarks from './highlight/ReadyMarks.vue'
import TextInput from './TextInput.vue'
import { changeTotal } from '../edits/totals'
import { columnLabel } from '../edits/fieldNames'
import { parts } from '../edits/report'
import { shownAs, type ShownAs } from '../edits/shown'
import { useAskEdit } from '../namedEdits'
import { shownChoices } from '../totals/shownChoices'
import type { DatasetView, Report, Total } from '@/api/client'
import { words } from '@/words'

const props = defineProps<{
  report: Report
  total: Total
  dataset: DatasetView
  problem: (path: string) => string | undefined
}>()
const emit = defineEmits<{ apply: [name: string, change: (report: Report) => Report, key?: string] }>()

const text = words.bench.inspector

const ask = useAskEdit()
const shown = shownChoices()
const label = computed(() => {
  const column = parts(props.report).columns.find((one) => one.id === props.total.column)
  return column ? columnLabel(props.report, column, props.dataset) : props.total.value
})

function show(as: ShownAs) {
  const { total, dataset } = props
  void ask(words.bench.edits.totals, { edit: 'show-total-as', total: total.id, as, date: dataset.dateField })
}

function changeCompare(what: Partial<NonNullable<Total['compare']>>, key: string) {
  change({ compare: { ...props.total.compare!, ...what } }, key)
}

function change(what: Partial<Total>, key: string) {
  emit(
    'apply',
    words.bench.edits.totals,
    (report) => changeTotal(report, props.total.id, what),
    `${props.total.id} ${key}`,
  )
}
</script>

<template>
  <InspectorField :label="text.aggregate" :problem="problem('value')">
    <ExpressionField
      :model-value="total.value"
      :invalid="!!problem('value')"
      @update:model-value="(value) => change({ value: value ?? '' }, 'value')"
    />
  </InspectorField>
  <OnlyRowsWhere :key="total.id" :total="total.id" :invalid="!!problem('value')" />
  <InspectorField :label="text.shownAs" :problem="problem('shown')">
    <OneOf
      :aria-label="text.shownAs"
      :model-value="shownAs(total)"
      :options="shown"
      fluid
      @update:model-value="show"
    />
  </InspectorField>
  <CompareFields
    v-if="total.compare"
    :compare="total.compare"
    :dataset="dataset"
    :problem="problem"
    @change="changeCompare"
  />
  <InspectorField :label="text.format" :hint="text.formatHint" :problem="problem('format')">
    <TextInput :model-value="total.format" @update:model-value="(format) => change({ format }, 'format')" />
  </InspectorField>
  <ReadyMarks :label="words.bench.ready.markTotal" :part="total.id" :name="label" :prompts="report.prompts" />
</template>
