<script setup lang="ts">
import type { RunView } from '@/api/client'
import { words } from '@/words'

/** The report's own totals, always in sight. */
defineProps<{ totals: RunView['grandTotals'] }>()
</script>

<template>
  <dl :aria-label="words.run.grandTotal">
    <dt class="name">{{ words.run.grandTotal }}</dt>
    <dd class="visually-hidden" />
    <template v-for="total in totals" :key="total.label">
      <dt>{{ total.label }}</dt>
      <dd>{{ total.figure || '–' }}</dd>
    </template>
  </dl>
</template>

<style scoped>
dl {
  display: flex;
  gap: 0.5rem;
  margin: 0;
  align-items: baseline;
}
dt {
  color: var(--quiet);
}
dt.name {
  color: var(--ink);
  font-weight: 600;
}
dd {
  margin: 0 0.5rem 0 0;
  font-weight: 600;
  font-variant-numeric: tabular-nums;
}
</style>
