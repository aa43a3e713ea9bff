<script setup lang="ts">
import ToggleSwitch from 'primevue/toggleswitch'
import { computed } from 'vue'
import ExpressionField from './ExpressionField.vue'
import InspectorField from './InspectorField.vue'
import type { DatasetView, Total } from '@/api/client'
import OneOf from '@/shell/OneOf.vue'
import { words } from '@/words'

type Compare = NonNullable<Total['compare']>

/** What a figure is compared with, in detail: the plan, or by which date another time is told and how far it goes. */
const props = defineProps<{
  compare: Compare
  dataset: DatasetView
  problem: (path: string) => string | undefined
}>()
const emit = defineEmits<{ change: [what: Partial<Compare>, key: string] }>()

const text = words.bench.inspector
/** The dates of tables, by which other times can be told. */
const dates = computed(() =>
  props.dataset.fields
    .filter((field) => (field.type === 'DATE' || field.type === 'TIMESTAMP') && field.made === 'READ')
    .map((field) => ({ value: field.id, label: field.label })),
)
const isCut = computed(() => props.compare.with === 'last-year' || props.compare.with === 'previous-period')
</script>

<template>
  <InspectorField
    v-if="compare.with === 'plan'"
    :label="text.plan"
    :hint="text.planHint"
    :problem="problem('compare/plan')"
  >
    <ExpressionField
      :model-value="compare.plan"
      :invalid="!!problem('compare/plan')"
      @update:model-value="(plan) => emit('change', { plan: plan ?? '' }, 'plan')"
    />
  </InspectorField>
  <InspectorField v-else :label="text.timeBy" :problem="problem('compare/date')">
    <OneOf
      :aria-label="text.timeBy"
      :model-value="compare.date"
      :options="dates"
      fluid
      @update:model-value="(date: string) => emit('change', { date }, 'date')"
    />
  </InspectorField>
  <label v-if="isCut" class="switch">
    <ToggleSwitch
      :model-value="compare.cut ?? false"
      @update:model-value="(cut: boolean) => emit('change', { cut }, 'cut')"
    />
    {{ text.cut }}
  </label>
</template>

<style scoped>
.switch {
  display: flex;
  gap: 0.5rem;
  align-items: center;
}
</style>
