<script setup lang="ts">
import Dialog from 'primevue/dialog'
import InputText from 'primevue/inputtext'
import { computed, nextTick, ref, watch } from 'vue'
import type { Command } from './commands'
import { folded } from './folded'
import { words } from '@/words'

const props = defineProps<{ commands: Command[] }>()
const visible = defineModel<boolean>('visible', { required: true })

const sought = ref('')
const at = ref(0)
/** More than these nobody reads; a further word narrows them. */
const MOST_SHOWN = 100
const shown = computed(() => {
  const parts = folded(sought.value).split(/\s+/)
  const found = props.commands.filter(
    (c) => c.enabled() && parts.every((part) => folded(c.name).includes(part)),
  )
  // What is typed out whole is meant.
  const isExact = (c: Command) => Number(folded(c.name) === folded(sought.value))
  return found.sort((a, b) => isExact(b) - isExact(a)).slice(0, MOST_SHOWN)
})
watch(visible, () => {
  sought.value = ''
  at.value = 0
})
watch(sought, () => (at.value = 0))
watch(at, async (now) => {
  await nextTick()
  document.getElementById(`command-${now}`)?.scrollIntoView({ block: 'nearest' })
})

function run(command?: Command) {
  visible.value = false
  command?.run()
}
</script>

<template>
  <Dialog
    v-model:visible="visible"
    modal
    dismissable-mask
    position="top"
    :header="words.bench.palette"
    :style="{ width: '34rem' }"
  >
    <InputText
      v-model="sought"
      autofocus
      fluid
      role="combobox"
      aria-expanded="true"
      aria-controls="commands"
      :aria-activedescendant="`command-${at}`"
      :aria-label="words.bench.commands.find"
      :placeholder="words.bench.commands.find"
      @keydown.down.prevent="at = Math.min(shown.length - 1, at + 1)"
      @keydown.up.prevent="at = Math.max(0, at - 1)"
      @keydown.enter.prevent="run(shown[at])"
    />
    <ul id="commands" role="listbox" :aria-label="words.bench.palette">
      <li
        v-for="(command, i) in shown"
        :id="`command-${i}`"
        :key="command.id"
        role="option"
        :aria-selected="i === at"
        @click="run(command)"
        @mouseenter="at = i"
      >
        <span>{{ command.name }}</span>
        <kbd v-if="command.keys[0]">{{ command.keys[0] }}</kbd>
      </li>
    </ul>
    <p v-if="shown.length === 0">{{ words.bench.commands.noneFound }}</p>
  </Dialog>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0.5rem 0 0;
  padding: 0;
  max-height: 24rem;
  overflow-y: auto;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 1rem;
  padding: 0.3rem 0.5rem;
  border-radius: 3px;
  cursor: pointer;
}
li[aria-selected='true'] {
  background: var(--accent-soft);
}
</style>
