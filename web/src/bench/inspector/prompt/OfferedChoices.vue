<script setup lang="ts">
import Textarea from 'primevue/textarea'
import { computed, ref } from 'vue'
import InspectorField from '../InspectorField.vue'
import OneOf from '@/shell/OneOf.vue'
import type { Prompt } from '@/api/client'
import { words } from '@/words'

/** What a prompt offers to choose from, and in which order: what the rows have, or a list of its own. */
const props = defineProps<{ prompt: Prompt; problem: (path: string) => string | undefined }>()
const emit = defineEmits<{ change: [what: Partial<Prompt>, key: string] }>()
const text = words.bench.inspector.offered

const AS_USUAL = 'usual'
const orders = [
  { value: AS_USUAL, label: text.usual },
  ...Object.entries(text.orders).map(([value, label]) => ({ value, label })),
]
/** One choice a line, its value before an equals sign where it is called something else. */
const written = computed(() =>
  (props.prompt.listed ?? [])
    .map(({ value, label }) => (value === label ? value : `${value} = ${label}`))
    .join('\n'),
)
const typed = ref<string>()

function list(lines: string) {
  const listed = lines
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean)
    .map((line) => {
      const at = line.indexOf('=')
      const value = (at > 0 ? line.slice(0, at) : line).trim()
      return { value, label: (at > 0 ? line.slice(at + 1).trim() : '') || value }
    })
  emit('change', { listed: listed.length ? listed : undefined }, 'listed')
}
</script>

<template>
  <InspectorField v-if="!prompt.listed" :label="text.order">
    <OneOf
      :aria-label="text.order"
      :model-value="prompt.order ?? AS_USUAL"
      :options="orders"
      fluid
      @update:model-value="
        (order: string) =>
          emit('change', { order: order === AS_USUAL ? undefined : (order as Prompt['order']) }, 'order')
      "
    />
  </InspectorField>
  <InspectorField :label="text.listed" :hint="text.listedHint" :problem="problem('listed')">
    <template #default="{ id }">
      <Textarea
        :id="id"
        :model-value="typed ?? written"
        :placeholder="text.fromRows"
        rows="3"
        auto-resize
        fluid
        @update:model-value="(lines) => ((typed = lines ?? ''), list(typed))"
        @blur="typed = undefined"
      />
    </template>
  </InspectorField>
</template>
