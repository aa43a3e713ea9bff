<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Menu from 'primevue/menu'
import SelectButton from 'primevue/selectbutton'
import { computed, defineAsyncComponent, onMounted, onUnmounted, ref, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import { libraryCommands } from './libraryCommands'
import { useLibrary, type Which } from './useLibrary'
import { api, type ReportLine } from '@/api/client'
import { useSession } from '@/session/useSession'
import CommandPalette from '@/shell/CommandPalette.vue'
import { runByKeys } from '@/shell/commands'
import { vFocus } from '@/shell/focus'
import HelpSheet from '@/shell/HelpSheet.vue'
import { words } from '@/words'

// Authors alone need these, and only once they ask.
const NewReportDialog = defineAsyncComponent(() => import('./NewReportDialog.vue'))
const DetailsDialog = defineAsyncComponent(() => import('./DetailsDialog.vue'))

const router = useRouter()
const session = useSession()
const { reports, problem, sought, which, removed, shown, folders, load, change, remove, restore } =
  useLibrary()

const text = words.library
const isAuthor = computed(() => session.person?.role !== 'READER')
const making = ref(false)
const described = ref<ReportLine>()
const chosen = ref<ReportLine>()
const menu = useTemplateRef('menu')
const finder = useTemplateRef<{ $el: HTMLInputElement }>('finder')
const paletteOpen = ref(false)
const helpOpen = ref(false)
const choices: { value: Which; label: string }[] = [
  { value: 'all', label: text.all },
  { value: 'mine', label: text.mine },
  { value: 'offered', label: text.offered },
  { value: 'starters', label: text.starters },
]
const allFolders = computed(() => [...new Set((reports.value ?? []).map((r) => r.folder))].filter(Boolean))

function about(report: ReportLine): string {
  const owner = report.owner ? text.by(report.owner) : text.starter
  const state = report.owner ? (report.offered ? text.offeredState : text.private) : ''
  const ran = report.lastRunAt
    ? text.lastRun(
        new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' }).format(
          report.lastRunAt,
        ),
      )
    : text.neverRun
  return [owner, state, report.drafted ? text.drafted : '', ran].filter(Boolean).join(' · ')
}

const open = (id: string) => router.push({ name: 'run', params: { id } })

/** Enter opens the first report found. */
function openFirst() {
  const first = shown.value[0]
  if (first) {
    void open(first.id)
  }
}

const edit = (id: string) => router.push({ name: 'bench', params: { id } })

async function copy(report: ReportLine) {
  try {
    const made = await api.copy(report.id, text.copyOf(report.title))
    await edit(made.id)
  } catch (e) {
    problem.value = (e as Error).message
  }
}

const items = computed(() => {
  const report = chosen.value
  if (!report) {
    return []
  }
  const own = report.mine
    ? [
        {
          label: report.offered ? text.withdraw : text.offer,
          icon: report.offered ? 'pi pi-lock' : 'pi pi-users',
          command: () => change(report.id, { offered: !report.offered }),
        },
        { label: text.remove, icon: 'pi pi-trash', command: () => remove(report) },
      ]
    : []
  return [
    {
      label: report.editable ? text.edit : text.editCopy,
      icon: 'pi pi-pencil',
      command: () => edit(report.id),
    },
    { label: text.copy, icon: 'pi pi-copy', command: () => copy(report) },
    ...(report.editable
      ? [{ label: text.rename, icon: 'pi pi-tag', command: () => (described.value = report) }]
      : []),
    ...own,
  ]
})

function showMenu(report: ReportLine, event: Event) {
  chosen.value = report
  menu.value?.toggle(event)
}

async function saveDetails(id: string, details: Parameters<typeof change>[1]) {
  described.value = undefined
  await change(id, details)
}

const commands = computed(() =>
  libraryCommands({
    reports: () => reports.value ?? [],
    isAuthor: () => isAuthor.value,
    make: () => (making.value = true),
    find: () => finder.value?.$el.focus(),
    open: (id) => void open(id),
    edit: (id) => void edit(id),
    palette: () => (paletteOpen.value = true),
    help: () => (helpOpen.value = true),
  }),
)
const onKey = (event: KeyboardEvent) => void runByKeys(event, commands.value)

onMounted(() => {
  window.addEventListener('keydown', onKey)
  void load()
})
onUnmounted(() => window.removeEventListener('keydown', onKey))
</script>

<template>
  <main class="library">
    <div class="head">
      <h1>{{ text.title }}</h1>
      <!-- There from the beginning: a button that moves as the list comes is missed by whoever clicks it just then. -->
      <span class="count" aria-live="polite">{{ reports ? text.count(shown.length) : '' }}</span>
      <Button v-if="isAuthor" :label="text.make" icon="pi pi-plus" @click="making = true" />
      <label class="find">
        <span class="visually-hidden">{{ text.find }}</span>
        <i class="pi pi-search" aria-hidden="true" />
        <InputText
          ref="finder"
          v-model="sought"
          v-focus
          type="search"
          :placeholder="text.find"
          @keydown.enter="openFirst"
        />
      </label>
    </div>
    <SelectButton
      v-model="which"
      :options="choices"
      option-label="label"
      option-value="value"
      :allow-empty="false"
      size="small"
      :aria-label="text.which"
      class="which"
    />
    <p v-if="removed" class="removed" role="status">
      {{ text.removed(removed.title) }} <Button :label="text.undo" text size="small" @click="restore" />
    </p>
    <p v-if="problem" role="alert" class="problem">{{ problem }}</p>
    <p v-else-if="reports && reports.length === 0" class="note">
      {{ isAuthor ? text.none : text.noneForReaders }}
    </p>
    <p v-else-if="reports && shown.length === 0" class="note">{{ text.noneFound(sought) }}</p>
    <section v-for="[folder, list] in folders" :key="folder">
      <h2 v-if="folders.length > 1 || folder">{{ folder || text.noFolder }}</h2>
      <ul>
        <li v-for="report in list" :key="report.id">
          <RouterLink :to="{ name: 'run', params: { id: report.id } }">
            <span class="title">{{ report.title }}</span>
            <span class="description">{{ report.description }}</span>
            <span class="about">{{ about(report) }}</span>
          </RouterLink>
          <template v-if="isAuthor">
            <Button
              icon="pi pi-pencil"
              text
              severity="secondary"
              :aria-label="`${report.editable ? text.edit : text.editCopy}: ${report.title}`"
              :title="report.editable ? text.edit : text.editCopy"
              @click="edit(report.id)"
            />
            <Button
              icon="pi pi-ellipsis-v"
              text
              severity="secondary"
              aria-haspopup="menu"
              :aria-label="text.more(report.title)"
              :title="text.more(report.title)"
              @click="showMenu(report, $event)"
            />
          </template>
        </li>
      </ul>
    </section>
    <Menu ref="menu" :model="items" popup />
    <CommandPalette v-model:visible="paletteOpen" :commands="commands" />
    <HelpSheet v-model:visible="helpOpen" :commands="commands" :gestures="[]" />
    <template v-if="isAuthor">
      <NewReportDialog v-model:visible="making" @made="edit" />
      <DetailsDialog
        :report="described"
        :folders="allFolders"
        @save="saveDetails"
        @close="described = undefined"
      />
    </template>
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
  flex-wrap: wrap;
  align-items: center;
  gap: 0.75rem;
  margin-bottom: 0.75rem;
}
h1 {
  font-size: 1.6rem;
  margin: 0;
}
h2 {
  font-size: 1.05rem;
  margin: 1.1rem 0 0.4rem;
}
.which {
  margin-bottom: 0.75rem;
}
.count {
  color: var(--quiet);
  flex: 1;
  min-width: 6rem;
}
.find {
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
li {
  display: flex;
  align-items: center;
  background: var(--panel);
  border: 1px solid var(--line);
  border-radius: 4px;
  padding-right: 0.25rem;
}
li:hover {
  border-color: var(--accent);
}
li a {
  flex: 1;
  min-width: 0;
  display: grid;
  gap: 0.15rem 1rem;
  padding: 0.65rem 1rem;
  color: inherit;
  text-decoration: none;
  overflow-wrap: anywhere;
}
.title {
  font-weight: 600;
  font-size: 1.1rem;
}
.description,
.about {
  color: var(--quiet);
}
.note {
  color: var(--quiet);
  padding: 2rem 0;
}
.removed {
  display: flex;
  align-items: center;
  gap: 0.5rem;
  background: var(--accent-soft);
  padding: 0.3rem 0.8rem;
  border-radius: 4px;
}
.problem {
  color: var(--danger);
}
</style>
