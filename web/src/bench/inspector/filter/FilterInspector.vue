<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref, watch } from 'vue'
import ExpressionField from '../ExpressionField.vue'
import BuiltCondition from './BuiltCondition.vue'
import FilterActions from './FilterActions.vue'
import FilterGroup from './FilterGroup.vue'
import FilterReach from './FilterReach.vue'
import InspectorField from '../InspectorField.vue'
import RelatedRows from './RelatedRows.vue'
import TopRows from './TopRows.vue'
import { changeFilter, filterTree, hasParts, isTop } from '../../edits/filters'
import { useAskEdit } from '../../namedEdits'
import { api, type DatasetView, type Filter, type PreviewView, type Report } from '@/api/client'
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
const typed = ref('')
/** Whether a typed filter has a built form. */
const built = ref(false)
/** Whether it is one of several of which one must hold. */
const inAny = computed(() =>
  filterTree(props.report).some(
    ({ filter }) => filter.kind === 'any' && filter.filters?.some((part) => part.id === props.filter.id),
  ),
)
watch(
  () => props.filter,
  async (filter) => {
    const texts = await api.filterTexts(props.report).catch(() => [])
    const own = texts.find((t) => t.id === filter.id)
    typed.value = own?.text ?? ''
    built.value = own?.built !== undefined
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

const ask = useAskEdit()
const turnInto = (edit: 'type-filter' | 'build-filter') =>
  void ask(words.bench.edits.filter, { edit, filter: props.filter.id })
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
    <Button
      v-if="built"
      :label="words.bench.filters.toBuilt"
      icon="pi pi-sliders-h"
      text
      size="small"
      @click="turnInto('build-filter')"
    />
  </template>
  <FilterGroup v-else-if="hasParts(filter)" :dataset="dataset" :filter="filter" />
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
    <BuiltCondition
      v-if="filter.kind === 'condition'"
      :dataset="dataset"
      :filter="filter"
      :field="field"
      :problem="problem"
      @change="change"
    />
    <p v-if="prompt" class="quiet">{{ text.reads }} “{{ prompt.label }}”</p>
  </template>
  <template v-if="filter.kind !== 'expression' && filter.kind !== 'top'">
    <InspectorField :label="text.typed">
      <code>{{ typed }}</code>
    </InspectorField>
    <Button
      :label="text.toTyped"
      icon="pi pi-code"
      text
      size="small"
      :disabled="!typed"
      @click="turnInto('type-filter')"
    />
  </template>
  <FilterActions :report="report" :filter="filter" :in-any="inAny" :count="kept" @dropped="emit('dropped')" />
  <FilterReach v-if="isTop(report, filter.id)" :report="report" :filter="filter" :datasets="datasets" />
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
code {
  overflow-wrap: anywhere;
  color: var(--quiet);
}
</style>
