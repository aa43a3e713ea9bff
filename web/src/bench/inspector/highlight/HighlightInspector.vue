<script setup lang="ts">
import Button from 'primevue/button'
import Select from 'primevue/select'
import ToggleSwitch from 'primevue/toggleswitch'
import { computed } from 'vue'
import RuleBuilder from './RuleBuilder.vue'
import ExpressionField from '../ExpressionField.vue'
import InspectorField from '../InspectorField.vue'
import TextInput from '../TextInput.vue'
import { changeHighlight } from '../../edits/marks/highlights'
import { useAskEdit, useOffers } from '../../namedEdits'
import { keyOf, markedColumns, reachLabel, type Reach } from './markedParts'
import type { DatasetView, Highlight, Report } from '@/api/client'
import { useStyles } from '@/styles/useStyles'
import { words } from '@/words'

const props = defineProps<{
  report: Report
  highlight: Highlight
  dataset: DatasetView
  problem: (path: string) => string | undefined
}>()
const emit = defineEmits<{ apply: [name: string, change: (report: Report) => Report, key?: string] }>()

const text = words.bench.inspector
/** Stands for no column: the whole of what is marked. */
const ALL = '*'
const { styleOf } = useStyles()
/** The looks of the report's style, or its own where it says so; one that is gone stays to be seen. */
const looks = computed(() => {
  const there = props.report.look?.marks ?? styleOf(props.report.style)?.marks ?? []
  const offered = there.map(({ id, name, sign }) => ({ value: id, label: `${sign} ${name}` }))
  const { look } = props.highlight
  return offered.some((one) => one.value === look) ? offered : [...offered, { value: look, label: look }]
})
const columns = computed(() => [{ key: ALL, label: text.reachAll }, ...markedColumns(props.report)])

const ask = useAskEdit()
const offers = useOffers()
const countable = computed(
  () => offers.value?.rules.find((one) => one.highlight === props.highlight.id)?.countable,
)

function change(what: Partial<Highlight>, key: string) {
  emit(
    'apply',
    words.bench.edits.highlight,
    (report) => changeHighlight(report, props.highlight.id, what),
    `${props.highlight.id} ${key}`,
  )
}

const reaches = computed(() =>
  (offers.value?.reaches ?? []).map((reach) => ({
    key: keyOf(reach),
    label: reachLabel(reach, props.report, props.dataset),
    reach,
  })),
)

const mark = (reach: Reach, column?: string) =>
  void ask(words.bench.edits.highlight, {
    edit: 'reach-with-highlight',
    highlight: props.highlight.id,
    ...reach,
    of: reach.of as NonNullable<Highlight['reach']>['of'],
    ...(column ? { column } : {}),
  })
function markPart(key: string) {
  const chosen = reaches.value.find((one) => one.key === key)
  if (chosen) {
    mark(chosen.reach, props.highlight.reach?.column)
  }
}
function markColumn(column: string) {
  const { of, level, figure } = props.highlight.reach ?? { of: 'row' }
  mark({ of, level, figure }, column === ALL ? undefined : column)
}
</script>

<template>
  <InspectorField :label="text.name" :problem="problem('label')">
    <TextInput
      :model-value="highlight.label"
      @update:model-value="(label) => change({ label: label ?? '' }, 'label')"
    />
  </InspectorField>
  <RuleBuilder :highlight="highlight" />
  <InspectorField
    :label="highlight.reach?.figure ? text.whenFigure : text.when"
    :hint="highlight.reach?.figure ? text.whenFigureHint : text.whenHint"
    :problem="problem('when')"
  >
    <ExpressionField
      :model-value="highlight.when"
      :invalid="!!problem('when')"
      @update:model-value="(when) => change({ when: when ?? '' }, 'when')"
    />
  </InspectorField>
  <InspectorField :label="text.reach" :problem="problem('reach')">
    <Select
      :aria-label="text.reach"
      :model-value="keyOf(highlight.reach)"
      :options="reaches"
      option-label="label"
      option-value="key"
      size="small"
      fluid
      @update:model-value="markPart"
    />
  </InspectorField>
  <InspectorField v-if="!highlight.reach?.figure" :label="text.reachColumn">
    <Select
      :aria-label="text.reachColumn"
      :model-value="highlight.reach?.column ?? ALL"
      :options="columns"
      option-label="label"
      option-value="key"
      size="small"
      fluid
      @update:model-value="markColumn"
    />
  </InspectorField>
  <InspectorField :label="text.look" :problem="problem('look')">
    <Select
      :aria-label="text.look"
      :model-value="highlight.look"
      :options="looks"
      option-label="label"
      option-value="value"
      size="small"
      fluid
      @update:model-value="(look: string) => change({ look }, 'look')"
    />
  </InspectorField>
  <InspectorField :label="text.markWord" :hint="text.markWordHint" :problem="problem('word')">
    <TextInput
      :model-value="highlight.word"
      @update:model-value="(word) => change({ word: word || undefined }, 'word')"
    />
  </InspectorField>
  <label class="also">
    <ToggleSwitch
      :model-value="highlight.also ?? false"
      @update:model-value="(also: boolean) => change({ also: also || undefined }, 'also')"
    />
    {{ text.also }}
  </label>
  <Button
    v-if="countable"
    :label="text.countMarks"
    icon="pi pi-hashtag"
    outlined
    size="small"
    @click="
      ask(words.bench.edits.countMarks(highlight.label), { edit: 'count-highlight', highlight: highlight.id })
    "
  />
</template>

<style scoped>
.also {
  display: flex;
  gap: 0.4rem;
  align-items: center;
}
</style>
