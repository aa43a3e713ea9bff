<script setup lang="ts">
import Button from 'primevue/button'
import type { SelectionSummary } from '@/api/client'
import { words } from '@/words'

/** What the chosen figures come to together. */
defineProps<{ together: SelectionSummary }>()
const emit = defineEmits<{ clear: [] }>()
</script>

<template>
  <div class="chosen" role="status" :aria-label="words.run.chosen.label">
    <span>{{ words.run.chosen.count(together.count) }}</span>
    <span
      >{{ words.run.chosen.sum }} <strong>{{ together.sum }}</strong></span
    >
    <span
      >{{ words.run.chosen.average }} <strong>{{ together.average || '–' }}</strong></span
    >
    <Button
      icon="pi pi-times"
      text
      size="small"
      severity="secondary"
      :aria-label="words.run.chosen.clear"
      @click="emit('clear')"
    />
  </div>
</template>

<style scoped>
.chosen {
  display: flex;
  gap: 0.9rem;
  align-items: center;
  color: var(--quiet);
}
strong {
  color: var(--ink);
  font-variant-numeric: tabular-nums;
}
</style>
