<script setup lang="ts">
import Button from 'primevue/button'
import Popover from 'primevue/popover'
import { useTemplateRef } from 'vue'
import FieldPicker from './FieldPicker.vue'
import type { DatasetView, FieldView } from '@/api/client'

defineProps<{
  dataset: DatasetView
  label?: string
  name: string
  accept?: (field: FieldView) => boolean
}>()
const emit = defineEmits<{ pick: [field: FieldView] }>()
const popover = useTemplateRef('popover')

function pick(field: FieldView) {
  popover.value?.hide()
  emit('pick', field)
}
</script>

<template>
  <Button
    :label="label"
    icon="pi pi-plus"
    :aria-label="name"
    :title="name"
    text
    size="small"
    @click="popover?.toggle($event)"
  />
  <Popover ref="popover">
    <FieldPicker :dataset="dataset" :accept="accept" @pick="pick" />
    <slot :hide="() => popover?.hide()" />
  </Popover>
</template>
