<script setup lang="ts">
import OneOf from '@/shell/OneOf.vue'
import Button from 'primevue/button'
import InputNumber from 'primevue/inputnumber'
import ToggleSwitch from 'primevue/toggleswitch'
import { computed } from 'vue'
import GroupConditions from './GroupConditions.vue'
import ExpressionField from './ExpressionField.vue'
import InspectorField from './InspectorField.vue'
import { measureChoices, withChosen } from '../edits/measures'
import { useAskEdit, useOffers } from '../namedEdits'
import type { DatasetView, Level, Report } from '@/api/client'
import { words } from '@/words'

/** Which groups of a level are shown: those that meet a condition, and of these the largest or smallest. */
const props = defineProps<{
  report: Report
  dataset: DatasetView
  level: Level
  problem: (path: string) => string | undefined
}>()
const emit = defineEmits<{ change: [what: Partial<Level>, key: string] }>()

const text = words.bench.inspector.shownGroups
const ask = useAskEdit()
const offers = useOffers()
type Limit = NonNullable<Level['limit']>
const EVERY = 'every'
const LIMIT_AT_FIRST = 8

const measures = computed(() => measureChoices(offers.value))
const limitChoices = computed(() => withChosen(measures.value, props.level.limit?.by))
const keeps = [
  { value: EVERY, label: text.every },
  { value: 'largest', label: text.largest },
  { value: 'smallest', label: text.smallest },
]
const units = [
  { value: 'count', label: text.groups },
  { value: 'percent', label: text.percent },
]

function keep(end: string) {
  if (end === EVERY) {
    emit('change', { limit: undefined }, 'limit')
    return
  }
  const limit = props.level.limit ?? {
    by: measures.value[0]!.value,
    count: LIMIT_AT_FIRST,
  }
  emit('change', { limit: { ...limit, keep: end as Limit['keep'] } }, 'limit')
}

function setLimit(change: Partial<Limit>) {
  emit('change', { limit: { ...props.level.limit!, ...change } }, 'limit')
}

function setNumber(number: number | null, unit: string) {
  const { keep, by, others } = props.level.limit!
  const of =
    unit === 'percent' ? { percent: Math.min(100, number ?? 10) } : { count: number ?? LIMIT_AT_FIRST }
  emit('change', { limit: { keep, by, ...of, ...(others ? { others } : {}) } }, 'limit')
}

const unit = computed(() => (props.level.limit?.percent === undefined ? 'count' : 'percent'))
const number = computed(() => props.level.limit?.percent ?? props.level.limit?.count ?? null)
</script>

<template>
  <fieldset>
    <legend>{{ text.title }}</legend>
    <div class="line">
      <OneOf
        :model-value="level.limit?.keep ?? EVERY"
        :options="keeps"
        :aria-label="text.title"
        @update:model-value="keep"
      />
      <template v-if="level.limit">
        <InputNumber
          :model-value="number"
          :min="1"
          :max="unit === 'percent' ? 100 : 1000000"
          size="small"
          fluid
          :aria-label="text.howMany"
          @update:model-value="(value: number | null) => setNumber(value, unit)"
        />
        <OneOf
          :model-value="unit"
          :options="units"
          :aria-label="text.unit"
          @update:model-value="(chosen: string) => setNumber(number, chosen)"
        />
      </template>
    </div>
    <template v-if="level.limit">
      <InspectorField :label="text.by" :problem="problem('limit/by')">
        <OneOf
          :model-value="level.limit.by"
          :options="limitChoices"
          fluid
          :aria-label="text.by"
          @update:model-value="(by: string) => setLimit({ by })"
        />
      </InspectorField>
      <label class="switch">
        <ToggleSwitch
          :model-value="level.limit.others ?? false"
          @update:model-value="(others: boolean) => setLimit({ others: others || undefined })"
        />
        {{ text.others }}
      </label>
    </template>
    <GroupConditions
      :report="report"
      :dataset="dataset"
      :level="level"
      :problem="problem"
      @change="(what, key) => emit('change', what, key)"
    />
    <InspectorField
      v-if="level.having !== undefined"
      :label="text.having"
      :hint="text.havingHint"
      :problem="problem('having')"
    >
      <ExpressionField
        :model-value="level.having"
        :invalid="!!problem('having')"
        @update:model-value="(having) => emit('change', { having }, 'having')"
      />
    </InspectorField>
    <Button
      v-else
      :label="text.addHaving"
      icon="pi pi-code"
      text
      size="small"
      @click="ask(words.bench.edits.level(level.name), { edit: 'add-typed-condition', level: level.id })"
    />
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  min-width: 0;
  display: grid;
  gap: 0.35rem;
  justify-items: stretch;
}
legend {
  padding: 0;
}
.line {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 4.5rem auto;
  gap: 0.25rem;
}
.line > :only-child {
  grid-column: 1 / -1;
}
.switch {
  display: flex;
  gap: 0.5rem;
  align-items: center;
}
</style>
