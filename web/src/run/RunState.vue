<script setup lang="ts">
import ProgressBar from 'primevue/progressbar'
import type { RunView } from '@/api/client'
import { words } from '@/words'

/** How a run stands, for as long as there is no page to look at, and what its reader should know of it. */
defineProps<{ run?: RunView; running: boolean; waits: boolean; failure: string }>()
const text = words.run
</script>

<template>
  <div v-if="running && run" class="progress" role="status">
    <span>{{ text.states[run.state] }} · {{ text.rowsRead(run.rowsRead) }}</span>
    <ProgressBar mode="indeterminate" :aria-label="text.running" />
  </div>
  <p v-if="waits" class="waits" role="status">{{ text.waits }}</p>
  <div v-if="failure" class="failure" role="alert">{{ failure }}</div>
  <div v-else-if="run?.state === 'FAILED'" class="failure" role="alert">
    <strong>{{ text.states.FAILED }}.</strong>
    <ul>
      <li v-for="p in run.problems" :key="p.pointer + p.message">{{ p.message }}</li>
    </ul>
  </div>
  <div v-else-if="run?.state === 'CANCELLED'" class="failure" role="alert">{{ text.states.CANCELLED }}.</div>
  <ul v-else-if="run?.problems.length" class="notices">
    <li v-for="p in run.problems" :key="p.pointer + p.message">{{ p.message }}</li>
  </ul>
</template>

<style scoped>
.progress {
  padding: 0.5rem 1rem;
  display: grid;
  gap: 0.35rem;
}
.waits {
  margin: 2rem;
  color: var(--quiet);
}
.failure {
  margin: 0.75rem 1rem 0;
  padding: 0.6rem 0.9rem;
  color: var(--danger);
  background: var(--danger-soft);
  border-left: 3px solid var(--danger);
}
.failure ul {
  margin: 0.25rem 0 0;
  padding-left: 1.1rem;
}
.notices {
  margin: 0.5rem 1rem 0;
  padding-left: 1.1rem;
  color: var(--quiet);
}
</style>
