<script setup lang="ts">
import InspectorField from './InspectorField.vue'
import { table, withBlock, type BlockChange } from '../edits/report'
import type { Report } from '@/api/client'
import OneOf from '@/shell/OneOf.vue'
import { words } from '@/words'

/** What holds for all totals of a table; the grid below the page has each. */
defineProps<{ report: Report }>()
const emit = defineEmits<{ apply: [name: string, change: (report: Report) => Report] }>()

const text = words.bench.inspector
const covers = Object.entries(text.covers).map(([value, label]) => ({ value, label }))
const roundings = Object.entries(text.roundings).map(([value, label]) => ({ value, label }))

function change(what: BlockChange) {
  emit('apply', words.bench.edits.totals, (report) => withBlock(report, what))
}
</script>

<template>
  <InspectorField :label="text.totalsCover">
    <OneOf
      :model-value="table(report)?.totalsCover ?? 'shown'"
      :options="covers"
      fluid
      :aria-label="text.totalsCover"
      @update:model-value="
        (cover: string) => change({ totalsCover: cover === 'everything' ? 'everything' : undefined })
      "
    />
  </InspectorField>
  <InspectorField :label="text.rounding">
    <OneOf
      :model-value="table(report)?.rounding ?? 'printed'"
      :options="roundings"
      fluid
      :aria-label="text.rounding"
      @update:model-value="
        (rounding: string) => change({ rounding: rounding === 'each-line' ? 'each-line' : undefined })
      "
    />
  </InspectorField>
</template>
