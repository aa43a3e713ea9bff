<script setup lang="ts">
import Select from 'primevue/select'
import ToggleSwitch from 'primevue/toggleswitch'
import { computed } from 'vue'
import InspectorField from '../InspectorField.vue'
import TextInput from '../TextInput.vue'
import ValuePicker from '../ValuePicker.vue'
import AppearsField from '../AppearsField.vue'
import OfferedChoices from './OfferedChoices.vue'
import OfferedField from './OfferedField.vue'
import PromptChecks from './PromptChecks.vue'
import TryPrompts from './TryPrompts.vue'
import { changePrompt, hasEnds } from '../../edits/prompts'
import { useAskEdit } from '../../namedEdits'
import OneOf from '@/shell/OneOf.vue'
import type { DatasetView, Prompt, Report } from '@/api/client'
import { words } from '@/words'

const props = defineProps<{
  report: Report
  dataset: DatasetView
  prompt: Prompt
  problem: (path: string) => string | undefined
}>()
const emit = defineEmits<{ apply: [name: string, change: (report: Report) => Report, key?: string] }>()

/** The default of what begins with the reader's last answer. */
const LAST = 'last answer'
/** Begins the default of what begins with an attribute of the reader. */
const MY = 'my '
const text = words.bench.inspector
const ask = useAskEdit()
const attribute = computed(() =>
  props.prompt.default?.startsWith(MY) ? props.prompt.default.slice(MY.length) : undefined,
)
const field = computed(() => props.dataset.fields.find((f) => f.id === props.prompt.field))
/** The field that the prompt is about: whose values it offers, or that a filter compares with its answer. */
const about = computed(() => {
  const id = props.prompt.field ?? props.report.filters.find((f) => f.prompt === props.prompt.name)?.field
  return props.dataset.fields.find((f) => f.id === id)
})
/** What can be asked about it; of no field, what can be asked about any text. */
const asks = computed(
  () => (about.value?.offers.asks ?? ['choice', 'choices', 'text', 'text-range']) as Prompt['type'][],
)
const types = computed(() =>
  [...new Set([props.prompt.type, ...asks.value])].map((value) => ({
    value,
    label: text.promptTypes[value],
  })),
)
const isLimited = computed(() => ['whole-number', 'decimal', 'date'].includes(props.prompt.type))
const ends = computed(() => hasEnds(props.prompt))
const offers = computed(() => props.prompt.type === 'choice' || props.prompt.type === 'choices')
const periods = computed(() => {
  const known = Object.entries(words.periods).map(([value, label]) => ({ value, label }))
  const own = props.prompt.default
  return own && !known.some((p) => p.value === own) ? [...known, { value: own, label: own }] : known
})

function change(what: Partial<Prompt>, key: string) {
  emit(
    'apply',
    words.bench.edits.prompt,
    (report) => changePrompt(report, props.prompt.id, what),
    `${props.prompt.id} ${key}`,
  )
}
</script>

<template>
  <InspectorField :label="text.name" :problem="problem('label')">
    <TextInput
      :model-value="prompt.label"
      @update:model-value="(label) => change({ label: label ?? '' }, 'label')"
    />
  </InspectorField>
  <InspectorField :label="text.help">
    <TextInput :model-value="prompt.help" long @update:model-value="(help) => change({ help }, 'help')" />
  </InspectorField>
  <InspectorField :label="text.asksFor">
    <OneOf
      :aria-label="text.asksFor"
      :model-value="prompt.type"
      :options="types"
      fluid
      @update:model-value="
        (type: Prompt['type']) =>
          ask(words.bench.edits.prompt, { edit: 'ask-otherwise', prompt: prompt.id, type })
      "
    />
  </InspectorField>
  <InspectorField v-if="prompt.type === 'period'" :label="text.default" :problem="problem('default')">
    <Select
      :aria-label="text.default"
      :model-value="prompt.default ?? 'all'"
      :options="periods"
      option-label="label"
      option-value="value"
      editable
      size="small"
      fluid
      @update:model-value="
        (answer: string) => change({ default: answer === 'all' || !answer ? undefined : answer }, 'default')
      "
    />
  </InspectorField>
  <InspectorField
    v-else-if="prompt.type !== 'choice' || prompt.listed || prompt.dataset"
    :label="text.default"
    :hint="text.defaultHints[prompt.type]"
    :problem="problem('default') ?? problem(prompt.name)"
  >
    <TextInput
      :model-value="prompt.default"
      @update:model-value="(answer) => change({ default: answer || undefined }, 'default')"
    />
  </InspectorField>
  <div v-else-if="field && !prompt.listed" class="block">
    <span>{{ text.default }}</span>
    <ValuePicker
      :model-value="prompt.default ? [prompt.default] : []"
      :dataset="dataset.id"
      :field="field"
      :label="text.default"
      @update:model-value="(values) => change({ default: values[0] || undefined }, 'default')"
    />
    <small v-if="!prompt.default">{{ text.noDefault }}</small>
  </div>
  <OfferedField
    v-if="offers && prompt.field"
    :dataset="dataset"
    :prompt="prompt"
    :problem="problem"
    @change="change"
  />
  <OfferedChoices v-if="offers" :prompt="prompt" :problem="problem" @change="change" />
  <InspectorField
    v-if="prompt.type === 'text'"
    :label="text.pattern"
    :hint="text.patternHint"
    :problem="problem('pattern')"
  >
    <TextInput
      :model-value="prompt.pattern"
      @update:model-value="(pattern) => change({ pattern: pattern || undefined }, 'pattern')"
    />
  </InspectorField>
  <template v-if="isLimited">
    <InspectorField v-for="limit in ['least', 'most'] as const" :key="limit" :label="text.limits[limit]">
      <TextInput
        :model-value="prompt[limit]"
        @update:model-value="(value) => change({ [limit]: value || undefined }, limit)"
      />
    </InspectorField>
  </template>
  <label class="switch">
    <ToggleSwitch
      :model-value="prompt.required ?? false"
      @update:model-value="(required: boolean) => change({ required: required || undefined }, 'required')"
    />
    {{ text.required }}
  </label>
  <label class="switch">
    <ToggleSwitch
      :model-value="prompt.default === LAST"
      @update:model-value="(last: boolean) => change({ default: last ? LAST : undefined }, 'default')"
    />
    {{ text.lastAnswer }}
  </label>
  <InspectorField :label="text.ofPerson" :hint="text.ofPersonHint">
    <TextInput
      :model-value="attribute"
      @update:model-value="
        (name) => change({ default: name?.trim() ? MY + name.trim() : undefined }, 'default')
      "
    />
  </InspectorField>
  <AppearsField
    :model-value="prompt.appears"
    :report="report"
    :hint="text.appears.askedHint"
    :problem="problem('appears')"
    @update:model-value="(appears) => change({ appears: appears || undefined }, 'appears')"
  />
  <PromptChecks
    :checks="prompt.checks ?? []"
    :prompt="prompt.id"
    :problem="problem"
    @change="(checks) => change({ checks }, 'checks')"
  />
  <TryPrompts :report="report" />
  <p class="quiet">
    {{ text.promptName }}:
    <code>{{ ends ? `:${prompt.name}_from, :${prompt.name}_to` : `:${prompt.name}` }}</code>
  </p>
</template>

<style scoped>
.switch {
  display: flex;
  gap: 0.5rem;
  align-items: center;
}
.block {
  display: grid;
  gap: 0.2rem;
}
.quiet,
small {
  color: var(--quiet);
  margin: 0;
}
</style>
