<script setup lang="ts">
import { computed } from 'vue'
import type { ProblemView } from '@/api/client'
import { words } from '@/words'

const props = defineProps<{ problems: ProblemView[] }>()
const emit = defineEmits<{ go: [problem: ProblemView]; cure: [problem: ProblemView] }>()

const sorted = computed(() =>
  [...props.problems].sort((a, b) => Number(b.severity === 'ERROR') - Number(a.severity === 'ERROR')),
)
const errors = computed(() => props.problems.filter((p) => p.severity === 'ERROR').length)
</script>

<template>
  <div class="problems">
    <p role="status">{{ words.bench.problems(errors, problems.length - errors) }}</p>
    <ul>
      <li v-for="p in sorted" :key="p.pointer + p.message" :class="p.severity.toLowerCase()">
        <button type="button" @click="emit('go', p)">
          <i
            :class="p.severity === 'ERROR' ? 'pi pi-exclamation-circle' : 'pi pi-info-circle'"
            aria-hidden="true"
          />
          <span>{{ p.position ? `${p.position} ` : '' }}{{ p.message }}</span>
        </button>
        <button v-if="p.cure" type="button" class="cure" @click="emit('cure', p)">{{ p.cure.label }}</button>
      </li>
    </ul>
  </div>
</template>

<style scoped>
p {
  margin: 0 0 0.2rem 0.35rem;
  color: var(--quiet);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
button {
  display: flex;
  gap: 0.4rem;
  border: 0;
  background: none;
  font: inherit;
  color: inherit;
  text-align: left;
  cursor: pointer;
  padding: 0.25rem 0.35rem;
  width: 100%;
  overflow-wrap: anywhere;
}
.cure {
  width: auto;
  margin-left: 1.4rem;
  color: var(--accent);
  font-weight: 600;
}
button.cure:hover,
button:hover span {
  text-decoration: underline;
}
.error {
  color: var(--danger);
}
i {
  margin-top: 0.2rem;
}
</style>
