<script setup lang="ts">
import Button from 'primevue/button'
import Select from 'primevue/select'
import { computed, ref, watch } from 'vue'
import ExpressionField from './ExpressionField.vue'
import FilterReach from './FilterReach.vue'
import InspectorField from './InspectorField.vue'
import TextInput from './TextInput.vue'
import ValuePicker from './ValuePicker.vue'
import { changeFilter, comparisons, valueCount, type Comparison } from '../edits/filters'
import { api, type DatasetView, type Filter, type Report } from '@/api/client'
import { words } from '@/words'

const props = defineProps<{
  report: Report
  dataset: DatasetView
  filter: Filter
  /** Those of all blocks. */
  datasets: DatasetView[]
  problem: (path: string) => string | undefined
}>()
const emit = defineEmits<{ apply: [name: string, change: (report: Report) => Report, key?: string] }>()

const text = words.bench.inspector
const field = computed(() => props.dataset.fields.find((f) => f.id === props.filter.field))
const prompt = computed(() => props.report.prompts.find((p) => p.name === props.filter.prompt))
const offered = computed(() =>
  comparisons(field.value?.type ?? 'TEXT').map((value) => ({ value, label: words.bench.comparisons[value] })),
)
const count = computed(() => valueCount(props.filter.comparison ?? 'is'))
const isDate = computed(() => field.value?.type === 'DATE' || field.value?.type === 'TIMESTAMP')
const typed = ref('')

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
  change({ comparison, values: fitting.length ? fitting : takes === 'many' ? [''] : undefined }, 'comparison')
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
      prompt: undefined,
      also: undefined,
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
  <template v-else>
    <p class="field-name">{{ field?.label ?? filter.field }}</p>
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
      <template v-if="!filter.prompt && field">
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
          <InspectorField v-for="i in count" :key="i" :label="i === 1 ? text.valueOf : text.and">
            <TextInput
              :model-value="filter.values?.[i - 1]"
              :type="isDate ? 'date' : 'text'"
              @update:model-value="(value) => setValue(i - 1, value ?? '')"
            />
          </InspectorField>
        </template>
        <small v-if="problem('values')" class="problem" role="alert">{{ problem('values') }}</small>
      </template>
    </template>
    <p v-if="prompt" class="quiet">{{ text.reads }} “{{ prompt.label }}”</p>
    <InspectorField :label="text.typed">
      <code>{{ typed }}</code>
    </InspectorField>
    <Button :label="text.toTyped" icon="pi pi-code" text size="small" :disabled="!typed" @click="toTyped" />
  </template>
  <FilterReach
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
