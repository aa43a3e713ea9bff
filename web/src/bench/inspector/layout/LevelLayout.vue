<script setup lang="ts">
import LayoutNumber from './LayoutNumber.vue'
import LayoutSwitch from './LayoutSwitch.vue'
import { laidOut } from '../../edits/layout'
import type { Level } from '@/api/client'
import { words } from '@/words'

/** How the groups of a level stand on pages. */
const props = defineProps<{ level: Level; problem: (path: string) => string | undefined }>()
const emit = defineEmits<{ change: [layout: Level['layout'], key: string] }>()
type Layout = NonNullable<Level['layout']>
const text = words.layout.level

const set = <K extends keyof Layout>(key: K, value: Layout[K] | undefined) =>
  emit('change', laidOut(props.level.layout, key, value), `layout ${key}`)
</script>

<template>
  <LayoutSwitch
    :label="text.keepTogether"
    :model-value="level.layout?.keepTogether"
    @update:model-value="(on) => set('keepTogether', on)"
  />
  <LayoutSwitch
    v-if="level.newPage"
    :label="text.onFront"
    :model-value="level.layout?.onFront"
    @update:model-value="(on) => set('onFront', on)"
  />
  <LayoutNumber
    v-else
    :label="text.newPageUnder"
    :max="99"
    :model-value="level.layout?.newPageUnder"
    @update:model-value="(percent) => set('newPageUnder', percent)"
  />
  <LayoutNumber
    v-if="level.footer === 'totals'"
    :label="text.totalsFrom"
    :max="1000000"
    :model-value="level.layout?.totalsFrom"
    @update:model-value="(rows) => set('totalsFrom', rows)"
  />
  <LayoutSwitch
    :label="text.ruleAfter"
    :model-value="level.layout?.ruleAfter"
    @update:model-value="(on) => set('ruleAfter', on)"
  />
  <LayoutNumber
    :label="text.spaceAfter"
    :min="0"
    :max="200"
    fraction
    :model-value="level.layout?.spaceAfter"
    @update:model-value="(points) => set('spaceAfter', points)"
  />
</template>
