<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import InspectorField from '../InspectorField.vue'
import { perRow } from '../../edits/perRow'
import { useAskEdit } from '../../namedEdits'
import FieldButton from '../../FieldButton.vue'
import type { DatasetView, FieldView, Filter } from '@/api/client'
import OneOf from '@/shell/OneOf.vue'
import { words } from '@/words'

/** A filter that is made of others: how they are joined, and one more. */
const props = defineProps<{ dataset: DatasetView; filter: Filter }>()

const text = words.bench.filters
const kinds = (['all', 'any', 'none'] as const).map((value) => ({ value, label: text.kinds[value] }))

const ask = useAskEdit()
const join = (of: 'all' | 'any' | 'none') =>
  void ask(words.bench.edits.filter, { edit: 'join-filters', filter: props.filter.id, of })
const within = computed(() => props.filter.id)
const addField = (field: FieldView) =>
  void ask(words.bench.edits.addFilter, { edit: 'add-filter', field: field.id, within: within.value })
const make = (kind: 'expression' | 'any') =>
  void ask(words.bench.edits.addFilter, { edit: 'make-filter', kind, within: within.value })
</script>

<template>
  <InspectorField :label="text.keepsRows">
    <OneOf
      :aria-label="text.keepsRows"
      :model-value="filter.kind"
      :options="kinds"
      fluid
      @update:model-value="join"
    />
  </InspectorField>
  <p v-if="!filter.filters?.length" class="quiet">{{ text.noParts }}</p>
  <FieldButton
    v-slot="{ hide }"
    :dataset="dataset"
    :label="text.addPart"
    :name="text.addPart"
    :accept="perRow"
    @pick="addField"
  >
    <Button
      :label="words.bench.spine.typed"
      icon="pi pi-code"
      text
      size="small"
      @click="(hide(), make('expression'))"
    />
    <Button :label="text.several" icon="pi pi-box" text size="small" @click="(hide(), make('any'))" />
  </FieldButton>
</template>

<style scoped>
.quiet {
  margin: 0;
  color: var(--quiet);
}
</style>
