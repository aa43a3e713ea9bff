<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { computed, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, type ReportLine } from '@/api/client'
import { vFocus } from '@/shell/focus'
import { words } from '@/words'

const router = useRouter()
const reports = ref<ReportLine[]>()
const problem = ref('')
const sought = ref('')
const shown = computed(() => {
  const text = folded(sought.value)
  return (reports.value ?? []).filter((r) => folded(`${r.title} ${r.description ?? ''}`).includes(text))
})

/** Finding ignores case and accents. */
function folded(text: string): string {
  return text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase().trim()
}

function about(report: ReportLine): string {
  const owner = report.owner ? words.library.by(report.owner) : words.library.starter
  const ran = report.lastRunAt
    ? words.library.lastRun(
        new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' }).format(
          report.lastRunAt,
        ),
      )
    : words.library.neverRun
  return `${owner} · ${ran}`
}

/** Enter opens the first report found. */
async function openFirst() {
  const first = shown.value[0]
  if (first) {
    await router.push({ name: 'run', params: { id: first.id } })
  }
}

onMounted(async () => {
  try {
    reports.value = await api.reports()
  } catch (e) {
    problem.value = (e as Error).message
  }
})
</script>

<template>
  <main class="library">
    <div class="head">
      <h1>{{ words.library.title }}</h1>
      <span v-if="reports" class="count" aria-live="polite">{{ words.library.count(shown.length) }}</span>
      <label class="find">
        <span class="visually-hidden">{{ words.library.find }}</span>
        <i class="pi pi-search" aria-hidden="true" />
        <InputText
          v-model="sought"
          v-focus
          type="search"
          :placeholder="words.library.find"
          @keydown.enter="openFirst"
        />
      </label>
    </div>
    <p v-if="problem" role="alert" class="note">{{ problem }}</p>
    <p v-else-if="reports && reports.length === 0" class="note">{{ words.library.none }}</p>
    <p v-else-if="reports && shown.length === 0" class="note">{{ words.library.noneFound(sought) }}</p>
    <ul v-else>
      <li v-for="report in shown" :key="report.id">
        <RouterLink :to="{ name: 'run', params: { id: report.id } }">
          <span class="title">{{ report.title }}</span>
          <span class="description">{{ report.description }}</span>
          <span class="about">{{ about(report) }}</span>
        </RouterLink>
      </li>
    </ul>
  </main>
</template>

<style scoped>
.library {
  flex: 1;
  overflow-y: auto;
  padding: 1.5rem clamp(1rem, 8vw, 9rem) 3rem;
}
.head {
  display: flex;
  align-items: baseline;
  gap: 0.75rem;
  margin-bottom: 1rem;
}
h1 {
  font-size: 1.6rem;
  margin: 0;
}
.count {
  color: var(--quiet);
}
.find {
  margin-left: auto;
  position: relative;
}
.find .pi {
  position: absolute;
  left: 0.65rem;
  top: 50%;
  transform: translateY(-50%);
  color: var(--quiet);
}
.find input {
  padding-left: 2rem;
  width: 20rem;
  max-width: 40vw;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.5rem;
}
li a {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0.15rem 1rem;
  padding: 0.75rem 1rem;
  background: var(--panel);
  border: 1px solid var(--line);
  border-radius: 4px;
  color: inherit;
  text-decoration: none;
  overflow-wrap: anywhere;
}
li a:hover {
  border-color: var(--accent);
}
.title {
  font-weight: 600;
  font-size: 1.1rem;
}
.description {
  grid-row: 2;
  color: var(--quiet);
}
.about {
  color: var(--quiet);
  text-align: right;
}
.note {
  color: var(--quiet);
  padding: 2rem 0;
}
</style>
