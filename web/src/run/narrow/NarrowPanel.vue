<script setup lang="ts">
import Button from 'primevue/button'
import Select from 'primevue/select'
import { onMounted, useTemplateRef, watch, type Component } from 'vue'
import PeriodPrompt from '../prompts/PeriodPrompt.vue'
import RangePrompt from '../prompts/RangePrompt.vue'
import type { PromptSource } from '../prompts/promptSource'
import TickedValues from './TickedValues.vue'
import type { Narrowed, Narrowing } from './useNarrowing'
import { api, type NarrowableField, type PromptView } from '@/api/client'
import { words } from '@/words'

/** What a reader narrows a run to: values that are ticked, a range of numbers, days. */
const props = defineProps<{
  source: PromptSource
  run: string
  narrowing: Narrowing
  /** By field, in words. */
  problems: Record<string, string>
}>()
const text = words.narrow
const panel = useTemplateRef('panel')
/** What was chosen from gives the focus back to its box first. */
const AFTER_MILLIS = 50

/** Gives the focus to the field that was asked for, once it has something to take it. */
function focusRevealed() {
  const handle = props.narrowing.revealed.value
  const field = handle && panel.value?.querySelector<HTMLElement>(`[data-narrow="${CSS.escape(handle)}"]`)
  const input = field && field.querySelector<HTMLElement>('input, [role=combobox]')
  if (input) {
    props.narrowing.reach()
    field.scrollIntoView({ block: 'nearest' })
    setTimeout(() => input.focus(), AFTER_MILLIS)
  }
}
onMounted(focusRevealed)
watch(() => props.narrowing.revealed.value, focusRevealed, { flush: 'post' })

/** What asks for two ends; values are ticked. */
const ranges: Partial<Record<NarrowableField['kind'], Component>> = {
  PERIOD: PeriodPrompt,
  NUMBER_RANGE: RangePrompt,
}

/** A narrowing asks as a prompt of its kind does. */
function asPrompt({ handle, label, field, values }: Narrowed): PromptView {
  const answer = { name: handle, hidden: false, asked: values, resolved: values, words: '' }
  return { name: handle, type: field.kind, label, required: false, offers: false, asked: '', answer }
}
</script>

<template>
  <section ref="panel" class="narrow" :aria-label="text.title">
    <h2>{{ text.title }}</h2>
    <div v-for="one in narrowing.shown.value" :key="one.handle" class="field" :data-narrow="one.handle">
      <component
        :is="ranges[one.field.kind]"
        v-if="ranges[one.field.kind]"
        :model-value="one.values"
        :source="source"
        :prompt="asPrompt(one)"
        :answers="{}"
        :resolved="one.answer"
        :problem="problems[one.field.field]"
        @update:model-value="(values: string) => narrowing.narrowTo(one.handle, values)"
      />
      <TickedValues
        v-else
        :model-value="one.values"
        :label="one.label"
        :run="run"
        :search="(find) => api.narrowableValues(run, one.field.block, one.field.field, find)"
        :problem="problems[one.field.field]"
        @update:model-value="(values: string) => narrowing.narrowTo(one.handle, values)"
        @ready="focusRevealed"
      />
      <Button
        v-if="one.values || !one.field.beside"
        icon="pi pi-times"
        class="stop"
        text
        size="small"
        severity="secondary"
        :aria-label="text.stop(one.label)"
        :title="text.stop(one.label)"
        @click="narrowing.stop(one.handle)"
      />
    </div>
    <Select
      v-if="narrowing.others.value.length"
      :model-value="undefined"
      :options="narrowing.others.value"
      option-label="label"
      auto-option-focus
      :placeholder="text.add"
      :aria-label="text.add"
      size="small"
      fluid
      @update:model-value="(field: NarrowableField) => field && narrowing.open(field.field)"
    />
  </section>
</template>

<style scoped>
.narrow {
  margin-top: 1.25rem;
  padding-top: 0.75rem;
  border-top: 1px solid var(--line);
}
h2 {
  font-size: 1rem;
  margin: 0 0 0.35rem;
}
.field {
  position: relative;
  margin-bottom: 0.75rem;
}
.stop {
  position: absolute;
  top: -0.4rem;
  right: -0.4rem;
}
</style>
