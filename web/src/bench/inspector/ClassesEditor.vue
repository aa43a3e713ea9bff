<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed } from 'vue'
import type { Level } from '@/api/client'
import { words } from '@/words'

type NumberClass = NonNullable<Level['classes']>[number]

/** Classes of a number, lowest first; the last takes what is above all others. */
const props = defineProps<{ classes: NumberClass[]; problem: (path: string) => string | undefined }>()
const emit = defineEmits<{ change: [classes: NumberClass[]]; add: [] }>()

const text = words.bench.inspector.classes
const wrong = computed(() =>
  props.classes
    .flatMap((_, i) => [props.problem(`classes/${i}/upTo`), props.problem(`classes/${i}`)])
    .find(Boolean),
)

function set(index: number, change: Partial<NumberClass>) {
  const next = props.classes.map((entry, i) => (i === index ? { ...entry, ...change } : entry))
  emit(
    'change',
    next.map(({ upTo, label }) => ({ ...(upTo ? { upTo } : {}), ...(label ? { label } : {}) })),
  )
}
</script>

<template>
  <fieldset>
    <legend>{{ text.title }}</legend>
    <div v-for="(entry, i) in classes" :key="i" class="entry">
      <InputText
        v-if="i < classes.length - 1"
        :model-value="entry.upTo ?? ''"
        inputmode="decimal"
        size="small"
        :aria-label="text.upTo(i + 1)"
        @change="(event: Event) => set(i, { upTo: (event.target as HTMLInputElement).value.trim() })"
      />
      <span v-else class="quiet">{{ text.rest }}</span>
      <InputText
        :model-value="entry.label ?? ''"
        :placeholder="text.label"
        size="small"
        :aria-label="text.labelOf(i + 1)"
        @change="(event: Event) => set(i, { label: (event.target as HTMLInputElement).value })"
      />
      <Button
        v-if="i < classes.length - 1"
        icon="pi pi-times"
        text
        size="small"
        severity="secondary"
        :aria-label="text.remove(i + 1)"
        @click="
          emit(
            'change',
            classes.filter((_, j) => j !== i),
          )
        "
      />
    </div>
    <small v-if="wrong" class="problem" role="alert">{{ wrong }}</small>
    <Button :label="text.add" icon="pi pi-plus" text size="small" @click="emit('add')" />
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  min-width: 0;
}
legend {
  padding: 0;
}
.entry {
  display: grid;
  grid-template-columns: 5rem minmax(0, 1fr) 2rem;
  gap: 0.25rem;
  align-items: center;
  margin-bottom: 0.25rem;
}
.quiet {
  color: var(--quiet);
}
.problem {
  color: var(--danger);
  display: block;
}
</style>
