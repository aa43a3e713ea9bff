<script setup lang="ts">
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import InputText from 'primevue/inputtext'
import { ref, watch } from 'vue'
import { words } from '@/words'

const props = defineProps<{ title: string }>()
const emit = defineEmits<{ save: [title: string] }>()
const visible = defineModel<boolean>('visible', { required: true })
const typed = ref('')
watch(visible, () => (typed.value = props.title))
</script>

<template>
  <Dialog
    v-model:visible="visible"
    modal
    :close-on-escape="typed === props.title"
    :header="words.bench.saveCopy"
    :style="{ width: '30rem' }"
  >
    <form @submit.prevent="typed.trim() && emit('save', typed.trim())">
      <label>
        {{ words.bench.copyTitle }}
        <InputText v-model="typed" autofocus fluid maxlength="500" />
      </label>
      <div class="actions">
        <Button :label="words.bench.cancel" text severity="secondary" @click="visible = false" />
        <Button type="submit" :label="words.bench.saveCopy" :disabled="!typed.trim()" />
      </div>
    </form>
  </Dialog>
</template>

<style scoped>
label {
  display: grid;
  gap: 0.3rem;
}
.actions {
  display: flex;
  justify-content: flex-end;
  gap: 0.5rem;
  margin-top: 1rem;
}
</style>
