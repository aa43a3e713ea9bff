<script setup lang="ts">
import ExpressionField from './ExpressionField.vue'
import InspectorField from './InspectorField.vue'
import type { Report } from '@/api/client'
import { words } from '@/words'

/** Which answers a part of the report appears for; offered once the report asks something. */
defineProps<{ report: Report; hint?: string; problem?: string }>()
const condition = defineModel<string | undefined>({ required: true })
const text = words.bench.inspector.appears
</script>

<template>
  <InspectorField
    v-if="report.prompts.length || condition"
    :label="text.label"
    :hint="hint ?? text.hint"
    :problem="problem"
  >
    <ExpressionField v-model="condition" :invalid="!!problem" :placeholder="text.always" />
  </InspectorField>
</template>
