<script setup lang="ts">
import Button from 'primevue/button'
import type { Report } from '@/api/client'
import FoldButton from '@/desk/FoldButton.vue'
import type { Folds } from '@/desk/useFolds'
import { words } from '@/words'

/** Above the bench: what is made, whether it is kept, and what can be done with all of it. */
defineProps<{
  report?: Report
  folds: Folds
  keeping: keyof typeof words.bench.keeping
  editable: boolean
  saved: boolean
  undoName?: string
  redoName?: string
}>()
const emit = defineEmits<{ undo: []; redo: []; palette: []; help: []; run: []; save: [] }>()
const text = words.bench
</script>

<template>
  <section class="bar" :aria-label="text.bar">
    <FoldButton side="left" :folds="folds" :label="words.desk.parts" />
    <RouterLink to="/reports" class="back"
      ><i class="pi pi-angle-left" aria-hidden="true" />{{ text.back }}</RouterLink
    >
    <h1 :title="report?.title">{{ report?.title ?? text.loading }}</h1>
    <span class="state" :class="keeping" role="status">{{
      editable || keeping !== 'saved' ? text.keeping[keeping] : text.notEditable
    }}</span>
    <span class="spring" />
    <Button
      icon="pi pi-undo"
      :title="`${text.undo(undoName)} (Ctrl+Z)`"
      :aria-label="text.undo(undoName)"
      :disabled="!undoName"
      text
      severity="secondary"
      @click="emit('undo')"
    />
    <Button
      icon="pi pi-undo mirrored"
      :title="`${text.redo(redoName)} (Ctrl+Y)`"
      :aria-label="text.redo(redoName)"
      :disabled="!redoName"
      text
      severity="secondary"
      @click="emit('redo')"
    />
    <Button
      icon="pi pi-bolt"
      :title="`${text.palette} (Ctrl+.)`"
      :aria-label="text.palette"
      text
      severity="secondary"
      @click="emit('palette')"
    />
    <Button
      icon="pi pi-question-circle"
      :title="`${text.help} (?)`"
      :aria-label="text.help"
      text
      severity="secondary"
      @click="emit('help')"
    />
    <Button :label="text.openRun" icon="pi pi-play" text severity="secondary" @click="emit('run')" />
    <Button
      :label="editable ? text.save : text.saveCopy"
      icon="pi pi-check"
      :aria-disabled="saved"
      :class="{ resting: saved }"
      :title="`${editable ? text.save : text.saveCopy} (Ctrl+S)`"
      @click="emit('save')"
    />
    <FoldButton side="right" :folds="folds" :label="words.desk.selected" />
  </section>
</template>

<style scoped>
.bar {
  display: flex;
  align-items: center;
  gap: 0.25rem;
  padding: 0.3rem 1rem;
  background: var(--panel);
  border-bottom: 1px solid var(--line);
}
.back {
  display: inline-flex;
  align-items: center;
  text-decoration: none;
  white-space: nowrap;
  margin-right: 0.5rem;
}
h1 {
  font-size: 1.15rem;
  margin: 0;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.state {
  color: var(--quiet);
  white-space: nowrap;
  margin-left: 0.6rem;
}
.state.elsewhere,
.state.unreachable {
  color: var(--danger);
}
.spring {
  flex: 1;
}
.bar :deep(button) {
  flex: none;
  white-space: nowrap;
}
.bar :deep(.resting) {
  opacity: 0.5;
  cursor: default;
}
.bar :deep(.mirrored) {
  transform: scaleX(-1);
}
@media (max-width: 700px) {
  .bar {
    flex-wrap: wrap;
    padding: 0.3rem 0.5rem;
  }
}
</style>
