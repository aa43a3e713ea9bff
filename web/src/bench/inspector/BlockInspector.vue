<script setup lang="ts">
import Button from 'primevue/button'
import ToggleSwitch from 'primevue/toggleswitch'
import { computed } from 'vue'
import InspectorField from './InspectorField.vue'
import TextInput from './TextInput.vue'
import { beginsPage, changeBlock, copyBlock, isBeside, setBeside, setNewPage } from '../edits/blocks'
import type { Block, Report } from '@/api/client'
import { words } from '@/words'

/** What holds for a block as a whole: what it is called and where it stands. */
const props = defineProps<{ report: Report; block: Block }>()
const emit = defineEmits<{ apply: [name: string, change: (report: Report) => Report, key?: string] }>()

const text = words.bench.blocks
const id = computed(() => props.block.id)

function change(what: Partial<Block>, key: string) {
  emit('apply', text.change, (report) => changeBlock(report, id.value, what), `${id.value} ${key}`)
}
</script>

<template>
  <InspectorField :label="text.title">
    <TextInput
      :model-value="block.title"
      @update:model-value="(title) => change({ title: title || undefined }, 'title')"
    />
  </InspectorField>
  <InspectorField :label="text.note">
    <TextInput
      :model-value="block.note"
      @update:model-value="(note) => change({ note: note || undefined }, 'note')"
    />
  </InspectorField>
  <label class="choice">
    <ToggleSwitch
      :model-value="isBeside(report, id)"
      @update:model-value="
        (beside: boolean) => emit('apply', text.place, (report) => setBeside(report, id, beside))
      "
    />
    {{ text.beside }}
  </label>
  <label class="choice">
    <ToggleSwitch
      :model-value="beginsPage(report, id)"
      @update:model-value="(on: boolean) => emit('apply', text.place, (report) => setNewPage(report, id, on))"
    />
    {{ text.newPage }}
  </label>
  <Button
    :label="text.copy"
    icon="pi pi-copy"
    text
    size="small"
    class="copy"
    @click="emit('apply', text.copied, (report) => copyBlock(report, id, text.copyOf(block.title)))"
  />
</template>

<style scoped>
.choice {
  display: flex;
  align-items: center;
  gap: 0.5rem;
}
.copy {
  justify-self: start;
}
</style>
