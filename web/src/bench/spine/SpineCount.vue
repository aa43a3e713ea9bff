<script setup lang="ts">
defineProps<{ text?: string }>()
</script>

<template>
  <p class="count" aria-live="polite">
    <span>{{ text ?? '·' }}</span>
  </p>
</template>

<style scoped>
/* The running count stands on the line that joins one part to the next. */
.count {
  margin: 0.15rem 0;
  display: flex;
  align-items: center;
  gap: 0.5rem;
  color: var(--quiet);
  font-variant-numeric: tabular-nums;
  font-size: 0.92rem;
}
.count::before {
  content: '';
  width: 1px;
  height: 16px;
  margin-left: 0.45rem;
  background: var(--accent);
}
</style>
