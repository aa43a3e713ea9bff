<script setup lang="ts">
import Button from 'primevue/button'
import InputNumber from 'primevue/inputnumber'
import Select from 'primevue/select'
import { computed, onMounted, provide, ref, shallowRef, watch } from 'vue'
import ExpressionField from '../ExpressionField.vue'
import { EXPRESSION_NAMES, expressionNames } from '../expressionNames'
import InspectorField from '../InspectorField.vue'
import { useAskEdit } from '../../namedEdits'
import { perRow } from '../../edits/perRow'
import { filterInWords } from '../../filterInWords'
import { api, type DatasetLine, type DatasetView, type Filter, type Report } from '@/api/client'
import OneOf from '@/shell/OneOf.vue'
import { words } from '@/words'

/** Which rows of a dataset must belong to a row, or may not: by which keys, how many, and what they meet. */
const props = defineProps<{
  report: Report
  dataset: DatasetView
  filter: Filter
  problem: (path: string) => string | undefined
}>()
const emit = defineEmits<{ change: [what: Partial<Filter>, key: string] }>()

const EVERY_ROW = '*'
const text = words.bench.filters
const kinds = (['has', 'has-none'] as const).map((value) => ({ value, label: text.looks[value] }))
const lines = ref<DatasetLine[]>([])
onMounted(async () => {
  lines.value = await api.datasets().catch(() => [])
})
/** The dataset that is looked into. */
const other = shallowRef<DatasetView>()
watch(
  () => props.filter.dataset,
  async (id) => {
    other.value = id ? await api.dataset(id).catch(() => undefined) : undefined
  },
  { immediate: true },
)
const names = computed(() => (other.value ? expressionNames(props.report, other.value) : []))
provide(EXPRESSION_NAMES, names)

const own = computed(() => props.dataset.fields.filter(perRow))
const theirs = computed(() => other.value?.fields.filter(perRow) ?? [])
const keys = computed(() => props.filter.keys ?? [])
const inside = computed(() => props.filter.filters ?? [])
const counted = computed(() => [
  { id: EVERY_ROW, label: text.rows },
  ...theirs.value.map(({ id, label }) => ({ id, label })),
])
const period = computed(() => props.report.prompts.find((prompt) => prompt.type === 'period'))

/** Another dataset has other fields: keys that both have by name are the first guess. */
async function lookInto(dataset: string) {
  const next = await api.dataset(dataset).catch(() => undefined)
  const there = next?.fields.filter(perRow) ?? []
  const shared = own.value.find(
    (field) => field.role === 'IDENTIFIER' && there.some((f) => f.id === field.id),
  )
  const same = shared ?? own.value.find((field) => there.some((f) => f.id === field.id))
  const key = { field: (same ?? there[0])?.id ?? '', of: (same ?? own.value[0])?.id ?? '' }
  emit('change', { dataset, keys: [key], counted: undefined, filters: undefined }, 'dataset')
}

function setKey(at: number, what: Partial<{ field: string; of: string }>) {
  emit('change', { keys: keys.value.map((key, i) => (i === at ? { ...key, ...what } : key)) }, `key ${at}`)
}

function setInside(filters: Filter[]) {
  emit('change', { filters: filters.length ? filters : undefined }, 'filters')
}

const ask = useAskEdit()
const negate = () => void ask(words.bench.edits.filter, { edit: 'negate-filter', filter: props.filter.id })
const addTyped = () =>
  void ask(words.bench.edits.addFilter, { edit: 'make-filter', kind: 'expression', within: props.filter.id })
const addPeriod = (field: string, prompt: string) =>
  void ask(words.bench.edits.addFilter, { edit: 'add-filter', field, prompt, within: props.filter.id })
</script>

<template>
  <OneOf
    :aria-label="text.has"
    :model-value="filter.kind"
    :options="kinds"
    fluid
    @update:model-value="(kind) => kind !== filter.kind && negate()"
  />
  <InspectorField :label="text.rowsOf" :problem="problem('dataset')">
    <Select
      :aria-label="text.rowsOf"
      :model-value="filter.dataset"
      :options="lines"
      option-label="label"
      option-value="id"
      size="small"
      fluid
      @update:model-value="lookInto"
    />
  </InspectorField>
  <fieldset>
    <legend>{{ text.belong }}</legend>
    <div v-for="(key, i) in keys" :key="i" class="key">
      <Select
        :aria-label="`${text.belong} ${i + 1}`"
        :model-value="key.field"
        :options="theirs"
        option-label="label"
        option-value="id"
        size="small"
        fluid
        @update:model-value="(field: string) => setKey(i, { field })"
      />
      <span>{{ text.equals }}</span>
      <Select
        :aria-label="`${text.equals} ${i + 1}`"
        :model-value="key.of"
        :options="own"
        option-label="label"
        option-value="id"
        size="small"
        fluid
        @update:model-value="(of: string) => setKey(i, { of })"
      />
      <small v-if="problem(`keys/${i}/field`) ?? problem(`keys/${i}/of`)" class="problem" role="alert">{{
        problem(`keys/${i}/field`) ?? problem(`keys/${i}/of`)
      }}</small>
    </div>
  </fieldset>
  <InspectorField v-slot="{ id }" :label="text.least">
    <InputNumber
      :input-id="id"
      :model-value="filter.least ?? 1"
      :min="1"
      size="small"
      fluid
      @update:model-value="
        (least) =>
          emit('change', { least: least && (least > 1 || filter.counted) ? least : undefined }, 'least')
      "
    />
  </InspectorField>
  <InspectorField :label="text.counted" :problem="problem('counted')">
    <Select
      :aria-label="text.counted"
      :model-value="filter.counted ?? EVERY_ROW"
      :options="counted"
      option-label="label"
      option-value="id"
      size="small"
      fluid
      @update:model-value="
        (field: string) =>
          emit(
            'change',
            field === EVERY_ROW ? { counted: undefined } : { counted: field, least: filter.least ?? 1 },
            'counted',
          )
      "
    />
  </InspectorField>
  <fieldset>
    <legend>{{ text.where }}</legend>
    <div v-for="(part, i) in inside" :key="part.id" class="inside">
      <ExpressionField
        v-if="part.kind === 'expression'"
        :model-value="part.where"
        :invalid="!!problem('')"
        @update:model-value="
          (where) => setInside(inside.map((one, at) => (at === i ? { ...one, where: where ?? '' } : one)))
        "
      />
      <span v-else>{{ other ? filterInWords(part, report, other) : part.kind }}</span>
      <Button
        icon="pi pi-times"
        :aria-label="text.remove"
        :title="text.remove"
        text
        size="small"
        @click="setInside(inside.filter((_, at) => at !== i))"
      />
    </div>
    <Button :label="text.addWhere" icon="pi pi-plus" text size="small" @click="addTyped" />
    <Button
      v-if="period && other?.dateField"
      :label="text.addPeriod(period.label)"
      icon="pi pi-calendar"
      text
      size="small"
      @click="addPeriod(other.dateField, period.name)"
    />
  </fieldset>
  <small v-if="problem('')" class="problem" role="alert">{{ problem('') }}</small>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 0.3rem;
  justify-items: start;
}
legend {
  padding: 0;
}
.key {
  display: grid;
  gap: 0.2rem;
  width: 100%;
}
.inside {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  align-items: start;
  width: 100%;
}
.problem {
  color: var(--danger);
}
</style>
