<script setup lang="ts">
import ToggleSwitch from 'primevue/toggleswitch'
import Checkbox from 'primevue/checkbox'
import MultiSelect from 'primevue/multiselect'
import InspectorField from './InspectorField.vue'
import TextInput from './TextInput.vue'
import { offered, perRow } from '../edits/perRow'
import { parts, stripped, withBlock } from '../edits/report'
import type { DatasetView, Report } from '@/api/client'
import { words } from '@/words'

defineProps<{ report: Report; dataset: DatasetView }>()
const emit = defineEmits<{ apply: [name: string, change: (report: Report) => Report, key?: string] }>()

const text = words.bench.inspector
const edits = words.bench.edits
/** As many as a definition may set beside a report. */
const MOST_BESIDE = 12
</script>

<template>
  <InspectorField :label="text.title">
    <TextInput
      :model-value="report.title"
      @update:model-value="
        (title) => emit('apply', edits.title, (r) => ({ ...r, title: title || r.title }), 'title')
      "
    />
  </InspectorField>
  <InspectorField :label="text.description">
    <TextInput
      :model-value="report.description"
      long
      @update:model-value="
        (description) =>
          emit('apply', edits.description, (r) => stripped({ ...r, description }), 'description')
      "
    />
  </InspectorField>
  <label v-if="report.prompts.length">
    <ToggleSwitch
      :model-value="report.asksFirst ?? false"
      @update:model-value="
        (first: boolean) =>
          emit('apply', edits.prompt, (r) => stripped({ ...r, asksFirst: first || undefined }))
      "
    />
    {{ text.asksFirst }}
  </label>
  <InspectorField :label="text.ticked" :hint="text.tickedHint">
    <MultiSelect
      :model-value="report.beside ?? []"
      :options="offered(dataset.fields).filter(perRow)"
      option-label="label"
      option-value="id"
      :selection-limit="MOST_BESIDE"
      :placeholder="text.tickedNone"
      filter
      size="small"
      fluid
      :aria-label="text.ticked"
      @update:model-value="
        (beside: string[]) =>
          emit('apply', edits.ticked, (r) => stripped({ ...r, beside: beside.length ? beside : undefined }))
      "
    />
  </InspectorField>
  <fieldset>
    <legend>{{ text.counts }}</legend>
    <label v-for="table in dataset.tables" :key="table.id">
      <Checkbox
        :model-value="parts(report).counts"
        :value="table.id"
        size="small"
        @update:model-value="
          (counts: string[]) => emit('apply', edits.totals, (r) => withBlock(r, { counts }))
        "
      />
      {{ table.noun }}
    </label>
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 0.25rem;
}
legend {
  padding: 0;
}
label {
  display: flex;
  gap: 0.4rem;
  align-items: center;
}
</style>
