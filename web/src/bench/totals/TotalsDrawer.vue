<script setup lang="ts">
import { useStorage } from '@vueuse/core'
import Button from 'primevue/button'
import { nextTick, useTemplateRef, watch } from 'vue'
import { useAskEdit, useOffers } from '../namedEdits'
import { parts } from '../edits/report'
import { totalChoices } from './totalChoices'
import TotalsGrid from './TotalsGrid.vue'
import type { DatasetView, Report } from '@/api/client'
import OneOf from '@/shell/OneOf.vue'
import { words } from '@/words'

/** The totals grid in a drawer below the page, which is pulled out by its handle or from the spine. */
const props = defineProps<{
  report: Report
  dataset: DatasetView
  /** Whether the totals are what is selected. */
  selected: boolean
}>()

const ask = useAskEdit()
const offers = useOffers()
const text = words.bench.inspector
const isOpen = useStorage('grammatus-bench-totals', false)
const grid = useTemplateRef('grid')

async function pullOut() {
  isOpen.value = true
  await nextTick()
  await grid.value?.enter()
}

watch(
  () => props.selected,
  (now) => {
    if (now) {
      void pullOut()
    }
  },
)

const columns = () =>
  parts(props.report).columns.map((column) => ({
    value: column.id,
    label: column.label || column.value || column.id,
  }))

function add(column: string) {
  const value = totalChoices(offers.value, column)[0]?.value
  if (value) {
    void ask(words.bench.edits.addTotal, { edit: 'add-total', column, value })
  }
}
</script>

<template>
  <section class="drawer" data-skip="totals" :aria-label="words.bench.spine.totals">
    <Button
      :label="words.bench.spine.totals"
      :icon="isOpen ? 'pi pi-angle-down' : 'pi pi-angle-up'"
      :aria-expanded="isOpen"
      text
      size="small"
      severity="secondary"
      class="handle"
      @click="isOpen ? (isOpen = false) : pullOut()"
    />
    <slot />
    <div v-if="isOpen" class="inside" @keydown.esc.stop="isOpen = false">
      <TotalsGrid v-if="parts(report).totals.length" ref="grid" :report="report" :dataset="dataset" />
      <p v-else class="quiet">{{ words.bench.spine.noTotals }}</p>
      <OneOf
        v-if="columns().length"
        :model-value="null"
        :options="columns()"
        :placeholder="`${text.addTotal} ${text.under} …`"
        :aria-label="text.addTotal"
        class="add"
        @update:model-value="add"
      />
    </div>
  </section>
</template>

<style scoped>
.drawer {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  align-items: center;
  background: var(--panel);
  border-top: 1px solid var(--line);
  padding: 0.15rem 0.5rem;
}
.inside {
  grid-column: 1 / -1;
  max-height: 34vh;
  overflow: auto;
  padding: 0.25rem 0.5rem 0.5rem;
  border-top: 1px solid var(--line);
}
.add {
  margin-top: 0.4rem;
}
.quiet {
  margin: 0.3rem 0 0;
  color: var(--quiet);
}
</style>
