<script setup lang="ts">
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed, ref, watch } from 'vue'
import { api, type DatasetLine, type SourceLine } from '@/api/client'
import { folded } from '@/shell/folded'
import { words } from '@/words'

/** The tables of a source, and the datasets there are: what a dataset can start from. */
defineProps<{
  busy: boolean
  /** Whether one can be started from; else the source alone is chosen. */
  starts: boolean
}>()
const source = defineModel<string>('source', { required: true })
const emit = defineEmits<{ start: [from: { source?: string; table?: string; dataset?: string }] }>()

const text = words.compose
const sources = ref<SourceLine[]>([])
const datasets = ref<DatasetLine[]>([])
const tables = ref<string[]>()
const problem = ref('')
const sought = ref('')
const shown = computed(() => tables.value?.filter((name) => folded(name).includes(folded(sought.value))))

async function load() {
  try {
    ;[sources.value, datasets.value] = await Promise.all([api.sources(), api.datasets()])
  } catch (e) {
    problem.value = (e as Error).message
  }
}

watch(
  source,
  async (id) => {
    tables.value = undefined
    problem.value = ''
    try {
      const found = await api.sourceTables(id)
      if (id === source.value) {
        tables.value = found
      }
    } catch (e) {
      problem.value = (e as Error).message
    }
  },
  { immediate: true },
)
void load()
</script>

<template>
  <div class="list">
    <label>
      {{ text.source }}
      <Select
        v-model="source"
        :options="sources"
        option-label="label"
        option-value="id"
        size="small"
        fluid
        :aria-label="text.source"
      />
    </label>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <template v-if="starts">
      <InputText
        v-model="sought"
        size="small"
        type="search"
        fluid
        :placeholder="text.filter"
        :aria-label="text.filter"
      />
      <h3>{{ text.tables }}</h3>
      <ul :aria-label="text.tables">
        <li v-for="name in shown" :key="name">
          <button type="button" :disabled="busy" @click="emit('start', { source, table: name })">
            {{ name }}
          </button>
        </li>
      </ul>
      <p v-if="tables && !shown?.length" class="quiet">{{ tables.length ? text.noTable : text.noTables }}</p>
      <h3>{{ text.datasets }}</h3>
      <ul :aria-label="text.datasets">
        <li v-for="line in datasets" :key="line.id">
          <button type="button" :disabled="busy || !line.grain" @click="emit('start', { dataset: line.id })">
            {{ text.startOn(line.label) }}
          </button>
        </li>
      </ul>
    </template>
  </div>
</template>

<style scoped>
.list {
  display: flex;
  flex-direction: column;
  gap: 0.5rem;
}
label {
  display: grid;
  gap: 0.2rem;
}
h3 {
  font-size: 0.95rem;
  margin: 0.4rem 0 0;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
button {
  width: 100%;
  border: 0;
  border-radius: 4px;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  padding: 0.3rem 0.5rem;
  min-height: 28px;
  cursor: pointer;
  overflow-wrap: anywhere;
}
button:hover:enabled {
  background: var(--accent-soft);
}
.quiet {
  color: var(--quiet);
}
.problem {
  color: var(--danger);
  overflow-wrap: anywhere;
  margin: 0;
}
</style>
