<script setup lang="ts">
import Select from 'primevue/select'
import ToggleSwitch from 'primevue/toggleswitch'
import InspectorField from './InspectorField.vue'
import OrderEditor from './OrderEditor.vue'
import TextInput from './TextInput.vue'
import { changeLevel } from '../edits/levels'
import type { DatasetView, Level, Report } from '@/api/client'
import { words } from '@/words'

const props = defineProps<{
  report: Report
  dataset: DatasetView
  level: Level
  orderInWords?: string
  problem: (path: string) => string | undefined
}>()
const emit = defineEmits<{ apply: [name: string, change: (report: Report) => Report, key?: string] }>()

const text = words.bench.inspector
const options = (labels: Record<string, string>) =>
  Object.entries(labels).map(([value, label]) => ({ value, label }))

function change(what: Partial<Level>, key: string) {
  emit(
    'apply',
    words.bench.edits.level(props.level.name),
    (report) => changeLevel(report, props.level.id, what),
    `${props.level.id} ${key}`,
  )
}
</script>

<template>
  <InspectorField :label="text.name" :problem="problem('name')">
    <TextInput
      :model-value="level.name"
      @update:model-value="(name) => change({ name: name ?? '' }, 'name')"
    />
  </InspectorField>
  <InspectorField :label="text.key" :problem="problem('key')">
    <TextInput
      :model-value="level.key"
      long
      :invalid="!!problem('key')"
      @update:model-value="(key) => change({ key: key ?? '' }, 'key')"
    />
  </InspectorField>
  <InspectorField :label="text.bucket" :problem="problem('bucket')">
    <Select
      :aria-label="text.bucket"
      :model-value="level.bucket ?? 'none'"
      :options="options(text.buckets)"
      option-label="label"
      option-value="value"
      size="small"
      fluid
      @update:model-value="
        (bucket: string) =>
          change({ bucket: (bucket === 'none' ? undefined : bucket) as Level['bucket'] }, 'bucket')
      "
    />
  </InspectorField>
  <InspectorField :label="text.groupLabel" :problem="problem('label')">
    <TextInput
      :model-value="level.label"
      :placeholder="level.key"
      @update:model-value="(label) => change({ label }, 'label')"
    />
  </InspectorField>
  <InspectorField :label="text.header">
    <Select
      :aria-label="text.header"
      :model-value="level.header"
      :options="options(text.headers)"
      option-label="label"
      option-value="value"
      size="small"
      fluid
      @update:model-value="(header: Level['header']) => change({ header }, 'header')"
    />
  </InspectorField>
  <InspectorField
    v-if="level.header === 'heading'"
    :label="text.headerText"
    :hint="text.textHint"
    :problem="problem('headerText')"
  >
    <TextInput
      :model-value="level.headerText"
      placeholder="{group}"
      :invalid="!!problem('headerText')"
      @update:model-value="(headerText) => change({ headerText }, 'headerText')"
    />
  </InspectorField>
  <InspectorField :label="text.footer">
    <Select
      :aria-label="text.footer"
      :model-value="level.footer"
      :options="options(text.footers)"
      option-label="label"
      option-value="value"
      size="small"
      fluid
      @update:model-value="(footer: Level['footer']) => change({ footer }, 'footer')"
    />
  </InspectorField>
  <InspectorField v-if="level.footer === 'totals'" :label="text.footerText" :problem="problem('footerText')">
    <TextInput
      :model-value="level.footerText"
      placeholder="{group} total"
      :invalid="!!problem('footerText')"
      @update:model-value="(footerText) => change({ footerText }, 'footerText')"
    />
  </InspectorField>
  <label class="switch">
    <ToggleSwitch
      :model-value="level.newPage ?? false"
      @update:model-value="(newPage: boolean) => change({ newPage: newPage || undefined }, 'newPage')"
    />
    {{ text.newPage }}
  </label>
  <OrderEditor
    :report="report"
    :dataset="dataset"
    :level="level.id"
    :in-words="orderInWords"
    @apply="(name, edit) => emit('apply', name, edit)"
  />
</template>

<style scoped>
.switch {
  display: flex;
  gap: 0.5rem;
  align-items: center;
}
</style>
