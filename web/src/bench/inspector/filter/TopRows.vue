<script setup lang="ts">
import InputNumber from 'primevue/inputnumber'
import Select from 'primevue/select'
import { computed } from 'vue'
import InspectorField from '../InspectorField.vue'
import { perRow } from '../../edits/perRow'
import type { DatasetView, Filter } from '@/api/client'
import OneOf from '@/shell/OneOf.vue'
import { words } from '@/words'

/** How many rows are kept of all that the other filters keep: those with the most, or the least. */
const props = defineProps<{
  dataset: DatasetView
  filter: Filter
  problem: (path: string) => string | undefined
}>()
const emit = defineEmits<{ change: [what: Partial<Filter>, key: string] }>()

const text = words.bench.filters
const ends = Object.entries(text.ends).map(([value, label]) => ({ value, label }))
const fields = computed(() =>
  props.dataset.fields.filter(
    (field) => perRow(field) && ['INTEGER', 'DECIMAL', 'DATE', 'TIMESTAMP'].includes(field.type),
  ),
)
</script>

<template>
  <InspectorField v-slot="{ id }" :label="text.topRows" :problem="problem('count')">
    <InputNumber
      :input-id="id"
      :model-value="filter.count"
      :min="1"
      size="small"
      fluid
      @update:model-value="(count) => count && emit('change', { count }, 'count')"
    />
  </InspectorField>
  <InspectorField :label="text.end">
    <OneOf
      :aria-label="text.end"
      :model-value="filter.end"
      :options="ends"
      fluid
      @update:model-value="(end: Filter['end']) => emit('change', { end }, 'end')"
    />
  </InspectorField>
  <InspectorField :label="text.by" :problem="problem('field')">
    <Select
      :aria-label="text.by"
      :model-value="filter.field"
      :options="fields"
      option-label="label"
      option-value="id"
      size="small"
      fluid
      @update:model-value="(field: string) => emit('change', { field }, 'field')"
    />
  </InspectorField>
</template>
