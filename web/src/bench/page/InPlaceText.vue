<script setup lang="ts">
import { ref } from 'vue'
import { vFocus } from '@/shell/focus'

/** A text of the page as it is edited where it stands; Enter, Escape and leaving keep it, and one step undoes it. */
export interface Place {
  left: number
  top: number
  width: number
  height: number
  size: number
  weight: number
}

const props = defineProps<{ text: string; label: string; place: Place }>()
const emit = defineEmits<{ keep: [text: string]; leave: [] }>()
const value = ref(props.text)
let over = false

function finish() {
  if (over) {
    return
  }
  over = true
  if (value.value !== props.text) {
    emit('keep', value.value)
  }
  emit('leave')
}
</script>

<template>
  <input
    v-model="value"
    v-focus
    class="in-place"
    :aria-label="label"
    :style="{
      left: `${place.left}px`,
      top: `${place.top}px`,
      width: `${place.width}px`,
      height: `${place.height}px`,
      fontSize: `${place.size}px`,
      fontWeight: place.weight,
    }"
    @click.stop
    @dblclick.stop
    @focus="($event.target as HTMLInputElement).select()"
    @keydown.enter.stop.prevent="finish"
    @keydown.esc.stop.prevent="finish"
    @keydown.stop
    @blur="finish"
  />
</template>

<style scoped>
.in-place {
  position: absolute;
  z-index: 2;
  font-family: 'Report', sans-serif;
  color: var(--paper-ink);
  background: #fff;
  border: 2px solid #1d5c63;
  border-radius: 3px;
  padding: 0 3px;
  outline: none;
}
</style>
