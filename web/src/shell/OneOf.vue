<script setup lang="ts" generic="T extends string">
import Select from 'primevue/select'

/** A choice of one of several words. */
defineProps<{ modelValue?: T | null; options: { value: string; label: string }[] }>()
const emit = defineEmits<{ 'update:modelValue': [value: T] }>()
</script>

<template>
  <Select
    :model-value="modelValue"
    :options="options"
    option-label="label"
    option-value="value"
    size="small"
    @update:model-value="(value: T) => emit('update:modelValue', value)"
  />
</template>
