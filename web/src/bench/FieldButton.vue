<script setup lang="ts">
import Button from 'primevue/button'
import { nextTick, ref, useTemplateRef } from 'vue'
import FieldPicker from './FieldPicker.vue'
import type { FoundField } from './findFields'
import type { DatasetView, FieldView } from '@/api/client'

defineProps<{
  dataset: DatasetView
  label?: string
  name: string
  accept?: (field: FieldView) => boolean
  /** Whether spans of dates are offered, too. */
  withSpans?: boolean
}>()
const emit = defineEmits<{ pick: [field: FoundField] }>()

const HEIGHT_PIXELS = 400
const MARGIN_PIXELS = 8
const panel = useTemplateRef('panel')
const isOpen = ref(false)
const place = ref({ left: '0px', top: '0px' })

/** Opens below its button, or as high above it as it must. */
async function show(event: MouseEvent) {
  const button = (event.currentTarget as HTMLElement).getBoundingClientRect()
  isOpen.value = true
  await nextTick()
  panel.value?.showPopover()
  const width = panel.value?.offsetWidth ?? 0
  place.value = {
    left: `${Math.max(MARGIN_PIXELS, Math.min(button.left, window.innerWidth - width - MARGIN_PIXELS))}px`,
    top: `${Math.max(MARGIN_PIXELS, Math.min(button.bottom + 2, window.innerHeight - HEIGHT_PIXELS - MARGIN_PIXELS))}px`,
  }
}

function hide() {
  panel.value?.hidePopover()
}

function pick(field: FoundField) {
  hide()
  emit('pick', field)
}
</script>

<template>
  <Button :label="label" icon="pi pi-plus" :aria-label="name" :title="name" text size="small" @click="show" />
  <div
    v-if="isOpen"
    ref="panel"
    popover="auto"
    class="panel"
    role="dialog"
    :aria-label="name"
    :style="place"
    @toggle="(event) => (isOpen = (event as ToggleEvent).newState === 'open')"
  >
    <FieldPicker :dataset="dataset" :accept="accept" :with-spans="withSpans" @pick="pick" />
    <slot :hide="hide" />
  </div>
</template>

<style scoped>
.panel {
  position: fixed;
  inset: auto;
  margin: 0;
  padding: 0.7rem;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--panel);
  color: var(--ink);
  box-shadow: 0 6px 24px rgb(0 0 0 / 0.18);
}
</style>
