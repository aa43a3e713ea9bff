<script setup lang="ts">
import { computed, useTemplateRef } from 'vue'
import ConflictDialog from './saving/ConflictDialog.vue'
import CopyDialog from './saving/CopyDialog.vue'
import type { Part } from './parts'
import CommandMenu from '@/shell/CommandMenu.vue'
import CommandPalette from '@/shell/CommandPalette.vue'
import type { Command } from '@/shell/commands'
import HelpSheet from '@/shell/HelpSheet.vue'
import { words } from '@/words'

/** What lies over the bench: every command to type at, the keys, the menu of what is selected, and what saving asks. */
const props = defineProps<{ title: string; commands: Command[]; adding: Command[]; selection: Part[] }>()
const emit = defineEmits<{ copy: [title: string]; over: []; theirs: [] }>()
const palette = defineModel<boolean>('palette', { required: true })
const help = defineModel<boolean>('help', { required: true })
const copy = defineModel<boolean>('copy', { required: true })
const conflict = defineModel<{ message: string; revision?: number } | undefined>('conflict', {
  required: true,
})

const menu = useTemplateRef('menu')
const menuItems = computed(() => {
  // Read here, so that the menu follows the selection.
  void props.selection.length
  return props.commands
    .filter((c) => c.group === words.bench.commands.selected && c.enabled() && c.id !== 'clear')
    .map((c) => ({ label: c.name, keys: c.keys[0], command: () => c.run() }))
})

defineExpose({ showMenu: (event: MouseEvent) => menu.value?.show(event) })
</script>

<template>
  <CommandPalette v-model:visible="palette" :commands="[...commands, ...adding]" />
  <HelpSheet v-model:visible="help" :commands="commands" :gestures="words.bench.gestures.list" />
  <CopyDialog
    v-model:visible="copy"
    :title="words.library.copyOf(title)"
    @save="(name) => emit('copy', name)"
  />
  <ConflictDialog
    :message="conflict?.message"
    :other-window="conflict?.revision === undefined"
    @copy="((conflict = undefined), (copy = true))"
    @over="emit('over')"
    @theirs="emit('theirs')"
    @cancel="conflict = undefined"
  />
  <CommandMenu ref="menu" :items="menuItems" />
</template>
