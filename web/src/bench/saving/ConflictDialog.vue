<script setup lang="ts">
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import { words } from '@/words'

defineProps<{ message?: string; otherWindow?: boolean }>()
const emit = defineEmits<{ copy: []; over: []; theirs: []; cancel: [] }>()
</script>

<template>
  <Dialog
    :visible="message !== undefined"
    modal
    :header="otherWindow ? words.bench.conflictWindow : words.bench.conflictTitle"
    :style="{ width: '36rem' }"
    @update:visible="emit('cancel')"
  >
    <p>{{ message }}</p>
    <p>{{ otherWindow ? words.bench.conflictWindowHint : words.bench.conflictHint }}</p>
    <div class="actions">
      <Button
        :label="otherWindow ? words.bench.conflictWindowTheirs : words.bench.conflictTheirs"
        text
        severity="secondary"
        @click="emit('theirs')"
      />
      <Button :label="words.bench.conflictOver" outlined @click="emit('over')" />
      <Button :label="words.bench.conflictCopy" autofocus @click="emit('copy')" />
    </div>
  </Dialog>
</template>

<style scoped>
.actions {
  display: flex;
  justify-content: flex-end;
  gap: 0.5rem;
  margin-top: 1rem;
}
</style>
