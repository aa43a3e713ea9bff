<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { ref, watch } from 'vue'
import { words } from '@/words'

const props = defineProps<{ pages: number }>()
const page = defineModel<number>({ required: true })
const typed = ref(String(page.value))

watch(page, (number) => (typed.value = String(number)))

function go(number: number) {
  page.value = Math.min(Math.max(1, number), props.pages)
}

function goTyped() {
  const number = Number.parseInt(typed.value, 10)
  if (Number.isFinite(number)) {
    go(number)
  }
  typed.value = String(page.value)
}
</script>

<template>
  <nav class="pages" :aria-label="words.run.page">
    <Button
      icon="pi pi-angle-double-left"
      :aria-label="words.run.first"
      :title="`${words.run.first} (Home)`"
      text
      severity="secondary"
      :disabled="page <= 1"
      @click="go(1)"
    />
    <Button
      icon="pi pi-angle-left"
      :aria-label="words.run.previous"
      :title="`${words.run.previous} (←)`"
      text
      severity="secondary"
      :disabled="page <= 1"
      @click="go(page - 1)"
    />
    <label>
      {{ words.run.page }}
      <InputText v-model="typed" inputmode="numeric" @change="goTyped" />
    </label>
    <span>{{ words.run.of(pages) }}</span>
    <Button
      icon="pi pi-angle-right"
      :aria-label="words.run.next"
      :title="`${words.run.next} (→)`"
      text
      severity="secondary"
      :disabled="page >= pages"
      @click="go(page + 1)"
    />
    <Button
      icon="pi pi-angle-double-right"
      :aria-label="words.run.last"
      :title="`${words.run.last} (End)`"
      text
      severity="secondary"
      :disabled="page >= pages"
      @click="go(pages)"
    />
  </nav>
</template>

<style scoped>
.pages {
  display: flex;
  align-items: center;
  gap: 0.25rem;
  white-space: nowrap;
}
input {
  width: 4rem;
  text-align: right;
}
</style>
