<script setup lang="ts">
import Button from 'primevue/button'
import InputNumber from 'primevue/inputnumber'
import { computed, ref } from 'vue'
import { base64Of } from './base64'
import type { StyleParts } from '@/api/client'
import { words } from '@/words'

/** The picture at the right of every report's title. */
const props = defineProps<{ logo: StyleParts['logo']; problem?: string }>()
const emit = defineEmits<{ change: [logo: StyleParts['logo']] }>()
const text = words.styles.logo
/** As a style takes at most: Base64 is a third longer than the file. */
const MOST_BYTES = 74_000
const AT_FIRST = 30
const tooLarge = ref('')

async function read(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  tooLarge.value = file && file.size > MOST_BYTES ? text.tooLarge(file.name) : ''
  if (!file || tooLarge.value) {
    return
  }
  const width = props.logo?.width ?? AT_FIRST
  if (isDrawing(file)) {
    emit('change', { svg: await file.text(), width })
    return
  }
  emit('change', { png: await base64Of(file), width })
}

const isDrawing = (file: File) => file.type === 'image/svg+xml' || /\.svg$/i.test(file.name)

/** Shown as a picture alone: nothing in a file that is not yet looked through can run or load anything. */
const source = computed(() =>
  props.logo?.svg
    ? `data:image/svg+xml,${encodeURIComponent(props.logo.svg)}`
    : `data:image/png;base64,${props.logo?.png}`,
)
</script>

<template>
  <img v-if="logo" :src="source" :alt="text.now" class="sample" />
  <label class="row"
    >{{ text.file }}
    <input type="file" accept="image/png,image/svg+xml" @change="read" />
  </label>
  <template v-if="logo">
    <label class="row"
      >{{ text.width }}
      <InputNumber
        :model-value="logo.width"
        :min="5"
        :max="120"
        size="small"
        @update:model-value="(width: number | null) => emit('change', { ...logo!, width: width ?? AT_FIRST })"
      />
    </label>
    <Button :label="text.remove" text size="small" @click="emit('change', undefined)" />
  </template>
  <small v-if="tooLarge || problem" class="problem" role="alert">{{ tooLarge || problem }}</small>
</template>

<style scoped>
.sample {
  display: block;
  max-width: 100%;
  max-height: 6rem;
  background: var(--paper);
}
.row {
  display: grid;
  gap: 0.2rem;
  margin-top: 0.4rem;
}
.problem {
  color: var(--danger);
}
</style>
