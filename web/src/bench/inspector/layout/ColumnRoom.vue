<script setup lang="ts">
import LayoutNumber from './LayoutNumber.vue'
import LayoutSwitch from './LayoutSwitch.vue'
import InspectorField from '../InspectorField.vue'
import TextInput from '../TextInput.vue'
import { laidOut } from '../../edits/layout'
import type { Column } from '@/api/client'
import { words } from '@/words'

/** What is said of the room that a column takes, besides its width. */
/** @param first whether no column stands before it */
const props = defineProps<{ column: Column; first: boolean; problem: (path: string) => string | undefined }>()
const emit = defineEmits<{ change: [room: Column['room'], key: string] }>()
type Room = NonNullable<Column['room']>
const text = words.layout.column

const set = <K extends keyof Room>(key: K, value: Room[K] | undefined) =>
  emit('change', laidOut(props.column.room, key, value), `room ${key}`)
</script>

<template>
  <InspectorField :label="text.over" :hint="text.overHint" :problem="problem('over')">
    <TextInput
      :model-value="column.room?.over"
      @update:model-value="(over) => set('over', over || undefined)"
    />
  </InspectorField>
  <LayoutNumber
    :label="text.share"
    :max="100"
    :model-value="column.room?.share"
    @update:model-value="(share) => set('share', share)"
  />
  <LayoutNumber
    :label="text.lines"
    :max="12"
    :model-value="column.room?.lines"
    @update:model-value="(lines) => set('lines', lines)"
  />
  <LayoutSwitch
    v-if="!first"
    :label="text.below"
    :model-value="column.room?.below"
    @update:model-value="(below) => set('below', below || undefined)"
  />
  <LayoutSwitch
    :label="text.turned"
    :model-value="column.room?.turned"
    @update:model-value="(turned) => set('turned', turned || undefined)"
  />
</template>
