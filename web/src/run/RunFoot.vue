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
/** Whether there are totals of several blocks, more than have room: they are scrolled, and leave the rest in sight. */
const several = computed(() => new Set(props.run.grandTotals.map((total) => total.block)).size > 1)
/** When the rows were read, by dataset where there are several. */
const reads = computed(() => {
  const [first, ...others] = props.run.reads
  return others.length ? words.run.reads(props.run.reads) : first && words.data.readAt(first.at)
})
</script>

<template>
  <footer class="foot" :class="{ several }">
    <ChosenFigures v-if="together" :together="together" @clear="emit('clear')" />
    <span v-else class="funnel" :title="[...funnel, reads].filter(Boolean).join(' · ')">
      <span v-for="step in funnel" :key="step">{{ step }}</span>
      <span v-if="reads">{{ reads }}</span>
    </span>
    <Button
      v-if="isAuthor && !together"
      :aria-label="words.data.readAgain"
      :title="words.data.readAgain"
      icon="pi pi-refresh"
      text
      size="small"
      class="again"
      @click="emit('again')"
    />
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
.several .funnel {
  flex-shrink: 0;
  max-width: 55%;
}
.again {
  flex: none;
  padding-block: 0;
  margin-left: -1rem;
}
.foot > :last-child {
  margin-left: auto;
  min-width: 0;
}
.funnel span + span::before {
  content: ' · ';
}
@media (max-width: 900px) {
  .funnel,
  .again {
    display: none;
  }
}
</style>
