<script setup lang="ts">
import { computed } from 'vue'
import type { RunView } from '@/api/client'
import { words } from '@/words'

/** The tables' own totals, always in sight; of several tables those of one, or each under its title. */
const props = defineProps<{
  totals: RunView['grandTotals']
  /** Id of the one block whose totals are shown. */
  block?: string
}>()
const shown = computed(() =>
  props.block === undefined ? props.totals : props.totals.filter((total) => total.block === props.block),
)
const severalBlocks = computed(() => new Set(shown.value.map((total) => total.block)).size > 1)

/** Whether a total is the first of its table. */
const begins = (at: number) => severalBlocks.value && shown.value[at - 1]?.block !== shown.value[at]?.block
</script>

<template>
  <dl
    :aria-label="words.run.grandTotal"
    :class="{ several: severalBlocks }"
    :tabindex="severalBlocks ? 0 : undefined"
  >
    <template v-if="!severalBlocks">
      <dt class="name">{{ shown[0]?.name ?? words.run.grandTotal }}</dt>
      <dd class="visually-hidden" />
    </template>
    <template v-for="(total, i) in shown" :key="`${total.block} ${total.label}`">
      <template v-if="begins(i)">
        <dt class="name">{{ total.title || total.name }}</dt>
        <dd class="visually-hidden" />
      </template>
      <dt>{{ total.label }}</dt>
      <dd>{{ total.figure || '–' }}</dd>
    </template>
  </dl>
</template>

<style scoped>
.several {
  overflow-x: auto;
}
dl {
  display: flex;
  gap: 0.5rem;
  margin: 0;
  align-items: baseline;
}
dt {
  color: var(--quiet);
}
dt.name {
  color: var(--ink);
  font-weight: 600;
}
dd {
  margin: 0 0.5rem 0 0;
  font-weight: 600;
  font-variant-numeric: tabular-nums;
}
</style>
