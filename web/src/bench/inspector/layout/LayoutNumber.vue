<script setup lang="ts">
import InputNumber from 'primevue/inputnumber'
import InspectorField from '../InspectorField.vue'
import { words } from '@/words'

/** A number that a layout says, or does not. */
defineProps<{ label: string; min?: number; max: number; fraction?: boolean; problem?: string }>()
const number = defineModel<number | undefined>({ required: true })
</script>

<template>
  <InspectorField :label="label" :problem="problem">
    <template #default="{ id }">
      <InputNumber
        :input-id="id"
        :model-value="number ?? null"
        :min="min ?? 1"
        :max="max"
        :max-fraction-digits="fraction ? 1 : 0"
        :placeholder="words.layout.none"
        size="small"
        fluid
        @update:model-value="(value: number | null) => (number = value ?? undefined)"
      />
    </template>
  </InspectorField>
</template>
