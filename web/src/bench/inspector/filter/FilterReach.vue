<script setup lang="ts">
import MultiSelect from 'primevue/multiselect'
import { computed } from 'vue'
import InspectorField from '../InspectorField.vue'
import { reachOf } from '../../edits/filters'
import { useAskEdit } from '../../namedEdits'
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

const ask = useAskEdit()
const toBlocks = (blocks: string[]) =>
  void ask(words.bench.edits.reach, {
    edit: 'reach-with-filter',
    filter: props.filter.id,
    reach: 'blocks',
    blocks,
  })

function to(next: 'report' | 'block' | 'some') {
  if (next === 'some') {
    toBlocks([block(props.report).id])
  } else {
    const edit = { edit: 'reach-with-filter' as const, filter: props.filter.id, reach: next }
    void ask(words.bench.edits.reach, edit)
  }
}

const look = (dataset: string, field: string) =>
  void ask(words.bench.edits.reach, {
    edit: 'filter-elsewhere',
    filter: props.filter.id,
    dataset,
    field: field === NOTHING ? undefined : field,
  })
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
        @update:model-value="(ids: string[]) => ids.length && toBlocks(ids)"
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
