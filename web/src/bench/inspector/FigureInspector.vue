<script setup lang="ts">
import { computed } from 'vue'
import CompareFields from './CompareFields.vue'
import ExpressionField from './ExpressionField.vue'
import ReadyMarks from './highlight/ReadyMarks.vue'
import FieldNaming from './FieldNaming.vue'
import InspectorField from './InspectorField.vue'
import TextInput from './TextInput.vue'
import { fieldIn, figureLabel } from '../edits/fieldNames'
import { changeFigure } from '../edits/figures'
import { useAskEdit } from '../namedEdits'
import type { DatasetView, FieldView, Figure, Report } from '@/api/client'
import OneOf from '@/shell/OneOf.vue'
import { words } from '@/words'

/** What a key figure is, and what stands beside it. */
const props = defineProps<{
  report: Report
  figure: Figure
  dataset: DatasetView
  problem: (path: string) => string | undefined
}>()
const emit = defineEmits<{ apply: [name: string, change: (report: Report) => Report, key?: string] }>()

const text = words.bench.figures
const inspector = words.bench.inspector
const options = (choices: Record<string, string>) =>
  Object.entries(choices).map(([value, label]) => ({ value, label }))
const units = options(inspector.units)
const periods = computed(() =>
  props.report.prompts
    .filter((prompt) => prompt.type === 'period')
    .map((prompt) => ({ value: prompt.name, label: prompt.label })),
)
const besides = computed(() =>
  options(text.besides).filter(({ value }) => value !== 'period' || periods.value.length > 0),
)
const isStoredTime = ({ type, made }: FieldView) =>
  (type === 'DATE' || type === 'TIMESTAMP') && made === 'READ'
const compare = computed(() => props.figure.compare)
const name = computed(() => figureLabel(props.report, props.figure, props.dataset))

function change(what: Partial<Figure>, key: string) {
  emit(
    'apply',
    words.bench.edits.figure(name.value),
    (report) => changeFigure(report, props.figure.id, what),
    `${props.figure.id} ${key}`,
  )
}

const ask = useAskEdit()

function beside(choice: string) {
  void ask(words.bench.edits.figure(name.value), {
    edit: 'compare-figure',
    figure: props.figure.id,
    with: choice as 'none' | NonNullable<Figure['compare']>['with'],
    date: props.dataset.dateField ?? props.dataset.fields.find(isStoredTime)?.id,
    prompt: periods.value.at(-1)?.value,
  })
}

const changeCompare = (what: Partial<NonNullable<Figure['compare']>>, key: string) =>
  change({ compare: { ...compare.value!, ...what } }, key)
</script>

<template>
  <InspectorField :label="text.label" :problem="problem('label')">
    <TextInput
      :model-value="figure.label"
      :placeholder="name"
      @update:model-value="(label) => change({ label: label || undefined }, 'label')"
    />
  </InspectorField>
  <InspectorField :label="text.value" :problem="problem('value')">
    <ExpressionField
      :model-value="figure.value"
      :invalid="!!problem('value')"
      @update:model-value="(value) => change({ value: value ?? '' }, 'value')"
    />
  </InspectorField>
  <InspectorField :label="inspector.format" :hint="inspector.formatHint" :problem="problem('format')">
    <TextInput
      :model-value="figure.format"
      :invalid="!!problem('format')"
      @update:model-value="(format) => change({ format: format || undefined }, 'format')"
    />
  </InspectorField>
  <InspectorField :label="inspector.unit">
    <OneOf
      :aria-label="inspector.unit"
      :model-value="figure.unit ?? 'ones'"
      :options="units"
      fluid
      @update:model-value="
        (unit: string) => change({ unit: (unit === 'ones' ? undefined : unit) as Figure['unit'] }, 'unit')
      "
    />
  </InspectorField>
  <FieldNaming :report="report" :field="fieldIn(figure.value)" :as="figure" />
  <InspectorField :label="text.beside" :problem="problem('prompt')">
    <OneOf
      :aria-label="text.beside"
      :model-value="compare?.with ?? 'none'"
      :options="besides"
      fluid
      @update:model-value="beside"
    />
  </InspectorField>
  <template v-if="compare">
    <CompareFields :compare="compare" :dataset="dataset" :problem="problem" @change="changeCompare" />
    <InspectorField v-if="compare.with === 'period'" :label="text.prompt">
      <OneOf
        :aria-label="text.prompt"
        :model-value="compare.prompt"
        :options="periods"
        fluid
        @update:model-value="(prompt: string) => changeCompare({ prompt }, 'prompt')"
      />
    </InspectorField>
    <InspectorField :label="text.change">
      <OneOf
        :aria-label="text.change"
        :model-value="compare.shown"
        :options="options(text.changes)"
        fluid
        @update:model-value="
          (shown: string) => changeCompare({ shown: shown as 'percent' | 'difference' | 'figure' }, 'shown')
        "
      />
    </InspectorField>
    <InspectorField :label="text.good">
      <OneOf
        :aria-label="text.good"
        :model-value="figure.good ?? 'none'"
        :options="options(text.goods)"
        fluid
        @update:model-value="
          (good: string) => change({ good: (good === 'none' ? undefined : good) as Figure['good'] }, 'good')
        "
      />
    </InspectorField>
  </template>
  <ReadyMarks
    :label="words.bench.ready.markFigure"
    :part="figure.id"
    :name="name"
    :prompts="report.prompts"
    :compare="figure.compare"
  />
</template>
