<script setup lang="ts">
import { words } from '@/words'

/** A part of a style, folded away until it is wanted; it says whether the style says something there. */
defineProps<{ title: string; own: boolean }>()
</script>

<template>
  <details>
    <summary>
      {{ title }} <small v-if="own">{{ words.styles.own }}</small>
    </summary>
    <div class="inside"><slot /></div>
  </details>
</template>

<style scoped>
details {
  border-top: 1px solid var(--line);
}
summary {
  padding: 0.5rem 0;
  font-weight: 600;
  cursor: pointer;
}
small {
  font-weight: 400;
  color: var(--accent);
  margin-left: 0.4rem;
}
.inside {
  padding-bottom: 0.75rem;
}
</style>
