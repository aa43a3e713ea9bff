<script setup lang="ts">
import Select from 'primevue/select'
import ToggleSwitch from 'primevue/toggleswitch'
import { computed } from 'vue'
import InspectorField from '../InspectorField.vue'
import TextInput from '../TextInput.vue'
import ValuePicker from '../ValuePicker.vue'
import { valueCount, type Comparison } from '../../edits/filters'
import { perRow } from '../../edits/perRow'
import type { DatasetView, FieldView, Filter } from '@/api/client'
import OneOf from '@/shell/OneOf.vue'
import { words } from '@/words'

/** How a condition compares its field: with values, with another field, or with the answer to a prompt. */
const props = defineProps<{
  dataset: DatasetView
  filter: Filter
  field?: FieldView
  problem: (path: string) => string | undefined
}>()
const emit = defineEmits<{ change: [what: Partial<Filter>, key: string] }>()

const text = words.bench.inspector
const own = words.bench.filters
const offered = computed(() =>
  ((props.field?.offers.comparisons ?? []) as Comparison[]).map((value) => ({
    value,
    label: words.bench.comparisons[value],
  })),
)
const count = computed(() => valueCount(props.filter.comparison ?? 'is'))
const isText = computed(() => props.field?.type === 'TEXT')
const others = computed(() =>
  props.dataset.fields.filter((f) => perRow(f) && f.id !== props.field?.id && fits(f.type)),
)
const sources = [
  { value: 'values', label: own.withValue },
  { value: 'other', label: own.withField },
]

const isNumber = (type?: string) => type === 'INTEGER' || type === 'DECIMAL'
const isTime = (type?: string) => type === 'DATE' || type === 'TIMESTAMP'

/** Whether values of a type can be compared with the field's. */
function fits(type: string) {
  const ours = props.field?.type
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

const change = (what: Partial<Filter>, key: string) => emit('change', what, key)
</script>

<template>
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
  <label v-if="isText && count !== 0" class="switch">
    <ToggleSwitch
      :model-value="filter.ignoreCase ?? false"
      @update:model-value="(on: boolean) => change({ ignoreCase: on || undefined }, 'case')"
    />
    {{ own.ignoreCase }}
  </label>
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
.problem {
  color: var(--danger);
}
</style>
