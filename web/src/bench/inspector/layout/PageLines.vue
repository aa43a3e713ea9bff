<script setup lang="ts">
import Button from 'primevue/button'
import InspectorField from '../InspectorField.vue'
import TextInput from '../TextInput.vue'
import { laidOut } from '../../edits/layout'
import type { Report } from '@/api/client'
import { words } from '@/words'

/** What stands at the edges of pages, in three parts each; a line of which nothing is said is as usual. */
const props = defineProps<{
  lines: Report['page']['lines']
  problem: (path: string) => string | undefined
}>()
const emit = defineEmits<{ change: [lines: Report['page']['lines'], key: string] }>()
type Lines = NonNullable<Report['page']['lines']>
type Line = NonNullable<Lines['header']>
const text = words.layout.page
const edges = ['firstHeader', 'header', 'firstFooter', 'footer'] as const
const parts = ['start', 'centre', 'end'] as const

/** What a line says at first: as it is without being asked. */
const BEGINNING: Record<(typeof edges)[number], Line> = {
  firstHeader: { start: '{title}' },
  header: { start: '{title}', end: '{answers}' },
  firstFooter: { start: '{dataset}', end: '{page} / {pages}' },
  footer: { start: '{dataset}', end: '{page} / {pages}' },
}

function set(edge: (typeof edges)[number], line: Line | undefined) {
  emit('change', laidOut(props.lines, edge, line), `lines ${edge}`)
}
</script>

<template>
  <section :aria-label="text.title">
    <h3>{{ text.title }}</h3>
    <div v-for="edge in edges" :key="edge" class="edge" role="group" :aria-label="text[edge]">
      <div class="head">
        <span>{{ text[edge] }}</span>
        <Button
          :label="lines?.[edge] ? text.usual : text.own"
          :aria-label="`${text[edge]}: ${lines?.[edge] ? text.usual : text.own}`"
          text
          size="small"
          @click="set(edge, lines?.[edge] ? undefined : BEGINNING[edge])"
        />
      </div>
      <template v-if="lines?.[edge]">
        <InspectorField
          v-for="part in parts"
          :key="part"
          :label="text[part]"
          :problem="problem(`lines/${edge}/${part}`)"
        >
          <TextInput
            :model-value="lines[edge]?.[part]"
            @update:model-value="
              (written) => set(edge, laidOut(lines?.[edge], part, written || undefined) ?? { start: ' ' })
            "
          />
        </InspectorField>
      </template>
    </div>
    <small>{{ text.hint }}</small>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 0.5rem;
}
h3 {
  margin: 0;
  font-size: 1rem;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 0.5rem;
}
small {
  color: var(--quiet);
}
</style>
