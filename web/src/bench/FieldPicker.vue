<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { offered, perRow } from './edits/perRow'
import { found, type FoundField } from './findFields'
import { useFieldNames } from './useFieldNames'
import type { DatasetView, FieldView } from '@/api/client'
import { words } from '@/words'

const props = defineProps<{
  dataset: DatasetView
  accept?: (field: FieldView) => boolean
  withSpans?: boolean
}>()
const emit = defineEmits<{ pick: [field: FoundField] }>()

const sought = ref('')
const accepted = computed(() =>
  offered(props.dataset.fields).filter((field) => props.accept?.(field) ?? true),
)
const names = useFieldNames(() => props.dataset)
const shown = computed(() => found(accepted.value, sought.value, names, props.withSpans))

function move(event: KeyboardEvent, step: number) {
  const list = (event.currentTarget as HTMLElement).closest('.picker')!
  const options = [...list.querySelectorAll<HTMLElement>('.option')]
  const at = options.indexOf(document.activeElement as HTMLElement)
  options[Math.min(options.length - 1, Math.max(0, at + step))]?.focus()
}
</script>

<template>
  <div class="picker">
    <InputText
      v-model="sought"
      autofocus
      :placeholder="words.bench.fields.find"
      :aria-label="words.bench.fields.find"
      size="small"
      fluid
      @keydown.down.prevent="move($event, 1)"
      @keydown.enter.prevent="shown[0] && emit('pick', shown[0])"
    />
    <div class="options">
      <button
        v-for="field in shown"
        :key="`${field.id} ${field.label}`"
        type="button"
        class="option"
        :title="[field.description, field.entry.formula].filter(Boolean).join(' · ')"
        @click="emit('pick', field)"
        @keydown.down.prevent="move($event, 1)"
        @keydown.up.prevent="move($event, -1)"
      >
        <span>{{ field.label }}</span>
        <small>{{ perRow(field) ? words.bench.types[field.type] : words.bench.fields.measure }}</small>
      </button>
      <p v-if="shown.length === 0">{{ words.bench.fields.none }}</p>
    </div>
  </div>
</template>

<style scoped>
.picker {
  width: 17rem;
  display: grid;
  gap: 0.4rem;
}
.options {
  max-height: 20rem;
  overflow-y: auto;
}
.option {
  display: flex;
  justify-content: space-between;
  gap: 0.5rem;
  width: 100%;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  padding: 0.25rem 0.4rem;
  border-radius: 3px;
  cursor: pointer;
}
.option:hover,
.option:focus {
  background: var(--accent-soft);
}
small {
  color: var(--quiet);
}
p {
  color: var(--quiet);
  margin: 0.3rem;
}
</style>
