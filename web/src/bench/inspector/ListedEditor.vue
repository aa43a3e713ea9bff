<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { ref } from 'vue'
import { api, type FieldView } from '@/api/client'
import { words } from '@/words'

/** Keys in an order of their own. A key is dragged, or moved by its arrows; what is not in the list stands after it. */
const props = defineProps<{
  dataset: string
  field?: FieldView
  keys: string[]
  problem?: string
  /** The order that comes before this one, in words. */ before?: string
}>()
const emit = defineEmits<{ change: [keys: string[] | undefined]; decide: [] }>()

const text = words.bench.inspector.listed
const typed = ref('')
const dragged = ref<number>()

function moved(from: number, to: number) {
  const rest = props.keys.filter((_, i) => i !== from)
  emit('change', [...rest.slice(0, to), props.keys[from]!, ...rest.slice(to)])
}

function add() {
  const key = typed.value.trim()
  if (key && !props.keys.includes(key)) {
    emit('change', [...props.keys, key])
  }
  typed.value = ''
}

/** The values that the data have, as many as are offered at once. */
async function fromData() {
  const values = await api.values(props.dataset, props.field!.id, '')
  const found = values.map((value) => value.value).filter((value) => value && !props.keys.includes(value))
  emit('change', [...props.keys, ...found])
}

function drop(to: number) {
  if (dragged.value !== undefined) {
    moved(dragged.value, to)
  }
  dragged.value = undefined
}
</script>

<template>
  <fieldset>
    <legend>{{ text.title }}</legend>
    <p v-if="keys.length === 0" class="quiet">{{ text.none }}</p>
    <p v-if="keys.length && before" class="quiet">
      {{ text.after(before) }}
      <Button :label="text.decides" text size="small" @click="emit('decide')" />
    </p>
    <ol v-if="keys.length">
      <li
        v-for="(key, i) in keys"
        :key="key"
        draggable="true"
        @dragstart="dragged = i"
        @dragover.prevent
        @drop.prevent="drop(i)"
      >
        <span>{{ key }}</span>
        <Button
          icon="pi pi-arrow-up"
          text
          size="small"
          severity="secondary"
          :disabled="i === 0"
          :aria-label="text.earlier(key)"
          @click="moved(i, i - 1)"
        />
        <Button
          icon="pi pi-arrow-down"
          text
          size="small"
          severity="secondary"
          :disabled="i === keys.length - 1"
          :aria-label="text.later(key)"
          @click="moved(i, i + 1)"
        />
        <Button
          icon="pi pi-times"
          text
          size="small"
          severity="secondary"
          :aria-label="text.remove(key)"
          @click="
            emit(
              'change',
              keys.filter((k) => k !== key),
            )
          "
        />
      </li>
    </ol>
    <small v-if="problem" class="problem" role="alert">{{ problem }}</small>
    <InputText
      v-model="typed"
      size="small"
      fluid
      :placeholder="text.add"
      :aria-label="text.add"
      @keydown.enter.prevent="add"
      @change="add"
    />
    <div class="tools">
      <Button v-if="field" :label="text.fromData" text size="small" @click="fromData" />
      <Button v-if="keys.length" :label="text.natural" text size="small" @click="emit('change', undefined)" />
    </div>
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  min-width: 0;
}
legend {
  padding: 0;
}
ol {
  list-style: none;
  margin: 0 0 0.25rem;
  padding: 0;
  max-height: 16rem;
  overflow-y: auto;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto auto;
  align-items: center;
  cursor: grab;
}
li span {
  overflow-wrap: anywhere;
}
.tools {
  display: flex;
  flex-wrap: wrap;
}
.quiet {
  color: var(--quiet);
  margin: 0.2rem 0;
}
.problem {
  color: var(--danger);
  display: block;
}
</style>
