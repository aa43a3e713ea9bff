<script setup lang="ts">
import Button from 'primevue/button'
import FieldButton from '../FieldButton.vue'
import { perRow } from '../edits/perRow'
import type { DatasetView, FieldView } from '@/api/client'
import type { Prompt } from '@/api/definition'
import { words } from '@/words'

/** Adds a prompt: for a field's values, or for something that no field is about. */
defineProps<{ dataset: DatasetView }>()
const emit = defineEmits<{ field: [field: FieldView]; make: [type: Prompt['type']] }>()

const text = words.bench.spine
</script>

<template>
  <FieldButton
    v-slot="{ hide }"
    :dataset="dataset"
    :name="text.add(text.prompts)"
    :accept="perRow"
    @pick="(field) => emit('field', field)"
  >
    <p>{{ words.bench.prompts.without }}</p>
    <Button
      v-for="(label, type) in words.bench.prompts.made"
      :key="type"
      :label="label"
      text
      size="small"
      @click="(hide(), emit('make', type))"
    />
  </FieldButton>
</template>

<style scoped>
p {
  margin: 0.5rem 0 0;
  color: var(--quiet);
}
</style>
