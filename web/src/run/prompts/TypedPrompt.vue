<script setup lang="ts">
import InputText from 'primevue/inputtext'
import SelectButton from 'primevue/selectbutton'
import { computed, ref } from 'vue'
import PromptFrame from './PromptFrame.vue'
import ValueBox from '@/shell/ValueBox.vue'
import { words } from '@/words'
import type { PromptProps } from './promptProps'

/** Asks for a text, a number, a day, or yes or no. What is typed is read by the server, which says what it understood. */
const props = defineProps<PromptProps>()
/** The answer as written; empty for none. */
const asked = defineModel<string>({ required: true })

const text = words.run.values
/** What is being typed; none while nothing is, so that what was understood takes its place. */
const typed = ref<string>()
const sides = [
  ...(props.prompt.required ? [] : [{ value: '', label: text.either }]),
  { value: 'yes', label: text.yes },
  { value: 'no', label: text.no },
]
/** The day that is chosen of those that there are, as it is said. */
const days = computed({
  get: () => (asked.value ? [props.resolved?.words || asked.value] : []),
  set: ([first]) => (asked.value = first ?? ''),
})
/** Whether the day is the latest or the earliest in the data, whichever that is. */
const isOfData = computed(() => ['latest', 'earliest'].includes(asked.value))
const isNumber = props.prompt.type === 'WHOLE_NUMBER' || props.prompt.type === 'DECIMAL'

function type(now: string | undefined) {
  typed.value = now ?? ''
  asked.value = typed.value.trim()
}
</script>

<template>
  <PromptFrame :prompt="prompt" :resolved="isNumber || isOfData ? resolved : undefined" :problem="problem">
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
    <ValueBox
      v-else-if="prompt.offers"
      v-model="days"
      :search="(find) => props.source.choices(prompt.name, answers, find)"
      :input-id="`answer-${prompt.name}`"
      :label="prompt.label"
      :placeholder="text.anyDay"
      :invalid="!!problem"
      free
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
