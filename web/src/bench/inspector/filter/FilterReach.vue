<script setup lang="ts">
import MultiSelect from 'primevue/multiselect'
import { computed } from 'vue'
import InspectorField from '../InspectorField.vue'
import { reachOf, setFieldElsewhere, setReach } from '../../edits/filters'
import { block } from '../../edits/report'
import type { DatasetView, Filter, Report } from '@/api/client'
import OneOf from '@/shell/OneOf.vue'
import { words } from '@/words'

/** Which blocks a filter reaches, and what it looks at in those of other datasets. */
const props = defineProps<{
  report: Report
  filter: Filter
  /** The datasets of the report's blocks, the report's own among them, as far as they are known. */
  datasets: DatasetView[]
}>()
const emit = defineEmits<{ apply: [name: string, change: (report: Report) => Report, key?: string] }>()

const NOTHING = '*'
const text = words.bench.reach
const reach = computed(() => reachOf(props.report, props.filter))
const choice = computed(() => (Array.isArray(reach.value) ? 'some' : reach.value))
const choices = (['report', 'block', 'some'] as const).map((value) => ({ value, label: text[value] }))
const blocks = computed(() =>
  props.report.blocks.map((one, i) => ({
    id: one.id,
    label: one.title || words.bench.spine.unnamed(one.kind, i + 1),
  })),
)
const others = computed(() =>
  props.filter.kind === 'expression' || reach.value === 'block'
    ? []
    : props.datasets.filter((dataset) => dataset.id !== props.report.dataset),
)
const own = computed(() =>
  props.datasets
    .find((dataset) => dataset.id === props.report.dataset)
    ?.fields.find((field) => field.id === props.filter.field),
)

const isTime = (type?: string) => type === 'DATE' || type === 'TIMESTAMP'

/** The fields of another dataset that fit the filter; the one of the same name first, which need not mean the same. */
function fitting(dataset: DatasetView) {
  const fits = dataset.fields.filter(
    (field) =>
      field.made !== 'MEASURE' &&
      (field.type === own.value?.type || (isTime(field.type) && isTime(own.value?.type))),
  )
  const namesake = fits.filter((field) => field.id === props.filter.field)
  const ordered = [...namesake, ...fits.filter((field) => !namesake.includes(field))]
  return [
    { value: NOTHING, label: text.nowhere },
    ...ordered.map((field) => ({ value: field.id, label: field.label })),
  ]
}

function to(next: string) {
  emit('apply', words.bench.edits.reach, (report) =>
    setReach(report, props.filter.id, next === 'some' ? [block(report).id] : (next as 'report' | 'block')),
  )
}

function look(dataset: string, field: string) {
  emit('apply', words.bench.edits.reach, (report) =>
    setFieldElsewhere(report, props.filter.id, dataset, field === NOTHING ? undefined : field),
  )
}
</script>

<template>
  <template v-if="report.blocks.length > 1">
    <InspectorField :label="text.label">
      <OneOf
        :aria-label="text.label"
        :model-value="choice"
        :options="choices"
        fluid
        @update:model-value="to"
      />
    </InspectorField>
    <InspectorField v-if="Array.isArray(reach)" :label="text.blocks">
      <MultiSelect
        :aria-label="text.blocks"
        :model-value="reach"
        :options="blocks"
        option-label="label"
        option-value="id"
        size="small"
        fluid
        @update:model-value="
          (ids: string[]) =>
            ids.length && emit('apply', words.bench.edits.reach, (report) => setReach(report, filter.id, ids))
        "
      />
    </InspectorField>
    <InspectorField v-for="dataset in others" :key="dataset.id" :label="text.elsewhere(dataset.label)">
      <OneOf
        :aria-label="text.elsewhere(dataset.label)"
        :model-value="filter.also?.find((also) => also.dataset === dataset.id)?.field ?? NOTHING"
        :options="fitting(dataset)"
        fluid
        @update:model-value="(field: string) => look(dataset.id, field)"
      />
    </InspectorField>
  </template>
</template>
