<script setup lang="ts">
import Button from 'primevue/button'
import InspectorField from '../InspectorField.vue'
import ExpressionField from '../ExpressionField.vue'
import { laidOut, movedText, PARTS, type EdgePart } from '../../edits/layout'
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

/** What a line says at first: as it is without being asked. */
const BEGINNING: Record<(typeof edges)[number], Line> = {
  firstHeader: { start: '{title}' },
  header: { start: '{title}', end: '{answers}' },
  firstFooter: { start: '{dataset}', end: '{page} / {pages}' },
  footer: { start: '{dataset}', end: '{page} / {pages}' },
}

/** What a part's text can be moved to: the parts beside it. */
const beside = (part: EdgePart) =>
  PARTS.filter((_, i) => Math.abs(i - PARTS.indexOf(part)) === 1).map((to) => ({
    to,
    icon: PARTS.indexOf(to) < PARTS.indexOf(part) ? 'pi pi-arrow-left' : 'pi pi-arrow-right',
  }))

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
        <div v-for="part in PARTS" :key="part" class="part">
          <InspectorField :label="text[part]" :problem="problem(`lines/${edge}/${part}`)">
            <ExpressionField
              :model-value="lines[edge]?.[part]"
              in-text
              @update:model-value="
                (written) => set(edge, laidOut(lines?.[edge], part, written || undefined) ?? { start: ' ' })
              "
            />
          </InspectorField>
          <Button
            v-for="{ to, icon } in beside(part)"
            :key="to"
            :icon="icon"
            :aria-label="text.move(text[part], text[to])"
            :title="text.move(text[part], text[to])"
            :disabled="!lines[edge]?.[part]"
            text
            size="small"
            @click="set(edge, movedText(lines[edge]!, part, to))"
          />
        </div>
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
.part {
  display: flex;
  align-items: end;
}
.part > :first-child {
  flex: 1;
  min-width: 0;
}
small {
  color: var(--quiet);
}
</style>
