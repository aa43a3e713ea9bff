<script setup lang="ts">
import OneOf from '@/shell/OneOf.vue'
import ToggleSwitch from 'primevue/toggleswitch'
import { computed } from 'vue'
import ExpressionField from './ExpressionField.vue'
import AppearsField from './AppearsField.vue'
import InspectorField from './InspectorField.vue'
import OrderEditor from './OrderEditor.vue'
import TextInput from './TextInput.vue'
import ClassesEditor from './ClassesEditor.vue'
import LevelLayout from './layout/LevelLayout.vue'
import ListedEditor from './ListedEditor.vue'
import ShownGroups from './ShownGroups.vue'
import { changeLevel } from '../edits/levels'
import { useAskEdit, useOffers } from '../namedEdits'
import type { DatasetView, Level, Report, ReportEdit } from '@/api/client'
import { words } from '@/words'

const props = defineProps<{
  report: Report
  dataset: DatasetView
  level: Level
  orderInWords?: string
  problem: (path: string) => string | undefined
}>()
const emit = defineEmits<{ apply: [name: string, change: (report: Report) => Report, key?: string] }>()

const text = words.bench.inspector
const options = (labels: Record<string, string>) =>
  Object.entries(labels).map(([value, label]) => ({ value, label }))

const CLASSES = 'classes'
/** The field that the level groups by, where it is one by itself. */
const field = computed(() => props.dataset.fields.find((f) => f.offers.value === props.level.key))
const offers = useOffers()
/** How the level can name and coarsen its groups. */
const can = computed(() => offers.value?.levels.find((one) => one.level === props.level.id))
const coarsenings = computed(() => [
  ...options(text.buckets).filter(({ value }) => value === 'none' || can.value?.buckets.includes(value)),
  ...(can.value?.classes ? [{ value: CLASSES, label: text.classes.name }] : []),
])
const coarsened = computed(() => (props.level.classes ? CLASSES : (props.level.bucket ?? 'none')))

const coarsen = (to: string) =>
  void ask(words.bench.edits.level(props.level.name), {
    edit: 'coarsen-level',
    level: props.level.id,
    bucket: to === 'none' || to === CLASSES ? undefined : (to as Level['bucket']),
    classes: to === CLASSES || undefined,
  })

const addClass = () =>
  void ask(words.bench.edits.level(props.level.name), { edit: 'add-class', level: props.level.id })

type Heading = Extract<ReportEdit, { edit: 'name-groups' }>['heading']
const headings = computed(() =>
  options({ ...text.headers, column: text.inColumn }).filter(({ value }) =>
    can.value?.headings.includes(value),
  ),
)

const ask = useAskEdit()
const name = (heading: Heading) =>
  void ask(words.bench.edits.level(props.level.name), {
    edit: 'name-groups',
    level: props.level.id,
    heading,
  })

function change(what: Partial<Level>, key: string) {
  emit(
    'apply',
    words.bench.edits.level(props.level.name),
    (report) => changeLevel(report, props.level.id, what),
    `${props.level.id} ${key}`,
  )
}
</script>

<template>
  <InspectorField :label="text.name" :problem="problem('name')">
    <TextInput
      :model-value="level.name"
      @update:model-value="(name) => change({ name: name ?? '' }, 'name')"
    />
  </InspectorField>
  <InspectorField :label="text.key" :problem="problem('key')">
    <ExpressionField
      :model-value="level.key"
      :invalid="!!problem('key')"
      @update:model-value="(key) => change({ key: key ?? '' }, 'key')"
    />
  </InspectorField>
  <InspectorField v-if="coarsenings.length > 1" :label="text.bucket" :problem="problem('bucket')">
    <OneOf
      :aria-label="text.bucket"
      :model-value="coarsened"
      :options="coarsenings"
      fluid
      @update:model-value="coarsen"
    />
  </InspectorField>
  <ClassesEditor
    v-if="level.classes"
    :classes="level.classes"
    :problem="problem"
    @change="(classes) => change({ classes }, 'classes')"
    @add="addClass"
  />
  <InspectorField :label="text.groupLabel" :problem="problem('label')">
    <ExpressionField
      :model-value="level.label"
      :placeholder="field?.entry.lookup ?? level.key"
      @update:model-value="(label) => change({ label }, 'label')"
    />
  </InspectorField>
  <ShownGroups :report="report" :dataset="dataset" :level="level" :problem="problem" @change="change" />
  <InspectorField :label="text.empty">
    <OneOf
      :aria-label="text.empty"
      :model-value="level.empty ?? 'none'"
      :options="options(text.empties)"
      fluid
      @update:model-value="
        (empty: string) =>
          change({ empty: (empty === 'none' ? undefined : empty) as Level['empty'] }, 'empty')
      "
    />
  </InspectorField>
  <InspectorField :label="text.header">
    <OneOf
      :aria-label="text.header"
      :model-value="can?.heading ?? level.header"
      :options="headings"
      fluid
      @update:model-value="name"
    />
  </InspectorField>
  <InspectorField
    v-if="level.header === 'heading'"
    :label="text.headerText"
    :hint="text.textHint"
    :problem="problem('headerText')"
  >
    <ExpressionField
      in-text
      :model-value="level.headerText"
      placeholder="{group}"
      :invalid="!!problem('headerText')"
      @update:model-value="(headerText) => change({ headerText }, 'headerText')"
    />
  </InspectorField>
  <InspectorField :label="text.footer">
    <OneOf
      :aria-label="text.footer"
      :model-value="level.footer"
      :options="options(text.footers)"
      fluid
      @update:model-value="(footer: Level['footer']) => change({ footer }, 'footer')"
    />
  </InspectorField>
  <InspectorField v-if="level.footer === 'totals'" :label="text.footerText" :problem="problem('footerText')">
    <ExpressionField
      in-text
      :model-value="level.footerText"
      placeholder="{group} total"
      :invalid="!!problem('footerText')"
      @update:model-value="(footerText) => change({ footerText }, 'footerText')"
    />
  </InspectorField>
  <label class="switch">
    <ToggleSwitch
      :model-value="level.newPage ?? false"
      @update:model-value="(newPage: boolean) => change({ newPage: newPage || undefined }, 'newPage')"
    />
    {{ text.newPage }}
  </label>
  <LevelLayout :level="level" :problem="problem" @change="(layout, key) => change({ layout }, key)" />
  <AppearsField
    :model-value="level.appears"
    :report="report"
    :problem="problem('appears')"
    @update:model-value="(appears) => change({ appears: appears || undefined }, 'appears')"
  />
  <OrderEditor
    :report="report"
    :dataset="dataset"
    :level="level.id"
    :in-words="orderInWords"
    @apply="(name, edit) => emit('apply', name, edit)"
  />
  <ListedEditor
    v-if="coarsened === 'none'"
    :dataset="dataset.id"
    :field="field"
    :keys="level.listed ?? []"
    :problem="problem('listed')"
    :before="level.order.length ? orderInWords : undefined"
    @decide="change({ order: [] }, 'order')"
    @change="(listed) => change({ listed: listed?.length ? listed : undefined }, 'listed')"
  />
</template>

<style scoped>
.switch {
  display: flex;
  gap: 0.5rem;
  align-items: center;
}
</style>
