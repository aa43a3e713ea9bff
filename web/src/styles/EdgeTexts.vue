<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { withEdge } from './styleEdits'
import type { HouseStyle } from '@/api/client'
import { words } from '@/words'

/** What stands at the edges of pages of all reports that say nothing of it themselves, in three parts each. */
defineProps<{ problem: (path: string) => string | undefined }>()
const style = defineModel<HouseStyle>({ required: true })
const text = words.layout.page
const edges = ['firstHeader', 'header', 'firstFooter', 'footer'] as const
const parts = ['start', 'centre', 'end'] as const
</script>

<template>
  <fieldset v-for="edge in edges" :key="edge">
    <legend>{{ text[edge] }}</legend>
    <div v-for="part in parts" :key="part">
      <InputText
        :model-value="style.look.edges?.[edge]?.[part] ?? ''"
        maxlength="2000"
        size="small"
        fluid
        :placeholder="text[part]"
        :aria-label="`${text[edge]}: ${text[part]}`"
        :invalid="!!problem(`edges/${edge}/${part}`)"
        @change="
          (event: Event) => (style = withEdge(style, edge, part, (event.target as HTMLInputElement).value))
        "
      />
      <small v-if="problem(`edges/${edge}/${part}`)" class="problem" role="alert">
        {{ problem(`edges/${edge}/${part}`) }}
      </small>
    </div>
  </fieldset>
  <small>{{ words.styles.edgeHint }}</small>
</template>

<style scoped>
fieldset {
  border: 0;
  margin: 0 0 0.5rem;
  padding: 0;
  display: grid;
  gap: 0.25rem;
}
small {
  color: var(--quiet);
}
.problem {
  color: var(--danger);
}
</style>
