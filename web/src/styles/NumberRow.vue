<script setup lang="ts">
import InputNumber from 'primevue/inputnumber'

/** A number of a style, beside what it is called; an emptied one is left to the standard style. */
defineProps<{ label: string; min: number; max: number; fraction?: boolean }>()
const number = defineModel<number | undefined>({ required: true })
</script>

<template>
  <div class="row">
    <span>{{ label }}</span>
    <InputNumber
      :model-value="number ?? null"
      :min="min"
      :max="max"
      :max-fraction-digits="fraction ? 2 : 0"
      size="small"
      :aria-label="label"
      @update:model-value="(value: number | null) => (number = value ?? undefined)"
    />
  </div>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.25rem 0.5rem;
  min-height: 2rem;
}
span {
  flex: 1;
  min-width: 8rem;
}
.row :deep(.p-inputnumber-input) {
  width: 4rem;
}
</style>
