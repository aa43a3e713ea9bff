<script setup lang="ts">
import InputNumber from 'primevue/inputnumber'
import { computed } from 'vue'
import InspectorField from '../InspectorField.vue'
import type { Column, Level } from '@/api/client'
import OneOf from '@/shell/OneOf.vue'
import { words } from '@/words'

/** What is drawn beside a column's figures, so that their size is seen before it is read. */
const props = defineProps<{
  column: Column
  levels: Level[]
  problem: (path: string) => string | undefined
}>()
const emit = defineEmits<{ change: [scale: Column['scale'], key: string] }>()
type Scale = NonNullable<Column['scale']>
const text = words.layout.column
/** Stands for the report as a whole. */
const ALL = 'report'
const within = computed(() => [
  { value: ALL, label: text.withinAll },
  ...props.levels.map((level) => ({ value: level.id, label: text.within(level.name) })),
])
const kinds = Object.entries(text.scales).map(([value, label]) => ({ value, label }))

function choose(kind: string) {
  emit('change', kind === 'none' ? undefined : { kind: kind as Scale['kind'] }, 'scale')
}

/** Both edges are given, or none; the other begins beside the one that is typed. */
function setEdge(at: 0 | 1, value: number | null) {
  const edges = props.column.scale?.edges
  if (value === null) {
    emit('change', { kind: 'steps' }, 'edges')
    return
  }
  const other = edges?.[1 - at] ?? (at === 0 ? value + 1 : value - 1)
  emit('change', { kind: 'steps', edges: at === 0 ? [value, other] : [other, value] }, 'edges')
}
</script>

<template>
  <InspectorField :label="text.scale" :problem="problem('scale')">
    <OneOf
      :aria-label="text.scale"
      :model-value="column.scale?.kind ?? 'none'"
      :options="kinds"
      fluid
      @update:model-value="choose"
    />
  </InspectorField>
  <template v-if="column.scale?.kind === 'steps'">
    <InspectorField
      v-for="(label, at) in text.edges"
      :key="label"
      :label="label"
      :problem="at === 1 ? problem('edges') : undefined"
    >
      <InputNumber
        :aria-label="label"
        :model-value="column.scale.edges?.[at] ?? null"
        :placeholder="text.thirds"
        :max-fraction-digits="6"
        size="small"
        fluid
        @update:model-value="(value: number | null) => setEdge(at as 0 | 1, value)"
      />
    </InspectorField>
    <InspectorField
      v-if="!column.scale.edges && levels.length"
      :label="text.thirdsOf"
      :problem="problem('within')"
    >
      <OneOf
        :aria-label="text.thirdsOf"
        :model-value="column.scale.within ?? ALL"
        :options="within"
        fluid
        @update:model-value="
          (level: string) =>
            emit('change', { kind: 'steps', ...(level === ALL ? {} : { within: level }) }, 'within')
        "
      />
    </InspectorField>
  </template>
</template>
