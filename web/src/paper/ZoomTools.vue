<script setup lang="ts">
import Button from 'primevue/button'
import { words } from '@/words'

/** @param whole whether a whole page can be shown, too */
defineProps<{ zoom: number; whole?: boolean }>()
const emit = defineEmits<{ by: [step: number]; fit: []; whole: [] }>()

const STEP = 0.1
</script>

<template>
  <span class="zoom">
    <Button
      icon="pi pi-minus"
      :aria-label="words.run.zoomOut"
      :title="words.run.zoomOut"
      text
      severity="secondary"
      @click="emit('by', -STEP)"
    />
    <Button
      :label="`${Math.round(zoom * 100)} %`"
      :title="`${words.run.fitWidth} (0)`"
      text
      severity="secondary"
      @click="emit('fit')"
    />
    <Button
      icon="pi pi-plus"
      :aria-label="words.run.zoomIn"
      :title="words.run.zoomIn"
      text
      severity="secondary"
      @click="emit('by', STEP)"
    />
    <Button
      v-if="whole"
      icon="pi pi-file"
      :aria-label="words.run.fitPage"
      :title="`${words.run.fitPage} (9)`"
      text
      severity="secondary"
      @click="emit('whole')"
    />
  </span>
</template>

<style scoped>
.zoom {
  display: inline-flex;
  align-items: center;
  flex: none;
}
</style>
