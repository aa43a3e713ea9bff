<script setup lang="ts">
import InputText from 'primevue/inputtext'
import SelectButton from 'primevue/selectbutton'
import { ref } from 'vue'
import PromptFrame from './PromptFrame.vue'
import type { AnswerView, PromptView } from '@/api/client'
import { words } from '@/words'

/** Asks for a text, a number, a day, or yes or no. What is typed is read by the server, which says what it understood. */
const props = defineProps<{ prompt: PromptView; resolved?: AnswerView; problem?: string }>()
/** The answer as written; empty for none. */
const asked = defineModel<string>({ required: true })

const text = words.run.values
/** What is being typed; none while nothing is, so that what was understood takes its place. */
const typed = ref<string>()
const sides = [
  { value: '', label: text.either },
  { value: 'yes', label: text.yes },
  { value: 'no', label: text.no },
]
const isNumber = props.prompt.type === 'WHOLE_NUMBER' || props.prompt.type === 'DECIMAL'

function type(now: string | undefined) {
  typed.value = now ?? ''
  asked.value = typed.value.trim()
}
</script>

<template>
  <PromptFrame :prompt="prompt" :resolved="isNumber ? resolved : undefined" :problem="problem">
    <SelectButton
      v-if="prompt.type === 'YES_NO'"
      :model-value="asked"
      :options="sides"
      option-label="label"
      option-value="value"
      :allow-empty="false"
      :aria-label="prompt.label"
      size="small"
      @update:model-value="(side: string) => (asked = side)"
    />
    <InputText
      v-else
      :id="`answer-${prompt.name}`"
      :model-value="typed ?? (prompt.type === 'DATE' && asked ? resolved?.words : asked)"
      :invalid="!!problem"
      :inputmode="isNumber ? 'decimal' : undefined"
      :placeholder="prompt.type === 'DATE' ? text.anyDay : text.any"
      size="small"
      fluid
      @update:model-value="type"
      @blur="typed = undefined"
    />
  </PromptFrame>
</template>
