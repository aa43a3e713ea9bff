<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import InstallationCalendar from './InstallationCalendar.vue'
import SourceForm from './SourceForm.vue'
import UnreadableDocuments from './UnreadableDocuments.vue'
import { api, type SourceLine } from '@/api/client'
import { words } from '@/words'

/** The sources that datasets read, for administrators. */
const props = defineProps<{ id?: string }>()
const router = useRouter()
const text = words.sources
const lines = ref<SourceLine[]>([])
const problem = ref('')
const chosen = computed(() => lines.value.find((line) => line.id === props.id && !line.fixed))
const isNew = computed(() => props.id === 'new')

async function load() {
  try {
    lines.value = await api.sources()
  } catch (e) {
    problem.value = (e as Error).message
  }
}

const show = (id?: string) => router.push({ name: 'sources', params: { id } })

async function onSaved(id?: string) {
  await load()
  await show(id)
}

void load()
</script>

<template>
  <main class="sources">
    <div class="list">
      <div class="head">
        <h1>{{ text.title }}</h1>
        <Button :label="text.add" icon="pi pi-plus" outlined size="small" @click="show('new')" />
      </div>
      <p class="quiet">{{ text.lead }}</p>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <ul :aria-label="text.title">
        <li v-for="line in lines" :key="line.id" :class="{ chosen: line.id === id }">
          <component
            :is="line.fixed ? 'div' : 'button'"
            :type="line.fixed ? undefined : 'button'"
            class="line"
            @click="line.fixed || show(line.id)"
          >
            <strong>{{ line.label }}</strong>
            <span>{{ text.kinds[line.kind] }}</span>
            <small>{{ line.fixed ? text.fixed : text.usedBy(line.datasets) }}</small>
          </component>
        </li>
      </ul>
      <UnreadableDocuments />
      <InstallationCalendar />
    </div>
    <aside>
      <SourceForm v-if="chosen || isNew" :key="id" :line="chosen" @saved="onSaved" @close="show()" />
      <p v-else class="quiet">{{ text.empty }}</p>
    </aside>
  </main>
</template>

<style scoped>
.sources {
  flex: 1;
  min-height: 0;
  display: flex;
}
.list {
  flex: 1;
  min-width: 0;
  padding: 0.9rem 1.1rem;
  overflow-y: auto;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: start;
}
h1 {
  font-size: 1.4rem;
  margin: 0;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.5rem;
  max-width: 46rem;
}
.line {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0.1rem 1rem;
  width: 100%;
  text-align: left;
  padding: 0.6rem 0.8rem;
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--panel);
  color: inherit;
  font: inherit;
  overflow-wrap: anywhere;
}
button.line {
  cursor: pointer;
}
button.line:hover,
.chosen .line {
  border-color: var(--accent);
}
small {
  grid-column: 1 / -1;
}
small,
.quiet {
  color: var(--quiet);
}
aside {
  width: 400px;
  flex: none;
  padding: 0.9rem;
  background: var(--panel);
  border-left: 1px solid var(--line);
  overflow-y: auto;
}
.problem {
  color: var(--danger);
}
</style>
