<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { ref, useTemplateRef, watch } from 'vue'
import { api, type Hit } from '@/api/client'
import { words } from '@/words'

const props = defineProps<{ run: string }>()
const emit = defineEmits<{ go: [hit: Hit] }>()

const sought = ref('')
const hits = ref<Hit[]>([])
const at = ref(0)
const tried = ref(false)
const field = useTemplateRef<{ $el: HTMLInputElement }>('field')

/** What is being looked for, or was found: keys that come before the answer step through it, too. */
let finding: Promise<Hit[]> | undefined

watch([sought, () => props.run], () => {
  finding = undefined
  hits.value = []
  at.value = 0
  tried.value = false
})

async function next(step: 1 | -1) {
  if (!sought.value.trim()) {
    return
  }
  const isFirst = !finding
  finding ??= api.find(props.run, sought.value).catch(() => [])
  const mine = finding
  const found = await mine
  if (mine !== finding) {
    return
  }
  hits.value = found
  tried.value = true
  if (!isFirst && found.length) {
    at.value = (at.value + step + found.length) % found.length
  }
  const hit = hits.value[at.value]
  if (hit) {
    emit('go', hit)
  }
}

defineExpose({ focus: () => field.value?.$el.select() })
</script>

<template>
  <search class="find">
    <InputText
      ref="field"
      v-model="sought"
      size="small"
      type="search"
      :placeholder="words.run.find"
      :aria-label="words.run.find"
      @keydown.enter.exact.prevent="next(1)"
      @keydown.enter.shift.prevent="next(-1)"
    />
    <template v-if="tried">
      <span role="status">{{ words.run.found(at + 1, hits.length) }}</span>
      <Button
        icon="pi pi-angle-up"
        text
        size="small"
        severity="secondary"
        :aria-label="words.run.findPrevious"
        :disabled="hits.length < 2"
        @click="next(-1)"
      />
      <Button
        icon="pi pi-angle-down"
        text
        size="small"
        severity="secondary"
        :aria-label="words.run.findNext"
        :disabled="hits.length < 2"
        @click="next(1)"
      />
    </template>
  </search>
</template>

<style scoped>
.find {
  display: flex;
  align-items: center;
  gap: 0.25rem;
  white-space: nowrap;
  flex: 1 1 7.5rem;
  max-width: 18rem;
}
input {
  flex: 1;
  width: 0;
  min-width: 5rem;
}
span {
  color: var(--quiet);
}
</style>
