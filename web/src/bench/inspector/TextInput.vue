<script setup lang="ts">
import InputText from 'primevue/inputtext'
import Textarea from 'primevue/textarea'

/** A text that is told of as it is typed; an emptied one is no text. */
defineProps<{ long?: boolean; invalid?: boolean; placeholder?: string; type?: string }>()
const text = defineModel<string | undefined>({ required: true })
</script>

<template>
  <Textarea
    v-if="long"
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
    :model-value="text ?? ''"
    :invalid="invalid"
    :placeholder="placeholder"
    :type="type"
    fluid
    size="small"
    @update:model-value="(v) => (text = v || undefined)"
  />
</template>
