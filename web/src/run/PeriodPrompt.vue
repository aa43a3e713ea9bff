<script setup lang="ts">
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed } from 'vue'
import type { AnswerView, PromptView } from '@/api/client'
import { words } from '@/words'

const props = defineProps<{ prompt: PromptView; resolved?: AnswerView; problem?: string }>()
/** The answer as written: a rolling name, or an ISO 8601 interval. */
const asked = defineModel<string>({ required: true })

const CUSTOM = 'custom'
const rolling = Object.keys(words.periods)
const options = [
  ...rolling.map((value) => ({ value, label: words.periods[value] })),
  { value: CUSTOM, label: words.run.custom },
]
const chosen = computed(() => {
  const text = asked.value === '' ? 'all' : asked.value
  return rolling.includes(text) ? text : CUSTOM
})
/** Both ends as they stand now, whichever way they were chosen. */
const ends = computed(() => {
  const interval =
    chosen.value === CUSTOM && asked.value.includes('/') ? asked.value : props.resolved?.resolved
  return (interval ?? '../..').split('/').map((end) => (end === '..' ? '' : end))
})

function choose(value: string) {
  asked.value = value === CUSTOM ? (props.resolved?.resolved ?? '../..') : value
}

function setEnd(index: number, value: string | undefined) {
  const both = [...ends.value]
  both[index] = value ?? ''
  asked.value = both.map((end) => end || '..').join('/')
}
</script>

<template>
  <fieldset>
    <legend>{{ prompt.label }}</legend>
    <Select
      :model-value="chosen"
      :options="options"
      option-label="label"
      option-value="value"
      :aria-label="`${prompt.label}: ${words.run.shortcuts}`"
      scroll-height="20rem"
      fluid
      @update:model-value="choose"
    />
    <div class="ends">
      <label>
        {{ words.run.from }}
        <InputText
          type="date"
          :model-value="ends[0]"
          :invalid="!!problem"
          fluid
          @update:model-value="(v) => setEnd(0, v)"
        />
      </label>
      <label>
        {{ words.run.to }}
        <InputText
          type="date"
          :model-value="ends[1]"
          :invalid="!!problem"
          fluid
          @update:model-value="(v) => setEnd(1, v)"
        />
      </label>
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <p v-else class="resolved" aria-live="polite">{{ resolved?.words }}</p>
    <p v-if="prompt.help" class="help">{{ prompt.help }}</p>
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
  font-weight: 600;
  padding: 0;
  margin-bottom: 0.35rem;
}
.ends {
  display: grid;
  gap: 0.35rem;
  margin-top: 0.35rem;
}
label {
  display: grid;
  grid-template-columns: 3rem 1fr;
  align-items: center;
  color: var(--quiet);
}
.resolved,
.problem,
.help {
  margin: 0.4rem 0 0;
}
.resolved {
  font-weight: 600;
}
.problem {
  color: var(--danger);
}
.help {
  color: var(--quiet);
}
</style>
