<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import type { View } from '@/api/client'
import { words } from '@/words'

/** How the reader's view differs from the report as it was made, and the way back. */
const props = defineProps<{
  view: View
  /** A term of the order in words. */
  label: (term: string) => string
  /** What a level is called. */
  level: (id: string) => string
}>()
const emit = defineEmits<{ widenToAll: [group: string]; whole: [] }>()

const name = (group: string) =>
  group.includes(':') ? group.slice(group.indexOf(':') + 1) : words.why.noValue
/** What is narrowed to and what is left out, each with how far it reaches. */
const narrowings = computed(() =>
  [
    { title: words.why.narrowedTo, groups: props.view.only },
    { title: words.why.without, groups: props.view.except },
  ].filter(({ groups }) => groups.length > 0),
)
const isEverywhere = (group: string) => group.startsWith('report.')
</script>

<template>
  <section class="own" :aria-label="words.run.view">
    <p v-for="{ title, groups } in narrowings" :key="title">
      {{ title }}
      <button
        v-for="group in groups"
        :key="group"
        type="button"
        class="chip"
        :aria-label="words.bench.sentence.remove(name(group))"
        @click="emit('widenToAll', group)"
      >
        {{ name(group) }}{{ isEverywhere(group) ? words.why.everywhere : '' }} ×
      </button>
    </p>
    <p v-if="view.downTo">{{ words.why.foldedTo }} {{ level(view.downTo) }}</p>
    <p v-if="view.whole.length">{{ words.why.wholeOf }} {{ view.whole.map(level).join(', ') }}</p>
    <p v-if="view.order.length">{{ words.why.orderedBy }} {{ view.order.map(label).join(', ') }}</p>
    <p v-if="view.widths.length">{{ words.run.column.own }}</p>
    <Button :label="words.why.wholeAgain" text size="small" @click="emit('whole')" />
  </section>
</template>

<style scoped>
.own {
  margin-top: 0.75rem;
  padding-top: 0.5rem;
  border-top: 1px solid var(--line);
}
p {
  margin: 0 0 0.3rem;
}
.chip {
  border: 0;
  border-radius: 12px;
  background: var(--accent-soft);
  color: inherit;
  font: inherit;
  cursor: pointer;
  min-height: 24px;
  padding: 0 0.5rem;
  margin: 0 0.2rem 0.2rem 0;
}
</style>
