<script setup lang="ts">
import Button from 'primevue/button'
import ExpressionField from '../ExpressionField.vue'
import InspectorField from '../InspectorField.vue'
import TextInput from '../TextInput.vue'
import { useAskEdit } from '../../namedEdits'
import type { Prompt } from '@/api/client'
import { words } from '@/words'

type Check = NonNullable<Prompt['checks']>[number]

/** What the answer to a prompt must meet together with the others, each with what is said to whoever answers otherwise. */
const props = defineProps<{
  /** The prompt's id. */
  prompt: string
  checks: Check[]
  problem: (path: string) => string | undefined
}>()
const emit = defineEmits<{ change: [checks: Check[] | undefined] }>()
const text = words.bench.inspector.checks
const ask = useAskEdit()

function set(checks: Check[]) {
  emit('change', checks.length ? checks : undefined)
}

const change = (at: number, what: Partial<Check>) =>
  set(props.checks.map((check, i) => (i === at ? { ...check, ...what } : check)))
</script>

<template>
  <fieldset>
    <legend>{{ text.title }}</legend>
    <div v-for="(check, i) in checks" :key="i" class="check">
      <InspectorField :label="text.that" :problem="problem(`checks/${i}/that`)">
        <ExpressionField
          :model-value="check.that"
          :invalid="!!problem(`checks/${i}/that`)"
          @update:model-value="(that) => change(i, { that: that ?? '' })"
        />
      </InspectorField>
      <InspectorField :label="text.message" :problem="problem(`checks/${i}/message`)">
        <TextInput
          :model-value="check.message"
          @update:model-value="(message) => change(i, { message: message ?? '' })"
        />
      </InspectorField>
      <Button
        :label="text.remove"
        icon="pi pi-times"
        text
        size="small"
        @click="set(checks.filter((_, at) => at !== i))"
      />
    </div>
    <Button
      :label="text.add"
      icon="pi pi-plus"
      text
      size="small"
      @click="ask(words.bench.edits.prompt, { edit: 'add-prompt-check', prompt, message: text.usual })"
    />
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 0.5rem;
  justify-items: start;
}
legend {
  padding: 0;
}
.check {
  display: grid;
  gap: 0.3rem;
  width: 100%;
  justify-items: start;
  border-left: 2px solid var(--line);
  padding-left: 0.6rem;
}
.check > :first-child,
.check > :nth-child(2) {
  width: 100%;
}
</style>
