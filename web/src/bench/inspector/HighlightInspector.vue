<script setup lang="ts">
import Select from 'primevue/select'
import ExpressionField from './ExpressionField.vue'
import InspectorField from './InspectorField.vue'
import TextInput from './TextInput.vue'
import { changeHighlight } from '../edits/highlights'
import type { Highlight, Report } from '@/api/client'
import { words } from '@/words'

const props = defineProps<{ highlight: Highlight; problem: (path: string) => string | undefined }>()
const emit = defineEmits<{ apply: [name: string, change: (report: Report) => Report, key?: string] }>()

const text = words.bench.inspector
const looks = Object.entries(text.looks).map(([value, label]) => ({ value, label }))

function change(what: Partial<Highlight>, key: string) {
  emit(
    'apply',
    words.bench.edits.highlight,
    (report) => changeHighlight(report, props.highlight.id, what),
    `${props.highlight.id} ${key}`,
  )
}
</script>

<template>
  <InspectorField :label="text.name" :problem="problem('label')">
    <TextInput
      :model-value="highlight.label"
      @update:model-value="(label) => change({ label: label ?? '' }, 'label')"
    />
  </InspectorField>
  <InspectorField :label="text.when" :hint="text.whenHint" :problem="problem('when')">
    <ExpressionField
      :model-value="highlight.when"
      :invalid="!!problem('when')"
      @update:model-value="(when) => change({ when: when ?? '' }, 'when')"
    />
  </InspectorField>
  <InspectorField :label="text.look">
    <Select
      :aria-label="text.look"
      :model-value="highlight.look"
      :options="looks"
      option-label="label"
      option-value="value"
      size="small"
      fluid
      @update:model-value="(look: Highlight['look']) => change({ look }, 'look')"
    />
  </InspectorField>
</template>
