<script setup lang="ts">
import Button from 'primevue/button'
import Select from 'primevue/select'
import { computed, ref, watch } from 'vue'
import ToggleSwitch from 'primevue/toggleswitch'
import ExpressionField from './ExpressionField.vue'
import FilterActions from './FilterActions.vue'
import FilterGroup from './FilterGroup.vue'
import FilterReach from './FilterReach.vue'
import InspectorField from './InspectorField.vue'
import RelatedRows from './RelatedRows.vue'
import TextInput from './TextInput.vue'
import TopRows from './TopRows.vue'
import ValuePicker from './ValuePicker.vue'
import {
  changeFilter,
  comparisons,
  filterTree,
  hasParts,
  isTop,
  valueCount,
  type Comparison,
} from '../edits/filters'
import { perRow } from '../edits/perRow'
import { api, type DatasetView, type Filter, type PreviewView, type Report } from '@/api/client'
import OneOf from '@/shell/OneOf.vue'
import { words } from '@/words'

const props = defineProps<{
  report: Report
  dataset: DatasetView
  filter: Filter
  /** Those of all blocks. */
  datasets: DatasetView[]
  /** What it keeps. */
  kept?: PreviewView['filters'][number]
  problem: (path: string) => string | undefined
}>()
const emit = defineEmits<{
  apply: [name: string, change: (report: Report) => Report, key?: string]
  dropped: []
}>()

const text = words.bench.inspector
const field = computed(() => props.dataset.fields.find((f) => f.id === props.filter.field))
const prompt = computed(() => props.report.prompts.find((p) => p.name === props.filter.prompt))
const offered = computed(() =>
  comparisons(field.value?.type ?? 'TEXT').map((value) => ({ value, label: words.bench.comparisons[value] })),
)
const count = computed(() => valueCount(props.filter.comparison ?? 'is'))
const typed = ref('')
const own = words.bench.filters
/** Whether it is one of several of which one must hold. */
const inAny = computed(() =>
  filterTree(props.report).some(
    ({ filter }) => filter.kind === 'any' && filter.filters?.some((part) => part.id === props.filter.id),
  ),
)
const isText = computed(() => field.value?.type === 'TEXT')
const others = computed(() =>
  props.dataset.fields.filter((f) => perRow(f) && f.id !== field.value?.id && fits(f.type)),
)
const sources = [
  { value: 'values', label: own.withValue },
  { value: 'other', label: own.withField },
]

const isNumber = (type?: string) => type === 'INTEGER' || type === 'DECIMAL'
const isTime = (type?: string) => type === 'DATE' || type === 'TIMESTAMP'

/** Whether values of a type can be compared with the field's. */
function fits(type: string) {
  const ours = field.value?.type
  return type === ours || (isNumber(type) && isNumber(ours)) || (isTime(type) && isTime(ours))
}

function compareWith(source: string) {
  const first = others.value[0]?.id
  change(
    source === 'other'
      ? { other: first, values: undefined }
      : {
          other: undefined,
          values: count.value === 0 ? undefined : Array(count.value === 2 ? 2 : 1).fill(''),
        },
    'source',
  )
}

watch(
  () => props.filter,
  async (filter) => {
    if (filter.kind !== 'expression') {
      const texts = await api.filterTexts(props.report).catch(() => [])
      typed.value = texts.find((t) => t.id === filter.id)?.text ?? ''
    }
  },
  { immediate: true },
)

function change(what: Partial<Filter>, key: string) {
  emit(
    'apply',
    words.bench.edits.filter,
    (report) => changeFilter(report, props.filter.id, what),
    `${props.filter.id} ${key}`,
  )
}

function compare(comparison: Comparison) {
  const takes = valueCount(comparison)
  const values = props.filter.values ?? []
  const fitting = takes === 0 ? [] : takes === 'many' ? values : values.slice(0, takes)
  while (takes !== 'many' && fitting.length < takes) {
    fitting.push('')
  }
  const compared = fitting.length ? fitting : takes === 'many' ? [''] : undefined
  const keepsOther = props.filter.other !== undefined && takes !== 0 && takes !== 2
  change(keepsOther ? { comparison } : { comparison, other: undefined, values: compared }, 'comparison')
}

function setValue(index: number, value: string) {
  const values = [...(props.filter.values ?? [])]
  values[index] = value
  change({ values }, `value ${index}`)
}

function toTyped() {
  change(
    {
      kind: 'expression',
      where: typed.value,
      field: undefined,
      comparison: undefined,
      values: undefined,
      other: undefined,
      ignoreCase: undefined,
      prompt: undefined,
      also: undefined,
      dataset: undefined,
      keys: undefined,
      least: undefined,
      counted: undefined,
      filters: undefined,
    },
    'kind',
  )
}
</script>

<template>
  <template v-if="filter.kind === 'expression'">
    <InspectorField :label="text.where" :hint="text.whereHint" :problem="problem('where')">
      <ExpressionField
        :model-value="filter.where"
        :invalid="!!problem('where')"
        @update:model-value="(where) => change({ where: where ?? '' }, 'where')"
      />
    </InspectorField>
  </template>
  <FilterGroup
    v-else-if="hasParts(filter)"
    :dataset="dataset"
    :filter="filter"
    @apply="(name, edit) => emit('apply', name, edit)"
  />
  <TopRows
    v-else-if="filter.kind === 'top'"
    :dataset="dataset"
    :filter="filter"
    :problem="problem"
    @change="change"
  />
  <template v-else>
    <RelatedRows
      v-if="filter.kind === 'has' || filter.kind === 'has-none'"
      :report="report"
      :dataset="dataset"
      :filter="filter"
      :problem="problem"
      @change="change"
    />
    <p v-else class="field-name">{{ field?.label ?? filter.field }}</p>
    <template v-if="filter.kind === 'condition'">
      <InspectorField :label="text.comparison" :problem="problem('comparison') ?? problem('')">
        <Select
          :aria-label="text.comparison"
          :model-value="filter.comparison"
          :options="offered"
          option-label="label"
          option-value="value"
          size="small"
          fluid
          @update:model-value="compare"
        />
      </InspectorField>
      <InspectorField
        v-if="!filter.prompt && count !== 0 && count !== 2 && others.length"
        :label="own.compareWith"
      >
        <OneOf
          :aria-label="own.compareWith"
          :model-value="filter.other === undefined ? 'values' : 'other'"
          :options="sources"
          fluid
          @update:model-value="compareWith"
        />
      </InspectorField>
      <InspectorField v-if="filter.other !== undefined" :label="own.otherField" :problem="problem('other')">
        <Select
          :aria-label="own.otherField"
          :model-value="filter.other"
          :options="others"
          option-label="label"
          option-value="id"
          size="small"
          fluid
          @update:model-value="(other: string) => change({ other }, 'other')"
        />
      </InspectorField>
      <template v-else-if="!filter.prompt && field">
        <div v-if="count === 'many'" class="block">
          <span>{{ text.values }}</span>
          <ValuePicker
            :model-value="(filter.values ?? []).filter((v) => v !== '')"
            :dataset="dataset.id"
            :field="field"
            :label="text.values"
            many
            @update:model-value="(values) => change({ values: values.length ? values : [''] }, 'values')"
            @namesake="(by, code) => change({ field: by, values: [code] }, 'field')"
          />
        </div>
        <template v-else-if="count > 0">
          <InspectorField
            v-for="i in count"
            :key="i"
            :label="i === 1 ? text.valueOf : text.and"
            :hint="isTime(field.type) ? own.dayHint : undefined"
          >
            <TextInput
              :model-value="filter.values?.[i - 1]"
              @update:model-value="(value) => setValue(i - 1, value ?? '')"
            />
          </InspectorField>
        </template>
        <small v-if="problem('values')" class="problem" role="alert">{{ problem('values') }}</small>
      </template>
    </template>
    <label v-if="filter.kind === 'condition' && isText && count !== 0" class="switch">
      <ToggleSwitch
        :model-value="filter.ignoreCase ?? false"
        @update:model-value="(on: boolean) => change({ ignoreCase: on || undefined }, 'case')"
      />
      {{ own.ignoreCase }}
    </label>
    <p v-if="prompt" class="quiet">{{ text.reads }} “{{ prompt.label }}”</p>
  </template>
  <template v-if="filter.kind !== 'expression' && filter.kind !== 'top'">
    <InspectorField :label="text.typed">
      <code>{{ typed }}</code>
    </InspectorField>
    <Button :label="text.toTyped" icon="pi pi-code" text size="small" :disabled="!typed" @click="toTyped" />
  </template>
  <FilterActions
    :report="report"
    :filter="filter"
    :in-any="inAny"
    :count="kept"
    @apply="(name, edit) => emit('apply', name, edit)"
    @dropped="emit('dropped')"
  />
  <FilterReach
    v-if="isTop(report, filter.id)"
    :report="report"
    :filter="filter"
    :datasets="datasets"
    @apply="(name, change) => emit('apply', name, change)"
  />
</template>

<style scoped>
.field-name {
  font-weight: 600;
  margin: 0;
}
.switch {
  display: flex;
  gap: 0.5rem;
  align-items: center;
}
.quiet {
  color: var(--quiet);
  margin: 0;
}
.block {
  display: grid;
  gap: 0.2rem;
}
.problem {
  color: var(--danger);
}
code {
  overflow-wrap: anywhere;
  color: var(--quiet);
}
</style>
