<script setup lang="ts">
import Select from 'primevue/select'
import ToggleSwitch from 'primevue/toggleswitch'
import { computed } from 'vue'
import InspectorField from '../InspectorField.vue'
import TextInput from '../TextInput.vue'
import ValuePicker from '../ValuePicker.vue'
import type { Comparison } from '../../edits/filters'
import { useAskEdit, useOffers } from '../../namedEdits'
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
const comparisons = computed(() => props.field?.offers.comparisons ?? [])
const offered = computed(() =>
  comparisons.value.map(({ comparison }) => ({
    value: comparison,
    label: words.bench.comparisons[comparison as Comparison],
  })),
)
/** How many values the comparison takes: none, one, two or many. */
const takes = computed(
  () => comparisons.value.find((one) => one.comparison === props.filter.comparison)?.takes ?? 'many',
)
/** As many boxes as values, where these are one or two. */
const boxes = computed(() => ({ one: 1, two: 2 })[takes.value as string] ?? 0)
const isText = computed(() => props.field?.type === 'TEXT')
const offers = useOffers()
const others = computed(() => {
  const ids = offers.value?.filters.find((one) => one.filter === props.filter.id)?.others ?? []
  return props.dataset.fields.filter((field) => ids.includes(field.id))
})
const sources = [
  { value: 'values', label: own.withValue },
  { value: 'other', label: own.withField },
]

const ask = useAskEdit()
const compareWith = (source: string) =>
  void ask(words.bench.edits.filter, {
    edit: 'compare-filter-with',
    filter: props.filter.id,
    ...(source === 'other' ? { field: others.value[0]?.id } : {}),
  })
const compare = (comparison: Comparison) =>
  void ask(words.bench.edits.filter, { edit: 'compare-filter', filter: props.filter.id, comparison })

const isTime = (type: string) => type === 'DATE' || type === 'TIMESTAMP'

/** Values that are all empty are not written yet. */
function setValue(index: number, value: string) {
  const values = Array.from({ length: boxes.value }, (_, i) =>
    i === index ? value : (props.filter.values?.[i] ?? ''),
  )
  change({ values: values.some((one) => one !== '') ? values : undefined }, `value ${index}`)
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
    v-if="!filter.prompt && (takes === 'one' || takes === 'many') && others.length"
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
    <div v-if="takes === 'many'" class="block">
      <span>{{ text.values }}</span>
      <ValuePicker
        :model-value="(filter.values ?? []).filter((v) => v !== '')"
        :dataset="dataset.id"
        :field="field"
        :label="text.values"
        many
        @update:model-value="(values) => change({ values: values.length ? values : undefined }, 'values')"
        @namesake="(by, code) => change({ field: by, values: [code] }, 'field')"
      />
    </div>
    <template v-else>
      <InspectorField
        v-for="i in boxes"
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
    <small v-else-if="takes !== 'none' && !filter.values?.length" class="quiet">{{ own.noValue }}</small>
  </template>
  <label v-if="isText && takes !== 'none'" class="switch">
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
.quiet {
  color: var(--quiet);
}
.problem {
  color: var(--danger);
}
</style>
