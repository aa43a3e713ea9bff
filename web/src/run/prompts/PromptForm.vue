<script setup lang="ts">
import Button from 'primevue/button'
import ChoicePrompt from './ChoicePrompt.vue'
import KeptAnswers from './KeptAnswers.vue'
import ManyPrompt from './ManyPrompt.vue'
import PeriodPrompt from './PeriodPrompt.vue'
import RangePrompt from './RangePrompt.vue'
import TypedPrompt from './TypedPrompt.vue'
import type { PromptSource } from './promptSource'
import type { Answers, AnswerView, PromptView, ReportView } from '@/api/client'
import { words } from '@/words'

/** A report's prompts, with what their answers stand for, and the button that runs it. */
const props = defineProps<{
  source: PromptSource
  prompts: PromptView[]
  /** Id of the report whose answers are kept under names; none where they are not. */
  report?: string
  /** Fiscal years and quarters that are offered where days are asked for. */
  fiscal?: ReportView['fiscalPeriods']
  resolved: Record<string, AnswerView>
  /** By prompt, in words. */
  problems: Record<string, string>
  running: boolean
  /** How many rows these answers would keep, in words; empty where that is not known. */
  count: string
}>()
const emit = defineEmits<{ run: []; cancel: [] }>()
const asked = defineModel<Answers>({ required: true })

/** Every answer anew. */
const answerAll = (answer: (prompt: PromptView) => string) => {
  asked.value = Object.fromEntries(props.prompts.map((prompt) => [prompt.name, answer(prompt)]))
}

/** What asks for an answer of a type. */
function asking(type: PromptView['type']) {
  switch (type) {
    case 'PERIOD':
      return PeriodPrompt
    case 'CHOICE':
      return ChoicePrompt
    case 'CHOICES':
      return ManyPrompt
    case 'NUMBER_RANGE':
    case 'TEXT_RANGE':
      return RangePrompt
    default:
      return TypedPrompt
  }
}
</script>

<template>
  <form data-skip="answers" @submit.prevent="emit('run')">
    <h2 class="visually-hidden">{{ words.run.prompts }}</h2>
    <template v-for="prompt in prompts" :key="prompt.name">
      <component
        :is="asking(prompt.type)"
        v-if="!resolved[prompt.name]?.hidden"
        v-model="asked[prompt.name]!"
        :source="source"
        :prompt="prompt"
        :answers="asked"
        :fiscal="prompt.type === 'PERIOD' ? fiscal : undefined"
        :resolved="resolved[prompt.name]"
        :problem="problems[prompt.name]"
        @run="emit('run')"
      />
    </template>
    <KeptAnswers v-if="report && prompts.length" v-model="asked" :report="report" />
    <p v-if="count" class="count" role="status">{{ count }}</p>
    <div class="actions">
      <Button
        type="submit"
        :label="words.run.run"
        icon="pi pi-play"
        :disabled="Object.keys(problems).length > 0"
      />
      <Button
        v-if="running"
        :label="words.run.cancel"
        severity="secondary"
        outlined
        @click="emit('cancel')"
      />
      <template v-if="prompts.length">
        <Button
          :label="words.run.clearAll"
          :title="words.run.clearAllHint"
          text
          severity="secondary"
          @click="answerAll(() => '')"
        />
        <Button
          :label="words.run.defaults"
          text
          severity="secondary"
          @click="answerAll((prompt) => prompt.asked)"
        />
      </template>
    </div>
  </form>
</template>

<style scoped>
.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  margin: 0.9rem 0 0;
}
.count {
  margin: 0.6rem 0 -0.4rem;
  color: var(--quiet);
}
</style>
