<script setup lang="ts">
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import { asking } from './useUnsaved'
import { words } from '@/words'
</script>

<template>
  <Dialog
    :visible="asking !== undefined"
    modal
    :header="words.unsaved.title"
    :style="{ width: '28rem' }"
    @update:visible="asking?.(false)"
  >
    <p>{{ words.unsaved.lead }}</p>
    <div class="actions">
      <Button :label="words.unsaved.leave" text severity="secondary" @click="asking?.(true)" />
      <Button :label="words.unsaved.stay" autofocus @click="asking?.(false)" />
    </div>
  </Dialog>
</template>

<style scoped>
p {
  margin: 0 0 1rem;
}
.actions {
  display: flex;
  justify-content: flex-end;
  gap: 0.5rem;
}
</style>
