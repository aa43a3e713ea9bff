<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { computed } from 'vue'
import PromptFrame from './PromptFrame.vue'
import { words } from '@/words'
import type { PromptProps } from './promptProps'

/** Asks for two ends, of numbers or of texts such as order numbers; either may be left open. */
defineProps<PromptProps>()
/** The answer as written: both ends with two points between them; empty for none. */
const asked = defineModel<string>({ required: true })

const BETWEEN = '..'
const text = words.run.values
const ends = computed(() => {
  const [from = '', ...rest] = asked.value.split(BETWEEN)
  return { from, to: rest.join(BETWEEN) }
})

function set(from: string, to: string) {
  asked.value = from.trim() || to.trim() ? `${from.trim()}${BETWEEN}${to.trim()}` : ''
}
</script>

<template>
  <PromptFrame :prompt="prompt" :resolved="resolved" :problem="problem">
    <div class="ends">
      <InputText
        :id="`answer-${prompt.name}`"
        :model-value="ends.from"
        :aria-label="`${prompt.label}, ${text.from}`"
        :placeholder="text.from"
        :invalid="!!problem"
        size="small"
        fluid
        @change="(event) => set((event.target as HTMLInputElement).value, ends.to)"
      />
      <span aria-hidden="true">–</span>
      <InputText
        :model-value="ends.to"
        :aria-label="`${prompt.label}, ${text.to}`"
        :placeholder="text.to"
        :invalid="!!problem"
        size="small"
        fluid
        @change="(event) => set(ends.from, (event.target as HTMLInputElement).value)"
      />
    </div>
  </PromptFrame>
</template>

<style scoped>
.ends {
  display: flex;
  align-items: center;
  gap: 0.3rem;
}
</style>
