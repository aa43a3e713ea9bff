<script setup lang="ts">
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import InputText from 'primevue/inputtext'
import Textarea from 'primevue/textarea'
import { computed, ref, watch } from 'vue'
import type { Change, ReportLine } from '@/api/client'
import { words } from '@/words'

const props = defineProps<{ report?: ReportLine; folders: string[] }>()
const emit = defineEmits<{ save: [id: string, change: Change]; close: [] }>()

const title = ref('')
const description = ref('')
const folder = ref('')
const visible = computed({ get: () => props.report !== undefined, set: () => emit('close') })

watch(
  () => props.report,
  (report) => {
    title.value = report?.title ?? ''
    description.value = report?.description ?? ''
    folder.value = report?.folder ?? ''
  },
  { immediate: true },
)

/** Esc gives up nothing that was typed; closing by hand does. */
const isChanged = computed(
  () =>
    title.value !== (props.report?.title ?? '') ||
    description.value !== (props.report?.description ?? '') ||
    folder.value !== (props.report?.folder ?? ''),
)

function save() {
  if (props.report && title.value.trim()) {
    emit('save', props.report.id, {
      title: title.value.trim(),
      description: description.value,
      folder: folder.value,
    })
  }
}
</script>

<template>
  <Dialog
    v-model:visible="visible"
    modal
    :close-on-escape="!isChanged"
    :header="words.library.rename"
    :style="{ width: '32rem' }"
  >
    <form @submit.prevent="save">
      <label>{{ words.library.title_ }}<InputText v-model="title" autofocus fluid maxlength="500" /></label>
      <label
        >{{ words.library.description
        }}<Textarea v-model="description" rows="3" auto-resize fluid maxlength="4000"
      /></label>
      <label
        >{{ words.library.folder }}<InputText v-model="folder" fluid maxlength="200" list="folders"
      /></label>
      <!-- The browser's own list: it never lies over the buttons below. -->
      <datalist id="folders">
        <option v-for="name of folders" :key="name" :value="name" />
      </datalist>
      <div class="actions">
        <Button :label="words.bench.cancel" text severity="secondary" @click="emit('close')" />
        <Button type="submit" :label="words.library.save" :disabled="!title.trim()" />
      </div>
    </form>
  </Dialog>
</template>

<style scoped>
form,
label {
  display: grid;
  gap: 0.3rem;
}
form {
  gap: 0.8rem;
}
.actions {
  display: flex;
  justify-content: flex-end;
  gap: 0.5rem;
}
</style>
