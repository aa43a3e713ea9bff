<script setup lang="ts">
import AutoComplete from 'primevue/autocomplete'
import { api, type FieldView } from '@/api/client'
import { useNewest } from '@/shell/useNewest'

/** Values of a field, offered from the data with their counts; others can be typed. */
const props = defineProps<{ dataset: string; field: FieldView; label: string; many?: boolean }>()
const values = defineModel<string[]>({ required: true })

const [offered, search] = useNewest((find) => api.values(props.dataset, props.field.id, find))

function set(chosen: unknown) {
  const list = Array.isArray(chosen) ? chosen : chosen ? [chosen] : []
  values.value = list.map((v) => (typeof v === 'string' ? v : (v as { value: string }).value))
}
</script>

<template>
  <AutoComplete
    :model-value="many ? values : (values[0] ?? '')"
    :suggestions="offered"
    option-label="value"
    :multiple="many"
    :typeahead="true"
    dropdown
    complete-on-focus
    fluid
    size="small"
    :aria-label="label"
    :pt="{ dropdown: { 'aria-label': label } }"
    @complete="(event) => search(event.query)"
    @update:model-value="set"
  >
    <template #option="{ option }">
      <span class="option"
        ><span>{{ option.label }}</span
        ><small>{{ option.rows.toLocaleString('en-GB') }}</small></span
      >
    </template>
  </AutoComplete>
</template>

<style scoped>
.option {
  display: flex;
  justify-content: space-between;
  gap: 1rem;
  width: 100%;
}
small {
  color: var(--quiet);
}
</style>
