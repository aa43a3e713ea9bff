<script setup lang="ts">
import { inject } from 'vue'
import { FIELD_ID } from './fieldId'
import { api, type FieldView } from '@/api/client'
import ValueBox from '@/shell/ValueBox.vue'

/** Values of a field, offered from the data with their counts. */
const props = defineProps<{ dataset: string; field: FieldView; label: string; many?: boolean }>()
const values = defineModel<string[]>({ required: true })
/** One of several who share a name, to be told by its code instead. */
const emit = defineEmits<{ namesake: [field: string, code: string] }>()
const id = inject(FIELD_ID, undefined)
</script>

<template>
  <ValueBox
    v-model="values"
    :search="(find) => api.values(props.dataset, field.id, find)"
    :input-id="id"
    :label="label"
    :many="many"
    small
    @namesake="(of, code) => emit('namesake', of, code)"
  />
</template>
