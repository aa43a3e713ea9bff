<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { saidOf } from '../edits/fieldNames'
import { useAskEdit } from '../namedEdits'
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
const ask = useAskEdit()
const text = words.bench.fieldNames
const said = computed(() => (props.field ? saidOf(props.report, props.field) : undefined))
const own = computed(() => props.as.label || props.as.format || props.as.unit)

function say() {
  const { label, format, unit } = props.as
  const known = said.value
  const field = {
    id: props.field!,
    label: label ?? known?.label,
    format: format ?? known?.format,
    unit: unit ?? known?.unit,
  }
  void ask(words.bench.edits.inReport(label ?? known?.label ?? field.id), { edit: 'name-field', field })
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
