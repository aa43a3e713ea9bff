<script setup lang="ts">
import Button from 'primevue/button'
import ToggleSwitch from 'primevue/toggleswitch'
import type { Marks } from './useMarks'
import { words } from '@/words'

/** The rules that mark something in a run, each with how much it marks and the way to it. */
defineProps<{ marks: Marks }>()
/** Whether what is not marked is hidden. */
const only = defineModel<boolean>('only', { required: true })
const text = words.run.marks
</script>

<template>
  <section class="marks" :aria-label="text.title">
    <h2>{{ text.title }}</h2>
    <ul>
      <li v-for="(rule, i) in marks.rules.value" :key="rule.id">
        <span class="sign" aria-hidden="true" :style="{ background: rule.fill || undefined }">{{
          rule.sign
        }}</span>
        <span class="label">{{ rule.label }}</span>
        <small>{{ rule.count.toLocaleString('en-GB') }}</small>
        <template v-if="rule.count">
          <Button
            icon="pi pi-angle-up"
            text
            size="small"
            :aria-label="text.previousOf(rule.label)"
            :title="text.previousOf(rule.label)"
            @click="marks.step(-1, i)"
          />
          <Button
            icon="pi pi-angle-down"
            text
            size="small"
            :aria-label="text.nextOf(rule.label)"
            :title="text.nextOf(rule.label)"
            @click="marks.step(1, i)"
          />
        </template>
      </li>
    </ul>
    <label>
      <ToggleSwitch v-model="only" />
      {{ text.only }}
    </label>
    <p v-if="marks.at.value !== undefined" role="status">
      {{ text.at(marks.at.value + 1, marks.count.value) }}
    </p>
  </section>
</template>

<style scoped>
.marks {
  margin-top: 1.25rem;
  padding-top: 0.75rem;
  border-top: 1px solid var(--line);
}
h2 {
  font-size: 1rem;
  margin: 0 0 0.35rem;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  align-items: center;
  gap: 0.4rem;
  min-height: 28px;
}
.sign {
  flex: none;
  width: 1.4rem;
  text-align: center;
  border-radius: 3px;
  color: var(--paper-ink);
  background: var(--paper);
}
label {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  margin-top: 0.3rem;
}
.label {
  flex: 1;
  min-width: 0;
  overflow-wrap: anywhere;
}
small,
p {
  color: var(--quiet);
  font-variant-numeric: tabular-nums;
}
p {
  margin: 0.25rem 0 0;
}
</style>
