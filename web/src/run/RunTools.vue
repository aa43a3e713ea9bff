<script setup lang="ts">
import Button from 'primevue/button'
import Menu from 'primevue/menu'
import type { MenuItem } from 'primevue/menuitem'
import SelectButton from 'primevue/selectbutton'
import { useTemplateRef } from 'vue'
import type { Shape } from './shape'
import FindText from './FindText.vue'
import PageNavigation from './PageNavigation.vue'
import type { Hit, RunView } from '@/api/client'
import FoldButton from '@/desk/FoldButton.vue'
import type { Folds } from '@/desk/useFolds'
import ZoomTools from '@/paper/ZoomTools.vue'
import { words } from '@/words'

/** Above a run: ways through its pages, what is sought, how large it is, its files. */
defineProps<{
  run?: RunView
  folds: Folds
  done: boolean
  printed: boolean
  hasPage: boolean
  zoom: number
  isAuthor: boolean
  files: MenuItem[]
  exporting: boolean
}>()
const number = defineModel<number>('number', { required: true })
const shape = defineModel<Shape>('shape', { required: true })
const emit = defineEmits<{
  go: [hit: Hit]
  zoom: [step: number]
  fit: []
  whole: []
  palette: []
  help: []
  edit: []
}>()

const text = words.run
const find = useTemplateRef('find')
const fileMenu = useTemplateRef('fileMenu')
const shapes = [
  { label: text.pagesView, value: 'pages' },
  { label: text.listView, value: 'list' },
  { label: text.overview, value: 'overview' },
]
defineExpose({ find: () => find.value?.focus() })
</script>

<template>
  <div class="tools">
    <FoldButton side="left" :folds="folds" :label="text.prompts" />
    <PageNavigation v-if="run && printed && shape === 'pages'" v-model="number" :pages="run.pages" />
    <SelectButton
      v-if="printed"
      v-model="shape"
      :options="shapes"
      option-label="label"
      option-value="value"
      :allow-empty="false"
      size="small"
      :aria-label="text.view"
    />
    <span class="spring" />
    <FindText v-if="run && printed" ref="find" :run="run.id" @go="(hit) => emit('go', hit)" />
    <ZoomTools
      v-if="hasPage && shape !== 'overview'"
      whole
      :zoom="zoom"
      @by="(step) => emit('zoom', step)"
      @fit="emit('fit')"
      @whole="emit('whole')"
    />
    <Button
      icon="pi pi-bolt"
      :aria-label="words.bench.palette"
      :title="`${words.bench.palette} (Ctrl+.)`"
      text
      severity="secondary"
      @click="emit('palette')"
    />
    <Button
      icon="pi pi-question-circle"
      :aria-label="text.help"
      :title="`${text.help} (?)`"
      text
      severity="secondary"
      @click="emit('help')"
    />
    <Button
      v-if="isAuthor"
      icon="pi pi-pencil"
      :aria-label="text.edit"
      :title="text.edit"
      text
      severity="secondary"
      @click="emit('edit')"
    />
    <Button
      :aria-label="text.files"
      :title="text.files"
      icon="pi pi-download"
      aria-haspopup="menu"
      outlined
      :disabled="!done"
      :loading="exporting"
      @click="fileMenu?.toggle($event)"
    />
    <Menu ref="fileMenu" :model="files" popup />
  </div>
</template>

<style scoped>
.tools {
  display: flex;
  align-items: center;
  gap: 0.25rem;
  padding: 0.4rem 0.75rem;
  background: var(--panel);
  border-bottom: 1px solid var(--line);
  min-height: 46px;
  flex-wrap: wrap;
  white-space: nowrap;
}
.spring {
  flex: 1;
}
@media (max-width: 700px) {
  .tools {
    padding: 0.3rem 0.5rem;
  }
}
</style>
