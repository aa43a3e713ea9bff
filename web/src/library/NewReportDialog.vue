<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { makeReport } from './makeReport'
import { api, type DatasetLine } from '@/api/client'
import { words } from '@/words'

const emit = defineEmits<{ made: [id: string] }>()
const visible = defineModel<boolean>('visible', { required: true })
const datasets = ref<DatasetLine[]>()
const problem = ref('')
const list = useTemplateRef('list')
const first = computed(() => datasets.value?.find((dataset) => dataset.grain))

// At once too: the dialog may have been asked for before its code was there.
watch(
  visible,
  async (open) => {
    if (open) {
      datasets.value = await api.datasets().catch((e: Error) => {
        problem.value = e.message
        return []
      })
      await focusFirst()
    }
  },
  { immediate: true },
)

/** Enter takes the first, once the dialog and its list are there, whichever comes last. */
async function focusFirst() {
  await nextTick()
  list.value?.querySelector<HTMLElement>('button:enabled')?.focus()
}

async function make(line: DatasetLine) {
  try {
    const made = await makeReport(line.id)
    visible.value = false
    emit('made', made)
  } catch (e) {
    problem.value = (e as Error).message
  }
}
</script>

<template>
  <Dialog v-model:visible="visible" modal :header="words.library.makeTitle" :style="{ width: '32rem' }">
    <p v-if="problem" role="alert" class="problem">{{ problem }}</p>
    <ul ref="list">
      <li v-for="dataset in datasets" :key="dataset.id">
        <button
          type="button"
          :disabled="!dataset.grain"
          :autofocus="dataset === first"
          @click="make(dataset)"
        >
          <strong>{{ dataset.label }}</strong>
          <span>{{ dataset.description }}</span>
          <small>{{ dataset.grain ? words.library.makeHint(dataset.grain) : words.data.unusable }}</small>
        </button>
      </li>
    </ul>
  </Dialog>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.5rem;
}
button {
  display: grid;
  gap: 0.15rem;
  width: 100%;
  text-align: left;
  padding: 0.7rem 0.9rem;
  border: 1px solid var(--line);
  border-radius: 4px;
  background: none;
  color: inherit;
  font: inherit;
  cursor: pointer;
}
button:hover {
  border-color: var(--accent);
}
small {
  color: var(--quiet);
}
.problem {
  color: var(--danger);
}
</style>
