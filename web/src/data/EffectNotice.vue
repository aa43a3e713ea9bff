<script setup lang="ts">
import type { EffectView } from '@/api/client'
import { words } from '@/words'

/** What would not work any more until mended, each with the places, told before a dataset is saved. */
defineProps<{ effect: EffectView }>()
const text = words.data.edit
</script>

<template>
  <div class="effect" role="alert">
    <template v-if="effect.broken.length">
      <p>{{ text.effect(effect.broken.length) }}</p>
      <ul>
        <li v-for="report in effect.broken" :key="report.id">
          <RouterLink :to="{ name: 'bench', params: { id: report.id } }">{{ report.title }}</RouterLink>
          <small v-for="(fault, i) in report.problems" :key="i">{{ fault.message }}</small>
        </li>
      </ul>
    </template>
    <template v-if="effect.datasets.length">
      <p>{{ text.effectDatasets(effect.datasets.length) }}</p>
      <ul>
        <li v-for="built in effect.datasets" :key="built.id">
          <RouterLink :to="{ name: 'data', params: { id: built.id } }">{{ built.title }}</RouterLink>
          <small v-for="(fault, i) in built.problems" :key="i">{{ fault.message }}</small>
        </li>
      </ul>
    </template>
    <p v-if="effect.others">{{ text.others(effect.others) }}</p>
  </div>
</template>

<style scoped>
.effect {
  background: var(--danger-soft);
  padding: 0.4rem 0.6rem;
  border-radius: 4px;
}
p {
  margin: 0;
}
ul {
  margin: 0.2rem 0;
  padding-left: 1rem;
}
small {
  display: block;
  color: var(--quiet);
}
</style>
