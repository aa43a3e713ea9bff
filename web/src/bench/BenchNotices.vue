<script setup lang="ts">
import Button from 'primevue/button'
import ProgressBar from 'primevue/progressbar'
import type { ProblemView } from '@/api/client'
import { words } from '@/words'

/** Above the page: what it waits for, what is wrong with the report, and what is folded away. */
defineProps<{
  folded?: string
  waiting: boolean
  rowsRead: number
  failure: string
  errors: ProblemView[]
  hasPage: boolean
}>()
const emit = defineEmits<{ unfold: []; go: [problem: ProblemView] }>()
const text = words.bench
</script>

<template>
  <p v-if="folded" class="folded">
    {{ words.why.foldedTo }} {{ folded }}
    <Button :label="words.why.unfold" text size="small" @click="emit('unfold')" />
  </p>
  <div v-if="waiting" class="waiting" role="status">
    <span>{{ text.waiting(rowsRead) }}</span>
    <ProgressBar mode="indeterminate" :aria-label="text.waiting(rowsRead)" />
  </div>
  <div v-if="failure" class="failure" role="alert">{{ failure }}</div>
  <div v-else-if="errors.length" class="failure" role="alert">
    <button v-for="p in errors" :key="p.pointer + p.message" type="button" @click="emit('go', p)">
      {{ p.position ? `${p.position} ` : '' }}{{ p.message }}
    </button>
    <span v-if="hasPage">{{ text.stale }}</span>
  </div>
</template>

<style scoped>
.waiting {
  padding: 0.35rem 1rem;
  display: grid;
  gap: 0.25rem;
}
.failure {
  margin: 0.5rem 1rem 0;
  padding: 0.5rem 0.8rem;
  color: var(--danger);
  background: var(--danger-soft);
  border-left: 3px solid var(--danger);
}
.failure button {
  display: block;
  border: 0;
  background: none;
  font: inherit;
  color: inherit;
  text-align: left;
  cursor: pointer;
  text-decoration: underline;
  padding: 0;
  min-height: 24px;
}
.folded {
  margin: 0;
  padding: 0.15rem 1rem;
  background: var(--accent-soft);
}
</style>
