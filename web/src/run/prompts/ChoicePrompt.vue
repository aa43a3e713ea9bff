<script setup lang="ts">
import { computed } from 'vue'
import ValueBox from '@/shell/ValueBox.vue'
import { words } from '@/words'
import type { PromptProps } from './promptProps'

const props = defineProps<PromptProps>()
/** The chosen value; empty for all. */
const asked = defineModel<string>({ required: true })
const values = computed({
  get: () => (asked.value ? [asked.value] : []),
  set: ([first]) => (asked.value = first ?? ''),
})
</script>

<template>
  <div class="choice">
    <label :for="`choice-${prompt.name}`">{{ prompt.label }}</label>
    <ValueBox
      v-model="values"
      :search="(find) => props.source.choices(prompt.name, answers, find)"
      :input-id="`choice-${prompt.name}`"
      :label="prompt.label"
      :placeholder="words.run.choose"
      :invalid="!!problem"
    >
      <template #namesake="{ one }">{{ [one.code, one.about].filter(Boolean).join(' · ') }}</template>
    </ValueBox>
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
