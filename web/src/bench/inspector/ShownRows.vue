<script setup lang="ts">
import InputNumber from 'primevue/inputnumber'
import ToggleSwitch from 'primevue/toggleswitch'
import { computed } from 'vue'
import InspectorField from './InspectorField.vue'
import OneOf from '@/shell/OneOf.vue'
import type { RowLimits, Rows } from '../edits/levels'
import { words } from '@/words'

/** How many rows of each group are shown: all, the first few, or the first few of a hundred. */
const props = defineProps<{ rows: Rows }>()
const emit = defineEmits<{ change: [limits: RowLimits] }>()

const text = words.bench.inspector.shownRows
const EVERY = 'every'
const AT_FIRST = 10
const kinds = [
  { value: EVERY, label: text.every },
  { value: 'limit', label: text.first },
  { value: 'percent', label: text.percent },
]
const kind = computed(() =>
  props.rows.limit !== undefined ? 'limit' : props.rows.percent !== undefined ? 'percent' : EVERY,
)
const number = computed(() => props.rows.limit ?? props.rows.percent ?? null)

function set(chosen: string, howMany: number | null) {
  const most = howMany ?? AT_FIRST
  const others = props.rows.others ? { others: true } : {}
  emit(
    'change',
    chosen === EVERY
      ? {}
      : chosen === 'percent'
        ? { percent: Math.min(100, most), ...others }
        : { limit: most, ...others },
  )
}

function stand(others: boolean) {
  const { limit, percent } = props.rows
  emit('change', { limit, percent, others: others || undefined })
}
</script>

<template>
  <InspectorField :label="text.title">
    <div class="line">
      <OneOf
        :model-value="kind"
        :options="kinds"
        :aria-label="text.title"
        @update:model-value="(chosen: string) => set(chosen, number)"
      />
      <InputNumber
        v-if="kind !== EVERY"
        :aria-label="text.howMany"
        :model-value="number"
        :min="1"
        :max="kind === 'percent' ? 100 : 1000000"
        size="small"
        fluid
        @update:model-value="(value: number | null) => set(kind, value)"
      />
    </div>
  </InspectorField>
  <label v-if="kind !== EVERY" class="switch">
    <ToggleSwitch :model-value="rows.others ?? false" @update:model-value="stand" />
    {{ text.others }}
  </label>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 4.5rem;
  gap: 0.25rem;
}
.line > :only-child {
  grid-column: 1 / -1;
}
.switch {
  display: flex;
  gap: 0.5rem;
  align-items: center;
}
</style>
