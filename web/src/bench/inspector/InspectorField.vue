<script setup lang="ts">
defineProps<{ label: string; hint?: string; problem?: string }>()
</script>

<template>
  <label class="field">
    <span>{{ label }}</span>
    <slot />
    <small v-if="problem" class="problem" role="alert">{{ problem }}</small>
    <small v-else-if="hint">{{ hint }}</small>
  </label>
</template>

<style scoped>
.field {
  display: grid;
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
