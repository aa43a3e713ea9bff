<script setup lang="ts">
import OneOf from '@/shell/OneOf.vue'
import Button from 'primevue/button'
import { computed } from 'vue'
import { parts, stripped } from '../edits/report'
import { useAskEdit, useOffers } from '../namedEdits'
import { setOrder } from '../edits/order'
import { measureChoices } from '../edits/measures'
import { offered, perRow } from '../edits/perRow'
import type { DatasetView, Order, Report } from '@/api/client'
import { words } from '@/words'

const props = defineProps<{ report: Report; dataset: DatasetView; level?: string; inWords?: string }>()
const emit = defineEmits<{ apply: [name: string, change: (report: Report) => Report] }>()

const text = words.bench.inspector
const ask = useAskEdit()
const offers = useOffers()
const order = computed(() =>
  props.level
    ? (parts(props.report).levels.find((level) => level.id === props.level)?.order ?? [])
    : parts(props.report).rows.order,
)
/** Totals first, for groups; then every field, shown or not. */
const choices = computed(() => {
  const measured = props.level ? measureChoices(offers.value) : []
  const fields = offered(props.dataset.fields)
    .filter(perRow)
    .map((field) => ({ value: field.offers.value, label: field.label }))
  const known = [...measured, ...fields]
  const own = order.value
    .filter((term) => !known.some((choice) => choice.value === term.by))
    .map((term) => ({ value: term.by, label: term.by }))
  return [...known, ...own]
})
const bases = [
  { value: 'parent', label: text.bases.parent },
  { value: 'report', label: text.bases.report },
]
/** A group's own figure can be compared inside its parent or across the report; what is read from a row is the same either way. */
const hasBasis = (term: Order) => !!props.level && measureTexts.value.has(term.by)
const measureTexts = computed(() => new Set(measureChoices(offers.value).map((m) => m.value)))
/** A date or a moment is put in order by itself, or by the span in which it lies. */
const isTime = (term: Order) =>
  ['DATE', 'TIMESTAMP'].includes(
    props.dataset.fields.find((field) => perRow(field) && field.offers.value === term.by)?.type ?? '',
  )
const buckets = Object.entries(text.buckets).map(([value, label]) => ({ value, label }))
const directions = [
  { value: 'ascending', label: text.ascending },
  { value: 'descending', label: text.descending },
]

function set(next: Order[]) {
  emit('apply', words.bench.edits.order(props.level ?? 'rows'), (report) =>
    setOrder(report, props.level, next),
  )
}

function change(index: number, term: Partial<Order>) {
  set(order.value.map((t, i) => (i === index ? stripped({ ...t, ...term }) : t)))
}

function swap(index: number) {
  const next = [...order.value]
  ;[next[index - 1], next[index]] = [next[index]!, next[index - 1]!]
  set(next)
}

function add() {
  const by = choices.value.find((choice) => !order.value.some((term) => term.by === choice.value))?.value
  if (by) {
    void ask(words.bench.edits.order(props.level ?? 'rows'), {
      edit: 'add-order-term',
      level: props.level,
      by,
    })
  }
}
</script>

<template>
  <fieldset>
    <legend>{{ text.order }}</legend>
    <p v-if="order.length === 0" class="quiet">{{ text.asKeyed }}</p>
    <div v-for="(term, i) in order" :key="term.id" class="term">
      <OneOf
        :model-value="term.by"
        :options="choices"
        filter
        :aria-label="`${text.by} ${i + 1}`"
        @update:model-value="(by: string) => change(i, { by, bucket: undefined })"
      />
      <OneOf
        :model-value="term.direction"
        :options="directions"
        :aria-label="`${text.order} ${i + 1}`"
        @update:model-value="(direction: Order['direction']) => change(i, { direction })"
      />
      <Button
        v-if="i > 0"
        icon="pi pi-arrow-up"
        text
        size="small"
        severity="secondary"
        :aria-label="words.bench.commands.earlier"
        @click="swap(i)"
      />
      <Button
        icon="pi pi-times"
        text
        size="small"
        severity="secondary"
        :aria-label="`${text.remove}: ${term.by}`"
        @click="set(order.filter((_, j) => j !== i))"
      />
      <OneOf
        v-if="isTime(term)"
        class="basis"
        :model-value="term.bucket ?? 'none'"
        :options="buckets"
        :aria-label="`${text.bucket} ${i + 1}`"
        @update:model-value="
          (bucket: string) =>
            change(i, { bucket: bucket === 'none' ? undefined : (bucket as Order['bucket']) })
        "
      />
      <OneOf
        v-if="hasBasis(term)"
        class="basis"
        :model-value="term.basis ?? 'parent'"
        :options="bases"
        :aria-label="`${text.basis} ${i + 1}`"
        @update:model-value="
          (basis: string) => change(i, { basis: basis === 'report' ? 'report' : undefined })
        "
      />
    </div>
    <Button :label="text.addTerm" icon="pi pi-plus" text size="small" @click="add" />
    <p v-if="inWords" class="quiet">{{ words.why.ordered(inWords) }}</p>
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  min-width: 0;
}
legend {
  padding: 0;
}
.term {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto auto;
  gap: 0.15rem;
  margin-bottom: 0.25rem;
}
.basis {
  grid-column: 1 / -1;
}
.quiet {
  color: var(--quiet);
  margin: 0.2rem 0;
}
</style>
