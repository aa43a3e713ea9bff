<script setup lang="ts">
import LayoutNumber from './LayoutNumber.vue'
import LayoutSwitch from './LayoutSwitch.vue'
import { laidOut } from '../../edits/layout'
import { parts, table, withBlock } from '../../edits/report'
import type { Report, TableBlock } from '@/api/client'
import { words } from '@/words'

/** How a table stands on pages. */
const props = defineProps<{ report: Report; problem: (path: string) => string | undefined }>()
const emit = defineEmits<{ apply: [name: string, change: (report: Report) => Report, key?: string] }>()
type Layout = NonNullable<TableBlock['layout']>
const text = words.layout.table

function set<K extends keyof Layout>(key: K, value: Layout[K] | undefined) {
  const layout = laidOut(table(props.report)?.layout, key, value)
  emit('apply', words.bench.edits.page, (report) => withBlock(report, { layout }), `table ${key}`)
}
</script>

<template>
  <LayoutSwitch
    v-if="parts(report).rows.shown || table(report)?.layout?.carried"
    :label="text.carried"
    :model-value="table(report)?.layout?.carried"
    @update:model-value="(on) => set('carried', on)"
  />
  <small v-if="problem('carried')" class="problem" role="alert">{{ problem('carried') }}</small>
  <LayoutSwitch
    :label="text.headingsOnce"
    :model-value="table(report)?.layout?.headingsOnce"
    @update:model-value="(on) => set('headingsOnce', on)"
  />
  <LayoutSwitch
    v-if="parts(report).highlights.length"
    :label="text.legend"
    :model-value="table(report)?.layout?.legend"
    @update:model-value="(on) => set('legend', on)"
  />
  <LayoutNumber
    :label="text.blankEvery"
    :max="1000"
    :model-value="table(report)?.layout?.blankEvery"
    @update:model-value="(rows) => set('blankEvery', rows)"
  />
</template>

<style scoped>
.problem {
  color: var(--danger);
}
</style>
