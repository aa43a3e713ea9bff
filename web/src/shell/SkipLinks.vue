<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { words } from '@/words'

/** The first things that Tab reaches: ways over the bar to the parts of a screen. */
const text = words.skip
const route = useRoute()
const targets = computed(() => {
  switch (route.name) {
    case 'bench':
      return [
        { to: '[data-skip=sentence]', label: text.sentence },
        { to: '.desk', label: text.page },
        { to: '[data-skip=panel]', label: text.panel },
      ]
    case 'run':
      return [
        { to: '[data-skip=answers]', label: text.answers },
        { to: '.desk, .list', label: text.page },
      ]
    default:
      return [{ to: 'main', label: text.work }]
  }
})

/** Goes to the first thing there that takes the keyboard, else to the part itself. */
function go(to: string) {
  const part = document.querySelector<HTMLElement>(to)
  const first = part?.matches('[tabindex]')
    ? part
    : part?.querySelector<HTMLElement>('a[href], button, input, select, textarea, [tabindex="0"]')
  if (first) {
    first.focus()
  } else if (part) {
    part.tabIndex = -1
    part.focus()
  }
}
</script>

<template>
  <nav class="skip" :aria-label="text.label">
    <button v-for="target in targets" :key="target.to" type="button" @click="go(target.to)">
      {{ target.label }}
    </button>
  </nav>
</template>

<style scoped>
.skip {
  position: fixed;
  top: 0;
  left: 0;
  z-index: 10;
  display: flex;
  transform: translateY(-200%);
}
.skip:focus-within {
  transform: none;
}
button {
  white-space: nowrap;
  padding: 0.5rem 0.9rem;
  border: 1px solid var(--line);
  border-radius: 0 0 4px 0;
  background: var(--panel);
  color: var(--ink);
  font: inherit;
}
button:focus {
  border-color: var(--accent);
}
</style>
