<script setup lang="ts">
import Button from 'primevue/button'
import Select from 'primevue/select'
import { computed, onMounted, ref, shallowRef } from 'vue'
import NewFace from './NewFace.vue'
import { withFace } from '../styleEdits'
import { api, type AddedFace, type HouseStyle } from '@/api/client'
import { words } from '@/words'

/** What a style's texts are set in: a face that comes along, or one that somebody added. */
const props = defineProps<{ face: string; problem?: string }>()
const style = defineModel<HouseStyle>({ required: true })
const text = words.styles.face

const added = shallowRef<AddedFace[]>([])
const adding = ref(false)
const failure = ref('')

const chosen = computed(() => style.value.look.face ?? props.face)
const isAdded = computed(() => added.value.find((face) => face.id === chosen.value))
const choices = computed(() => {
  const all = [...text.shipped, ...added.value.map(({ id, name }) => ({ id, name }))]
  return all.some((face) => face.id === chosen.value)
    ? all
    : [...all, { id: chosen.value, name: text.gone(chosen.value) }]
})

const choose = (id: string) => (style.value = withFace(style.value, id))

async function load() {
  try {
    added.value = await api.addedFaces()
  } catch (e) {
    failure.value = (e as Error).message
  }
}

async function taken(id: string) {
  adding.value = false
  await load()
  choose(id)
}

async function remove(face: AddedFace) {
  failure.value = ''
  try {
    await api.removeFace(face.id)
    choose(text.shipped[0]!.id)
    await load()
  } catch (e) {
    failure.value = (e as Error).message
  }
}

onMounted(load)
</script>

<template>
  <Select
    :model-value="chosen"
    :options="choices"
    option-label="name"
    option-value="id"
    size="small"
    fluid
    :invalid="!!problem"
    :aria-label="text.title"
    @update:model-value="choose"
  />
  <p v-if="isAdded" class="licence">{{ text.licenceOf(isAdded.licence) }}</p>
  <div class="actions">
    <Button v-if="!adding" :label="text.add" text size="small" @click="adding = true" />
    <Button
      v-if="isAdded"
      :label="text.remove(isAdded.name)"
      text
      size="small"
      severity="danger"
      @click="remove(isAdded)"
    />
  </div>
  <NewFace v-if="adding" :taken="choices.map((face) => face.id)" @added="taken" @cancel="adding = false" />
  <small v-if="problem || failure" class="problem" role="alert">{{ problem || failure }}</small>
</template>

<style scoped>
.licence {
  margin: 0.4rem 0 0;
  color: var(--quiet);
  font-size: 0.85rem;
  overflow-wrap: anywhere;
}
.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem;
}
.problem {
  color: var(--danger);
}
</style>
