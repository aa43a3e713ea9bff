<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { onUnmounted, ref, watch } from 'vue'
import { api, type DatasetView, type FoundData, type FoundPlace } from '@/api/client'
import { words } from '@/words'

/** Where a text stands in the data: which number is this apiary? */
const props = defineProps<{ dataset: DatasetView }>()
const emit = defineEmits<{ place: [place: FoundPlace] }>()

const PAUSE_MILLIS = 200
const text = words.data
const sought = ref('')
const found = ref<FoundData>()
const problem = ref('')
let waiting: ReturnType<typeof setTimeout> | undefined

const label = (field: string) => props.dataset.fields.find((f) => f.id === field)?.label ?? field
const noun = (place: FoundPlace) => {
  const grain = props.dataset.tables.find((table) => table.one === props.dataset.grain)
  return text.rows(place.rows, grain?.one ?? text.rowNoun.one, grain?.noun ?? text.rowNoun.other)
}

async function find(wanted: string) {
  try {
    const answer = wanted ? await api.findData(props.dataset.id, wanted) : undefined
    if (wanted === sought.value.trim()) {
      found.value = answer
      problem.value = ''
    }
  } catch (e) {
    problem.value = (e as Error).message
  }
}

watch(sought, (wanted) => {
  clearTimeout(waiting)
  waiting = setTimeout(() => void find(wanted.trim()), PAUSE_MILLIS)
})
watch(
  () => props.dataset.id,
  () => (sought.value = ''),
)
onUnmounted(() => clearTimeout(waiting))

function choose(place: FoundPlace) {
  sought.value = ''
  found.value = undefined
  emit('place', place)
}
</script>

<template>
  <div class="find" @keydown.esc="sought = ''">
    <label>
      {{ text.find.label }}
      <InputText v-model="sought" type="search" size="small" :placeholder="text.find.hint" />
    </label>
    <div v-if="found || problem" class="found" role="region" :aria-label="text.find.label">
      <p v-if="problem" role="alert">{{ problem }}</p>
      <p v-else-if="found && !found.all" role="status">{{ text.find.none(sought) }}</p>
      <template v-else-if="found">
        <p role="status">{{ text.find.some(found.places.length, found.all) }}</p>
        <ul>
          <li v-for="(place, i) in found.places" :key="i">
            <span class="what">
              <strong>{{ place.name }}</strong>
              <span v-if="place.by !== place.field || place.key !== place.name" class="key">
                {{ label(place.by) }} {{ place.key }}
              </span>
              <small>
                {{ place.noun
                }}<template v-if="place.value !== place.name">
                  · {{ label(place.field) }}: {{ place.value }}</template
                >
              </small>
            </span>
            <Button :label="text.find.rows(noun(place))" text size="small" @click="choose(place)" />
          </li>
        </ul>
      </template>
    </div>
  </div>
</template>

<style scoped>
label {
  display: flex;
  align-items: center;
  gap: 0.5rem;
  white-space: nowrap;
}
input {
  width: 24rem;
  max-width: 34vw;
}
.found {
  position: absolute;
  right: 0;
  top: 100%;
  z-index: 3;
  width: min(36rem, 100%);
  max-height: 24rem;
  overflow-y: auto;
  padding: 0.4rem 0.75rem;
  background: var(--panel);
  border: 1px solid var(--line);
  border-radius: 4px;
  box-shadow: var(--paper-shadow);
}
p {
  margin: 0.2rem 0;
  color: var(--quiet);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 1rem;
  border-top: 1px solid var(--line);
}
.what {
  min-width: 0;
  padding: 0.25rem 0;
  overflow-wrap: anywhere;
}
.key {
  margin-left: 0.6rem;
  font-variant-numeric: tabular-nums;
}
small {
  display: block;
  color: var(--quiet);
}
li :deep(button) {
  flex: none;
}
</style>
