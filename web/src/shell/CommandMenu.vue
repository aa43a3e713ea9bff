<script setup lang="ts">
import ContextMenu from 'primevue/contextmenu'
import { useTemplateRef } from 'vue'

/** The commands for a thing, each with its key. */
defineProps<{ items: { label?: string; keys?: string; separator?: boolean; command?: () => void }[] }>()
const menu = useTemplateRef('menu')
defineExpose({
  show: (event: Event) => menu.value?.show(event),
  hide: () => menu.value?.hide(),
})
</script>

<template>
  <!-- The library gives items a level, which menus have none of. -->
  <ContextMenu ref="menu" :model="items" :pt="{ item: { 'aria-level': undefined } }">
    <template #item="{ item, props: itemProps }">
      <a v-bind="itemProps.action" class="item"
        ><span>{{ item.label }}</span
        ><kbd v-if="item.keys">{{ item.keys }}</kbd></a
      >
    </template>
  </ContextMenu>
</template>

<style scoped>
.item {
  display: flex;
  justify-content: space-between;
  gap: 1.5rem;
  padding: 0.3rem 0.75rem;
}
</style>
