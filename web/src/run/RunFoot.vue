<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import ChosenFigures from './ChosenFigures.vue'
import type { SelectionSummary, RunView } from '@/api/client'
import GrandTotals from '@/paper/GrandTotals.vue'
import { words } from '@/words'

/** Below a run: how many rows it read and kept, or the figures that were chosen; and the totals of the whole report. */
const props = defineProps<{ run: RunView; together?: SelectionSummary; isAuthor: boolean }>()
const emit = defineEmits<{ clear: []; again: [] }>()

const funnel = computed(() =>
  words.run.funnel(props.run.rowsRead, props.run.rowsKept, props.run.groups, props.run.pages),
)
</script>

<template>
  <footer class="foot">
    <ChosenFigures v-if="together" :together="together" @clear="emit('clear')" />
    <span v-else class="funnel" :title="funnel.join(' · ')">
      <span v-for="step in funnel" :key="step">{{ step }}</span>
      <span v-if="run.readAt">{{ words.data.readAt(run.readAt) }}</span>
      <Button
        v-if="isAuthor"
        :aria-label="words.data.readAgain"
        :title="words.data.readAgain"
        icon="pi pi-refresh"
        text
        size="small"
        class="again"
        @click="emit('again')"
      />
    </span>
    <GrandTotals :totals="run.grandTotals" />
  </footer>
</template>

<style scoped>
.foot {
  display: flex;
  justify-content: space-between;
  gap: 1.5rem;
  padding: 0.45rem 1rem;
  background: var(--panel);
  border-top: 1px solid var(--line);
  white-space: nowrap;
  overflow: hidden;
}
.funnel {
  color: var(--quiet);
  flex: 0 1000 auto;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
}
.again {
  padding-block: 0;
}
.funnel span + span::before {
  content: ' · ';
}
@media (max-width: 900px) {
  .funnel {
    display: none;
  }
}
</style>
