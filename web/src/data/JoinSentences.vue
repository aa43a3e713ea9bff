<script setup lang="ts">
import { computed } from 'vue'
import type { DatasetProfile, DatasetView } from '@/api/client'
import { words } from '@/words'

/** Each join as a sentence with what was measured; what deserves a look stands on its own. */
const props = defineProps<{ dataset: DatasetView; profile?: DatasetProfile }>()

const text = words.data
const sentences = computed(() =>
  (props.profile?.joins ?? []).map((join) => {
    const table = (id: string) => props.dataset.tables.find((t) => t.id === id)!
    const from = table(join.from)
    const to = table(join.to)
    const grain = table(props.profile!.tables[0]!.id)
    const { rows, without, targets, unused, leftOut } = join.match
    return {
      id: join.id,
      joined: text.joined(from.one, to.one),
      remarks: [
        leftOut ? text.leftOut(leftOut, leftOut === 1 ? grain.one : grain.noun, to.one) : '',
        without ? text.without(without, rows, from.noun) : '',
        unused ? text.unused(unused, targets, to.noun, from.noun, grain.noun) : '',
      ].filter(Boolean),
    }
  }),
)
</script>

<template>
  <ul v-if="sentences.length" :aria-label="text.joins">
    <li v-for="sentence in sentences" :key="sentence.id">
      {{ sentence.joined }}
      <template v-for="remark in sentence.remarks" :key="remark"
        >{{ ' ' }}<strong>{{ remark }}</strong></template
      >
    </li>
  </ul>
</template>

<style scoped>
ul {
  margin: 0;
  padding: 0 0 0 0.9rem;
  list-style: none;
  border-left: 2px solid var(--level-2);
  border-radius: 6px 0 0 6px;
}
li {
  padding: 0.1rem 0;
}
strong {
  font-weight: 600;
}
</style>
