<script setup lang="ts">
import { computed } from 'vue'
import type { FieldDetail } from '@/api/client'
import { words } from '@/words'

/** Classes of values side by side, each as tall as it has rows. */
const props = defineProps<{ bars: FieldDetail['bars'] }>()

const HEIGHT = 64
const text = words.data
const most = computed(() => Math.max(...props.bars.map((bar) => bar.rows)))
const said = (bar: FieldDetail['bars'][number]) =>
  text.profile.bar(bar.from, bar.below, text.rows(bar.rows, text.rowNoun.one, text.rowNoun.other))
/** A class with rows is always seen, however few they are. */
const height = (rows: number) => (rows ? Math.max(2, (HEIGHT * rows) / most.value) : 0)
</script>

<template>
  <figure>
    <svg
      :viewBox="`0 0 ${bars.length * 10} ${HEIGHT}`"
      preserveAspectRatio="none"
      role="img"
      :aria-label="bars.map(said).join('; ')"
    >
      <g v-for="(bar, i) in bars" :key="i">
        <title>{{ said(bar) }}</title>
        <rect :x="i * 10" y="0" width="10" :height="HEIGHT" fill="transparent" />
        <rect
          :x="i * 10 + 1"
          :y="HEIGHT - height(bar.rows)"
          width="8"
          :height="height(bar.rows)"
          class="bar"
        />
      </g>
    </svg>
    <figcaption>
      <span>{{ bars[0]!.from }}</span>
      <span>{{ bars.at(-1)!.below }}</span>
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}
svg {
  width: 100%;
  height: 64px;
  display: block;
  border-bottom: 1px solid var(--quiet);
}
.bar {
  fill: var(--level-1);
}
figcaption {
  display: flex;
  justify-content: space-between;
  color: var(--quiet);
}
</style>
