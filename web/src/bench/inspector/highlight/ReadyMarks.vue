<script setup lang="ts">
import Button from 'primevue/button'
import Menu from 'primevue/menu'
import { computed, useTemplateRef } from 'vue'
import { addHighlight } from '../../edits/marks/highlights'
import type { ReadyMark } from '../../edits/marks/readyMarks'
import type { Report } from '@/api/client'
import { words } from '@/words'

/** Marks by what a column or a total shows, in one step: the rule is one like any other afterwards. */
const props = defineProps<{ label: string; ready: ReadyMark[] }>()
const emit = defineEmits<{ apply: [name: string, change: (report: Report) => Report] }>()

const menu = useTemplateRef('menu')
const items = computed(() =>
  props.ready.map(({ label, when, reach }) => ({
    label,
    command: () =>
      emit('apply', words.bench.edits.addHighlight, (report) => addHighlight(report, label, when, reach)),
  })),
)
</script>

<template>
  <div v-if="items.length">
    <Button
      :label="label"
      icon="pi pi-flag"
      aria-haspopup="menu"
      outlined
      size="small"
      @click="(event) => menu?.toggle(event)"
    />
    <Menu ref="menu" :model="items" popup />
  </div>
</template>
