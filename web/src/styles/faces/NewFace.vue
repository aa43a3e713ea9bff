<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Textarea from 'primevue/textarea'
import { ref, shallowRef } from 'vue'
import { base64Of } from '../base64'
import { idOfName } from '../styleEdits'
import { api, ApiError } from '@/api/client'
import { words } from '@/words'

/** A face added from its files. What is wrong with them is told beside them, and nothing that was typed is lost. */
const props = defineProps<{ taken: string[] }>()
const emit = defineEmits<{ added: [id: string]; cancel: [] }>()
const text = words.styles.face
/** As much as is sent at once: Base64 is a third longer than the files. */
const MOST_BYTES = 3_600_000

const name = ref('')
const licence = ref('')
const regular = shallowRef<File>()
const semibold = shallowRef<File>()
const problems = ref<Record<string, string>>({})
const adding = ref(false)

const fileOf = (event: Event) => (event.target as HTMLInputElement).files?.[0]

/** Whether the browser can draw with a file; one that it cannot would look otherwise on screen than on paper. */
async function canDraw(file: File): Promise<boolean> {
  try {
    await new FontFace('tried', await file.arrayBuffer()).load()
    return true
  } catch {
    return false
  }
}

async function faults(): Promise<Record<string, string>> {
  const found: Record<string, string> = {}
  if (!name.value.trim()) {
    found.name = text.nameMissing
  }
  if (!licence.value.trim()) {
    found.licence = text.licenceMissing
  }
  if (!regular.value) {
    found.regular = text.fileMissing
  } else if (regular.value.size + (semibold.value?.size ?? 0) > MOST_BYTES) {
    found.regular = text.tooLarge
  } else if (!(await canDraw(regular.value))) {
    found.regular = text.noFace
  }
  if (semibold.value && !(await canDraw(semibold.value))) {
    found.semibold = text.noFace
  }
  return found
}

async function add() {
  adding.value = true
  problems.value = await faults()
  try {
    if (!Object.keys(problems.value).length) {
      const id = idOfName(name.value, props.taken)
      await api.addFace({
        id,
        name: name.value,
        licence: licence.value,
        regular: await base64Of(regular.value!),
        semibold: semibold.value ? await base64Of(semibold.value) : '',
      })
      emit('added', id)
    }
  } catch (e) {
    const told = e instanceof ApiError ? e.below('/') : {}
    problems.value = Object.keys(told).length ? told : { face: (e as Error).message }
  } finally {
    adding.value = false
  }
}
</script>

<template>
  <form class="new" :aria-label="text.add" @submit.prevent="add">
    <p class="hint">{{ text.hint }}</p>
    <label
      >{{ text.name }}
      <InputText v-model="name" maxlength="60" size="small" :invalid="!!problems.name" />
    </label>
    <small v-if="problems.name" class="problem" role="alert">{{ problems.name }}</small>
    <label
      >{{ text.licence }}
      <Textarea v-model="licence" maxlength="2000" rows="2" auto-resize :invalid="!!problems.licence" />
    </label>
    <small v-if="problems.licence" class="problem" role="alert">{{ problems.licence }}</small>
    <label
      >{{ text.regular }}
      <input type="file" accept=".ttf,.otf,font/ttf,font/otf" @change="regular = fileOf($event)" />
    </label>
    <small v-if="problems.regular" class="problem" role="alert">{{ problems.regular }}</small>
    <label
      >{{ text.semibold }}
      <input type="file" accept=".ttf,.otf,font/ttf,font/otf" @change="semibold = fileOf($event)" />
    </label>
    <small v-if="problems.semibold" class="problem" role="alert">{{ problems.semibold }}</small>
    <small v-if="problems.face || problems.id" class="problem" role="alert">{{
      problems.face || problems.id
    }}</small>
    <div class="actions">
      <Button type="submit" :label="text.take" size="small" :loading="adding" />
      <Button type="button" :label="text.cancel" text size="small" @click="emit('cancel')" />
    </div>
  </form>
</template>

<style scoped>
.new {
  display: grid;
  gap: 0.4rem;
  padding: 0.5rem 0;
}
.new label {
  display: grid;
  gap: 0.2rem;
}
.new input[type='file'] {
  max-width: 100%;
}
.hint {
  margin: 0;
  color: var(--quiet);
  font-size: 0.85rem;
}
.actions {
  display: flex;
  gap: 0.4rem;
}
.problem {
  color: var(--danger);
}
</style>
