<script setup lang="ts">
import InputText from 'primevue/inputtext'
import Textarea from 'primevue/textarea'
import { inject } from 'vue'
import { FIELD_ID } from './fieldId'

/** A text that is told of as it is typed; an emptied one is no text. */
defineProps<{ long?: boolean; invalid?: boolean; placeholder?: string; type?: string }>()
const id = inject(FIELD_ID, undefined)
const text = defineModel<string | undefined>({ required: true })
</script>

<template>
  <Textarea
    v-if="long"
    :id="id"
    :model-value="text ?? ''"
    :invalid="invalid"
    :placeholder="placeholder"
    auto-resize
    rows="2"
    fluid
    size="small"
    spellcheck="false"
    @update:model-value="(v) => (text = v || undefined)"
  />
  <InputText
    v-else
    :id="id"
    :model-value="text ?? ''"
    :invalid="invalid"
    :placeholder="placeholder"
    :type="type"
    fluid
    size="small"
    @update:model-value="(v) => (text = v || undefined)"
  />
</template>
