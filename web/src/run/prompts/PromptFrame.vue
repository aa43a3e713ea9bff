<script setup lang="ts">
import { computed } from 'vue'
import type { AnswerView, PromptView } from '@/api/client'

/** A prompt's label above what it asks with, and below it what is wrong, or else what was understood and its help. */
const props = defineProps<{ prompt: PromptView; resolved?: AnswerView; problem?: string }>()
const asksWithButtons = computed(() => props.prompt.type === 'YES_NO')
</script>

<template>
  <div class="frame">
    <span v-if="asksWithButtons" class="label">{{ prompt.label }}</span>
    <label v-else :for="`answer-${prompt.name}`" class="label">{{ prompt.label }}</label>
    <slot />
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <template v-else>
      <p v-if="resolved?.asked" class="understood">{{ resolved.words }}</p>
      <p v-if="prompt.help" class="help">{{ prompt.help }}</p>
    </template>
  </div>
</template>

<style scoped>
.frame {
  display: grid;
  gap: 0.25rem;
  margin-top: 0.75rem;
}
.label {
  font-weight: 600;
}
.help,
.understood {
  color: var(--quiet);
}
p {
  margin: 0;
  overflow-wrap: anywhere;
}
.problem {
  color: var(--danger);
}
</style>
