<script setup lang="ts">
import GroupOutline from './GroupOutline.vue'
import OwnView from './OwnView.vue'
import MarkList from './MarkList.vue'
import type { Marks } from './useMarks'
import NarrowPanel from './narrow/NarrowPanel.vue'
import type { Narrowing } from './narrow/useNarrowing'
import PromptForm from './prompts/PromptForm.vue'
import type { PromptSource } from './prompts/promptSource'
import type { useView } from './useView'
import type { Answers, AnswerView, OutlineEntry, ReportView, RunView } from '@/api/client'
import WhyNotHere from '@/explain/WhyNotHere.vue'
import { words } from '@/words'

/** Beside a run: what it is called, what it asks, how its reader looks at it, and its groups. */
defineProps<{
  report?: ReportView
  source: PromptSource
  run?: RunView
  /** The run whose page is on the screen. */
  shownRun?: string
  printed: boolean
  running: boolean
  count: string
  resolved: Record<string, AnswerView>
  problems: Record<string, string>
  /** What is wrong with what it is narrowed to, by field. */
  misfits: Record<string, string>
  looked: ReturnType<typeof useView>
  narrowing: Narrowing
  marks: Marks
  level: (id: string) => string
}>()
const asked = defineModel<Answers>('asked', { required: true })
const emit = defineEmits<{ run: []; look: []; cancel: []; whole: []; go: [entry: OutlineEntry] }>()
const text = words.run

function columnLabel(term: string): string {
  const [id, direction] = term.split(':')
  const heading = document.querySelector(`[data-role=COLUMN_HEADINGS] [data-id="${id}"]`)
  return `${heading?.textContent ?? id} ${direction === 'descending' ? '▼' : '▲'}`
}
</script>

<template>
  <div class="side">
    <RouterLink to="/reports" class="back"
      ><i class="pi pi-angle-left" aria-hidden="true" />{{ text.back }}</RouterLink
    >
    <h1>{{ report?.title ?? text.report }}</h1>
    <template v-if="report">
      <PromptForm
        v-model="asked"
        :source="source"
        :prompts="report.prompts"
        :report="report.id"
        :fiscal="report.fiscalPeriods"
        :resolved="resolved"
        :problems="problems"
        :running="running"
        :count="count"
        @run="emit('run')"
        @cancel="emit('cancel')"
      />
      <NarrowPanel
        v-if="run && (narrowing.shown.value.length || narrowing.others.value.length)"
        :source="source"
        :run="shownRun ?? run.id"
        :narrowing="narrowing"
        :problems="misfits"
      />
      <OwnView
        v-if="!looked.isPlain.value"
        :view="looked.view()"
        :label="columnLabel"
        :level="level"
        @widen-to-all="(group) => (looked.leave(group), emit('run'))"
        @whole="emit('whole')"
      />
      <MarkList
        v-if="marks.rules.value.length"
        :marks="marks"
        :only="looked.markedOnly.value"
        @update:only="(only) => (looked.showMarked(only), emit('look'))"
      />
      <WhyNotHere
        v-if="shownRun && narrowing.tellers.value.length"
        :run="shownRun"
        :block="narrowing.firstBlock.value"
        :fields="narrowing.tellers.value"
      />
      <section v-if="run && printed" class="outline" :aria-label="text.groups">
        <h2>{{ text.groups }}</h2>
        <div class="scroll">
          <GroupOutline :run="run.id" @open="(entry) => emit('go', entry)" />
        </div>
      </section>
    </template>
  </div>
</template>

<style scoped>
.side {
  padding: 0.75rem 1rem;
  display: flex;
  flex-direction: column;
  min-height: 0;
  overflow-y: auto;
}
.back {
  display: inline-flex;
  align-items: center;
  gap: 0.25rem;
  text-decoration: none;
}
h1 {
  font-size: 1.2rem;
  line-height: 1.25;
  margin: 0.5rem 0 1rem;
  overflow-wrap: anywhere;
}
h2 {
  font-size: 1rem;
  margin: 0 0 0.35rem;
}
.outline {
  margin-top: 1.25rem;
  padding-top: 0.75rem;
  border-top: 1px solid var(--line);
  display: flex;
  flex-direction: column;
  min-height: 10rem;
  flex: 1;
}
.scroll {
  overflow-y: auto;
  margin-right: -0.5rem;
  padding-right: 0.5rem;
}
</style>
