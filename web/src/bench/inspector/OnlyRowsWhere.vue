<script setup lang="ts">
import { computed, ref } from 'vue'
import ExpressionField from './ExpressionField.vue'
import InspectorField from './InspectorField.vue'
import { filteredParts, filteredText, type Filtered } from '../edits/filtered'
import type { DatasetView } from '@/api/client'
import { words } from '@/words'

/** The condition on the rows that a total takes. What is typed stays as it is typed, also while it cannot be read yet. */
const props = defineProps<{ value: string; dataset: DatasetView; invalid?: boolean }>()
const emit = defineEmits<{ change: [value: string] }>()

const text = words.bench.inspector
/** What measures stand for, so that they can take some rows only, too. */
const formulas = computed(() =>
  Object.fromEntries(
    props.dataset.fields.flatMap((field) =>
      field.made === 'MEASURE' && field.formula && field.usual ? [[field.usual, field.formula]] : [],
    ),
  ),
)
const typed = ref<Filtered>()
const parts = computed(() =>
  typed.value && filteredText(typed.value) === props.value
    ? typed.value
    : filteredParts(props.value, formulas.value),
)

function type(where?: string) {
  typed.value = { aggregate: parts.value!.aggregate, where }
  emit('change', filteredText(typed.value))
}
</script>

<template>
  <InspectorField v-if="parts" :label="text.onlyWhere" :hint="text.onlyWhereHint">
    <ExpressionField
      :model-value="parts.where"
      placeholder="status = 'open'"
      :invalid="invalid"
      @update:model-value="type"
    />
  </InspectorField>
</template>
