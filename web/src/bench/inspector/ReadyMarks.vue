<script setup lang="ts">
import Button from 'primevue/button'
import Menu from 'primevue/menu'
import { computed, useTemplateRef } from 'vue'
import { addHighlight } from '../edits/highlights'
import { readyMarks } from '../edits/readyMarks'
import type { Column, DatasetView, Report } from '@/api/client'
import { words } from '@/words'

/** Marks rows by what a column shows, in one step: the rule is one like any other afterwards. */
const props = defineProps<{ report: Report; dataset: DatasetView; column: Column }>()
const emit = defineEmits<{ apply: [name: string, change: (report: Report) => Report] }>()

const menu = useTemplateRef('menu')
const items = computed(() =>
  readyMarks(props.report, props.dataset, props.column).map(({ label, when }) => ({
    label,
    command: () =>
      emit('apply', words.bench.edits.addHighlight, (report) => addHighlight(report, label, when)),
  })),
)
</script>

<template>
  <div v-if="items.length">
    <Button
      :label="words.bench.ready.mark"
      icon="pi pi-flag"
      aria-haspopup="menu"
      outlined
      size="small"
      @click="(event) => menu?.toggle(event)"
    />
    <Menu ref="menu" :model="items" popup />
  </div>
</template>
