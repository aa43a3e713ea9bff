<script setup lang="ts">
import Button from 'primevue/button'
import Menu from 'primevue/menu'
import { computed, useTemplateRef } from 'vue'
import { hasParts, isTop } from '../../edits/filters'
import { useAskEdit } from '../../namedEdits'
import type { Filter, PreviewView, Report, ReportEdit } from '@/api/client'
import { words } from '@/words'

/** What can be done with a filter as a whole, and what it keeps by itself and after those before it. */
const props = defineProps<{
  report: Report
  filter: Filter
  /** Whether it is one of several of which one must hold. */
  inAny: boolean
  count?: PreviewView['filters'][number]
}>()
const emit = defineEmits<{ dropped: [] }>()

const text = words.bench.filters
const menu = useTemplateRef('menu')
const ask = useAskEdit()
const apply = (edit: ReportEdit) => void ask(words.bench.edits.filter, edit)
const groups = (['all', 'any', 'none'] as const).map((kind) => ({
  label: text.kinds[kind],
  command: () => apply({ edit: 'group-filter', filter: props.filter.id, of: kind }),
}))
const keeps = computed(() => {
  const { count } = props
  if (!count) {
    return ''
  }
  if (count.alone === undefined || count.kept === undefined) {
    return text.notCounted
  }
  const inTurn = props.inAny ? text.adds(count.kept) : text.inTurn(count.kept)
  return `${text.byItself(count.alone)} ${inTurn}`
})
</script>

<template>
  <p v-if="keeps" class="keeps" role="status">{{ keeps }}</p>
  <div class="actions">
    <Button
      v-if="count?.alone !== undefined && isTop(report, filter.id)"
      :label="text.dropped"
      icon="pi pi-list"
      text
      size="small"
      @click="emit('dropped')"
    />
    <Button
      :label="text.turn"
      icon="pi pi-sync"
      text
      size="small"
      @click="apply({ edit: 'negate-filter', filter: filter.id })"
    />
    <Button
      :label="text.copy"
      icon="pi pi-copy"
      text
      size="small"
      @click="apply({ edit: 'copy-filter', filter: filter.id })"
    />
    <Button
      v-if="filter.kind !== 'top'"
      :label="text.group"
      icon="pi pi-box"
      aria-haspopup="menu"
      text
      size="small"
      @click="(event) => menu?.toggle(event)"
    />
    <Button
      v-if="hasParts(filter) && (isTop(report, filter.id) || filter.filters?.length)"
      :label="text.ungroup"
      icon="pi pi-clone"
      text
      size="small"
      @click="apply({ edit: 'ungroup-filter', filter: filter.id })"
    />
    <Menu ref="menu" :model="groups" popup />
  </div>
</template>

<style scoped>
.keeps {
  margin: 0;
  color: var(--quiet);
}
.actions {
  display: flex;
  flex-wrap: wrap;
}
</style>
