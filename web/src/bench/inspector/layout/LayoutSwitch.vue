<script setup lang="ts">
import ToggleSwitch from 'primevue/toggleswitch'

/** A choice of layout that is made or not. */
defineProps<{ label: string }>()
const on = defineModel<boolean | undefined>({ required: true })
</script>

<template>
  <label>
    <ToggleSwitch :model-value="on ?? false" @update:model-value="(chosen: boolean) => (on = chosen)" />
    {{ label }}
  </label>
</template>

<style scoped>
label {
  display: flex;
  gap: 0.5rem;
  align-items: center;
}
</style>
