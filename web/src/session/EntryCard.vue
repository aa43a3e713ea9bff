<script setup lang="ts">
import WordMark from '@/shell/WordMark.vue'

/** The one form of a screen before the work: signing in, setting up, changing a password. */
defineProps<{ title: string; lead: string; problem?: string }>()
const emit = defineEmits<{ submit: [] }>()
</script>

<template>
  <main class="screen">
    <form class="card" :aria-label="title" @submit.prevent="emit('submit')">
      <WordMark class="mark" />
      <h1 class="visually-hidden">{{ title }}</h1>
      <p class="lead">{{ lead }}</p>
      <slot />
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <slot name="actions" />
    </form>
    <svg class="motif" viewBox="0 0 400 600" aria-hidden="true" preserveAspectRatio="xMaxYMid slice">
      <path
        v-for="depth in 4"
        :key="depth"
        :d="`M${150 + depth * 60} ${20 + depth * 22} c-46 0 -8 ${266 - depth * 22} -44 ${280 - depth * 22} c36 14 -2 ${280 - depth * 22} 44 ${280 - depth * 22}`"
        :style="{ stroke: `var(--level-${depth})` }"
      />
    </svg>
  </main>
</template>

<style scoped>
.screen {
  flex: 1;
  display: grid;
  grid-template-columns: minmax(22rem, 5fr) 6fr;
  overflow: hidden;
}
.card {
  background: var(--panel);
  border-right: 1px solid var(--line);
  padding: 0 clamp(2rem, 7vw, 7rem);
  display: flex;
  flex-direction: column;
  justify-content: center;
  gap: 0.5rem;
}
.mark {
  height: 40px;
  align-self: flex-start;
}
.lead {
  margin: 0 0 1.5rem;
  color: var(--quiet);
  font-size: 1.1rem;
}
.card :deep(label) {
  font-weight: 600;
}
input + .card :deep(label) {
  margin-top: 0.5rem;
}
.card :deep(button) {
  margin-top: 1rem;
  align-self: flex-start;
}
.card :deep(small) {
  color: var(--quiet);
}
.problem {
  margin: 0.5rem 0 0;
  white-space: pre-line;
  color: var(--danger);
}
.motif {
  width: 100%;
  height: 100%;
}
.motif path {
  fill: none;
  stroke-width: 3;
  stroke-linecap: round;
  opacity: 0.75;
}
@media (max-width: 700px) {
  .screen {
    grid-template-columns: 1fr;
  }
  .motif {
    display: none;
  }
}
</style>
