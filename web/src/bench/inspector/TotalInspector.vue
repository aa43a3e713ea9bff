<script setup lang="ts">
import InspectorField from './InspectorField.vue'
import TextInput from './TextInput.vue'
import { changeTotal } from '../edits/totals'
import type { Report, Total } from '@/api/client'
import { words } from '@/words'

const props = defineProps<{ total: Total; problem: (path: string) => string | undefined }>()
const emit = defineEmits<{ apply: [name: string, change: (report: Report) => Report, key?: string] }>()

const text = words.bench.inspector

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
    <TextInput
      :model-value="total.value"
      long
      :invalid="!!problem('value')"
      @update:model-value="(value) => change({ value: value ?? '' }, 'value')"
    />
  </InspectorField>
  <InspectorField :label="text.format" :hint="text.formatHint" :problem="problem('format')">
    <TextInput :model-value="total.format" @update:model-value="(format) => change({ format }, 'format')" />
  </InspectorField>
</template>
