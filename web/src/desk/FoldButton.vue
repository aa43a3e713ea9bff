<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import type { Folds, Side } from './useFolds'
import { words } from '@/words'

/** Folds a panel of the desk away, and brings it back. */
const props = defineProps<{ side: Side; folds: Folds; label: string }>()
const isOpen = computed(() => props.folds.isOpen(props.side))
const name = computed(() => (isOpen.value ? words.desk.fold(props.label) : words.desk.open(props.label)))
</script>

<template>
  <Button
    class="fold"
    :icon="(side === 'left') === isOpen ? 'pi pi-angle-double-left' : 'pi pi-angle-double-right'"
    :aria-label="name"
    :aria-expanded="isOpen"
    :title="name"
    text
    severity="secondary"
    @click="folds.toggle(side)"
  />
</template>
