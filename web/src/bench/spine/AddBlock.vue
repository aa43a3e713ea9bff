<script setup lang="ts">
import Button from 'primevue/button'
import Menu from 'primevue/menu'
import { computed, useTemplateRef } from 'vue'
import type { Addable } from '../edits/blocks'
import type { Block } from '@/api/client'
import { isTable } from '@/api/documents'
import { words } from '@/words'

/** Offers the blocks that can be added, those first that the block at hand suggests. */
const props = defineProps<{ block: Block }>()
const emit = defineEmits<{ add: [kind: Addable]; paste: [] }>()

const text = words.bench
const menu = useTemplateRef('menu')
const suggests = computed(() => isTable(props.block) && props.block.totals.length > 0)
const items = computed(() => {
  const { kinds, emptyFigures } = text.blocks
  const kindsHere: [Addable, string][] = suggests.value
    ? [
        ['likewise', kinds.likewise],
        ['figures', kinds.figures],
        ['table', kinds.table],
        ['text', kinds.text],
      ]
    : [
        ['table', kinds.table],
        ['figures', emptyFigures],
        ['text', kinds.text],
      ]
  return [
    ...kindsHere.map(([kind, label]) => ({ label, command: () => emit('add', kind) })),
    { separator: true },
    { label: text.blocks.paste, command: () => emit('paste') },
  ]
})
</script>

<template>
  <Button
    icon="pi pi-plus"
    :aria-label="text.spine.addBlock"
    :title="text.spine.addBlock"
    aria-haspopup="menu"
    text
    size="small"
    @click="(event) => menu?.toggle(event)"
  />
  <Menu ref="menu" :model="items" popup />
</template>
