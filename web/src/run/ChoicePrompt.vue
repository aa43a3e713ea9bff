<script setup lang="ts">
import AutoComplete from 'primevue/autocomplete'
import { api, type FieldValue, type PromptView } from '@/api/client'
import { useNewest } from '@/shell/useNewest'
import { words } from '@/words'

const props = defineProps<{ report: string; prompt: PromptView; problem?: string }>()
/** The chosen value; empty for all. */
const asked = defineModel<string>({ required: true })
const [offered, search] = useNewest((find) => api.choices(props.report, props.prompt.name, find))

function set(chosen: string | FieldValue | null) {
  asked.value = typeof chosen === 'string' ? chosen : (chosen?.value ?? '')
}
</script>

<template>
  <div class="choice">
    <label :for="`choice-${prompt.name}`">{{ prompt.label }}</label>
    <AutoComplete
      :model-value="asked"
      :suggestions="offered"
      :input-id="`choice-${prompt.name}`"
      option-label="value"
      :placeholder="words.run.choose"
      dropdown
      :pt="{ dropdown: { 'aria-label': prompt.label } }"
      fluid
      :invalid="!!problem"
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
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <p v-else-if="prompt.help" class="help">{{ prompt.help }}</p>
  </div>
</template>

<style scoped>
.choice {
  display: grid;
  gap: 0.25rem;
  margin-top: 0.75rem;
}
label {
  font-weight: 600;
}
.option {
  display: flex;
  justify-content: space-between;
  gap: 1rem;
  width: 100%;
}
small,
.help {
  color: var(--quiet);
}
p {
  margin: 0;
}
.problem {
  color: var(--danger);
}
</style>
