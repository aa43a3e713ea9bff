<script setup lang="ts">
import Button from 'primevue/button'
import ChoicePrompt from './ChoicePrompt.vue'
import ManyPrompt from './ManyPrompt.vue'
import PeriodPrompt from './PeriodPrompt.vue'
import RangePrompt from './RangePrompt.vue'
import TypedPrompt from './TypedPrompt.vue'
import type { Answers, AnswerView, ReportView } from '@/api/client'
import { words } from '@/words'

/** A report's prompts, with what their answers stand for, and the button that runs it. */
const props = defineProps<{
  report: ReportView
  resolved: Record<string, AnswerView>
  /** By prompt, in words. */
  problems: Record<string, string>
  running: boolean
}>()
const emit = defineEmits<{ run: []; cancel: [] }>()
const asked = defineModel<Answers>({ required: true })
</script>

<template>
  <form data-skip="answers" @submit.prevent="emit('run')">
    <h2 class="visually-hidden">{{ words.run.prompts }}</h2>
    <template v-for="prompt in props.report.prompts" :key="prompt.name">
      <PeriodPrompt
        v-if="prompt.type === 'PERIOD'"
        v-model="asked[prompt.name]!"
        :prompt="prompt"
        :resolved="resolved[prompt.name]"
        :problem="problems[prompt.name]"
      />
      <ManyPrompt
        v-else-if="prompt.type === 'CHOICES'"
        v-model="asked[prompt.name]!"
        :report="props.report.id"
        :prompt="prompt"
        :resolved="resolved[prompt.name]"
        :problem="problems[prompt.name]"
      />
      <RangePrompt
        v-else-if="prompt.type === 'NUMBER_RANGE' || prompt.type === 'TEXT_RANGE'"
        v-model="asked[prompt.name]!"
        :prompt="prompt"
        :resolved="resolved[prompt.name]"
        :problem="problems[prompt.name]"
      />
      <TypedPrompt
        v-else-if="prompt.type !== 'CHOICE'"
        v-model="asked[prompt.name]!"
        :report="props.report.id"
        :prompt="prompt"
        :resolved="resolved[prompt.name]"
        :problem="problems[prompt.name]"
      />
      <ChoicePrompt
        v-else
        v-model="asked[prompt.name]!"
        :report="props.report.id"
        :prompt="prompt"
        :problem="problems[prompt.name]"
      />
    </template>
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
    </div>
  </form>
</template>

<style scoped>
.actions {
  display: flex;
  gap: 0.5rem;
  margin: 0.9rem 0 0;
}
</style>
