<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import InspectorField from '../InspectorField.vue'
import { offered, perRow } from '../../edits/perRow'
import { api, type DatasetLine, type DatasetView, type Prompt } from '@/api/client'
import OneOf from '@/shell/OneOf.vue'
import { words } from '@/words'

/** The field whose values a prompt offers: of the report's dataset or of another. */
const props = defineProps<{
  dataset: DatasetView
  prompt: Prompt
  problem: (path: string) => string | undefined
}>()
const emit = defineEmits<{ change: [what: Partial<Prompt>, key: string] }>()

const text = words.bench.inspector.offered
const lines = ref<DatasetLine[]>([])
onMounted(async () => {
  lines.value = await api.datasets().catch(() => [])
})
const of = shallowRef(props.dataset)
watch(
  () => props.prompt.dataset,
  async (id) => {
    of.value = (id && (await api.dataset(id).catch(() => undefined))) || props.dataset
  },
  { immediate: true },
)
const datasets = computed(() =>
  [props.dataset, ...lines.value.filter((line) => line.id !== props.dataset.id)].map(({ id, label }) => ({
    value: id,
    label,
  })),
)
const fieldsOf = (dataset: DatasetView) =>
  offered(dataset.fields)
    .filter(perRow)
    .map(({ id, label }) => ({ value: id, label }))

/** Another dataset offers the field of the same name, or its first one until another is chosen. */
async function offerFrom(id: string) {
  const there = id === props.dataset.id ? props.dataset : await api.dataset(id).catch(() => undefined)
  const fields = there ? fieldsOf(there) : []
  const field = fields.find((one) => one.value === props.prompt.field) ?? fields[0]
  emit(
    'change',
    { dataset: id === props.dataset.id ? undefined : id, field: field?.value, default: undefined },
    'dataset',
  )
}
</script>

<template>
  <InspectorField :label="text.dataset" :problem="problem('dataset')">
    <OneOf
      :model-value="prompt.dataset ?? dataset.id"
      :options="datasets"
      :aria-label="text.dataset"
      fluid
      @update:model-value="offerFrom"
    />
  </InspectorField>
  <InspectorField :label="text.field" :problem="problem('field')">
    <OneOf
      :model-value="prompt.field"
      :options="fieldsOf(of)"
      :aria-label="text.field"
      fluid
      @update:model-value="(field: string) => emit('change', { field, default: undefined }, 'field')"
    />
  </InspectorField>
</template>
