<script setup lang="ts">
import { computed, ref } from 'vue'
import ExpressionField from './ExpressionField.vue'
import InspectorField from './InspectorField.vue'
import { useAskEdit, useOffers } from '../namedEdits'
import { words } from '@/words'

/** The condition on the rows that a total takes. What is typed stays as it is typed, also while it cannot be read yet. */
const props = defineProps<{
  /** Its id. */
  total: string
  invalid?: boolean
}>()

const text = words.bench.inspector
const ask = useAskEdit()
const offers = useOffers()
const parts = computed(() => offers.value?.totals.find((one) => one.part === props.total))
/** What is typed stands in the box until the total has it; an emptied box is not nothing. */
const typed = ref<{ where?: string }>()

async function type(where?: string) {
  const now = { where }
  typed.value = now
  const edit = { edit: 'filter-total' as const, total: props.total, where }
  const made = await ask(words.bench.edits.totals, edit, `${props.total} where`)
  if (made && typed.value === now) {
    typed.value = undefined
  }
}
</script>

<template>
  <InspectorField v-if="parts" :label="text.onlyWhere" :hint="text.onlyWhereHint">
    <ExpressionField
      :model-value="typed ? typed.where : parts.where"
      placeholder="status = 'open'"
      :invalid="invalid"
      @update:model-value="type"
    />
  </InspectorField>
</template>
