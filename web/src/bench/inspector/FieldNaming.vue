<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { saidOf, sayInReport } from '../edits/fieldNames'
import type { FieldInReport, Report } from '@/api/client'
import { words } from '@/words'

/** Calls and prints a field in every block as it is called and printed here. */
const props = defineProps<{
  report: Report
  /** Id of the field or measure that is shown; none for what is computed on the spot. */
  field?: string
  /** How it is called and printed here. */
  as: Partial<Pick<FieldInReport, 'label' | 'format' | 'unit'>>
}>()
const emit = defineEmits<{ apply: [name: string, change: (report: Report) => Report] }>()

const text = words.bench.fieldNames
const said = computed(() => (props.field ? saidOf(props.report, props.field) : undefined))
const own = computed(() => props.as.label || props.as.format || props.as.unit)

function say() {
  const { label, format, unit } = props.as
  const known = said.value
  emit('apply', words.bench.edits.inReport(label ?? known?.label ?? props.field!), (report) =>
    sayInReport(report, {
      id: props.field!,
      label: label ?? known?.label,
      format: format ?? known?.format,
      unit: unit ?? known?.unit,
    }),
  )
}
</script>

<template>
  <p v-if="said?.label" class="said">{{ text.said(said.label) }}</p>
  <Button
    v-if="field && own"
    :label="text.say(as.label ?? said?.label ?? field)"
    icon="pi pi-tag"
    text
    size="small"
    class="say"
    @click="say"
  />
</template>

<style scoped>
.said {
  margin: 0;
  color: var(--quiet);
}
.say {
  justify-self: start;
  text-align: left;
}
</style>
