<script setup lang="ts">
import Button from 'primevue/button'
import Select from 'primevue/select'
import { computed } from 'vue'
import InspectorField from './InspectorField.vue'
import { stripped } from '../edits/report'
import type { Report } from '@/api/client'
import { saidParts } from '@/styles/styleEdits'
import { useStyles } from '@/styles/useStyles'
import { words } from '@/words'

/** The house style of a report, and what the report says otherwise. */
const props = defineProps<{ report: Report; problem: (path: string) => string | undefined }>()
const emit = defineEmits<{ apply: [name: string, change: (report: Report) => Report, key?: string] }>()
const text = words.bench.inspector
const { styles, styleOf } = useStyles()
/** Stands for naming none. */
const USUAL = '*'
const options = computed(() => [
  ...styles.value.map((one, i) => ({
    value: i === 0 ? USUAL : one.id,
    label: i === 0 ? text.styleUsual(one.name) : one.name,
  })),
  ...(props.report.style && !styles.value.some((one) => one.id === props.report.style)
    ? [{ value: props.report.style, label: props.report.style }]
    : []),
])
const otherwise = computed(() => saidParts(props.report.look))

const choose = (style: string) =>
  emit('apply', words.bench.edits.style, (r) =>
    stripped({ ...r, style: style === USUAL ? undefined : style }),
  )
const reset = () => emit('apply', words.bench.edits.style, (r) => stripped({ ...r, look: undefined }))
</script>

<template>
  <InspectorField :label="text.style" :problem="problem('style')">
    <Select
      :model-value="report.style === styles[0]?.id ? USUAL : (report.style ?? USUAL)"
      :options="options"
      option-label="label"
      option-value="value"
      size="small"
      fluid
      :aria-label="text.style"
      @update:model-value="choose"
    />
  </InspectorField>
  <div v-if="otherwise.length">
    <span>{{ text.styleOwn }}</span>
    <ul>
      <li v-for="part in otherwise" :key="part">{{ part }}</li>
    </ul>
    <Button :label="text.styleReset" size="small" outlined @click="reset" />
  </div>
  <RouterLink :to="{ name: 'styles', params: { id: styleOf(report.style)?.id } }">{{
    text.styleAll
  }}</RouterLink>
</template>

<style scoped>
ul {
  margin: 0.25rem 0;
  padding-left: 1.2rem;
  color: var(--quiet);
}
</style>
