<script setup lang="ts">
import { provide, useId } from 'vue'
import { FIELD_ID } from './fieldId'

defineProps<{ label: string; hint?: string; problem?: string }>()
/** Ties the label to the field, whichever component draws it. */
const id = useId()
provide(FIELD_ID, id)
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <slot :id="id" />
    <small v-if="problem" class="problem" role="alert">{{ problem }}</small>
    <small v-else-if="hint">{{ hint }}</small>
  </div>
</template>

<style scoped>
.field {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.2rem;
}
small {
  color: var(--quiet);
}
.problem {
  color: var(--danger);
  overflow-wrap: anywhere;
}
</style>
