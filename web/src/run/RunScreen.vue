<script setup lang="ts">
import Button from 'primevue/button'
import ContextMenu from 'primevue/contextmenu'
import Menu from 'primevue/menu'
import ProgressBar from 'primevue/progressbar'
import SelectButton from 'primevue/selectbutton'
import { computed, nextTick, onMounted, onUnmounted, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import ChoicePrompt from './ChoicePrompt.vue'
import ContinuousList from './ContinuousList.vue'
import FindText from './FindText.vue'
import GroupOutline from './GroupOutline.vue'
import PageNavigation from './PageNavigation.vue'
import PeriodPrompt from './PeriodPrompt.vue'
import { saveFile } from './saveFile'
import { useAnswers } from './useAnswers'
import { useRun } from './useRun'
import { useView } from './useView'
import { api, ApiError, type PageView, type PathStep, type ReportView } from '@/api/client'
import RowsDialog from '@/explain/RowsDialog.vue'
import WhyPanel from '@/explain/WhyPanel.vue'
import { PIXEL } from '@/paper/geometry'
import type { Hit } from '@/paper/hit'
import PaperPage from '@/paper/PaperPage.vue'
import { useSession } from '@/session/useSession'
import { runByKeys, type Command } from '@/shell/commands'
import HelpSheet from '@/shell/HelpSheet.vue'
import { words } from '@/words'

const props = defineProps<{ id: string }>()
const route = useRoute()
const router = useRouter()
const session = useSession()
const text = words.run

const report = shallowRef<ReportView>()
const page = shallowRef<PageView>()
const number = ref(1)
const failure = ref('')
const exporting = ref(false)
const announcement = ref('')
const zoom = ref(1)
const shape = ref<'pages' | 'list'>('pages')
const why = shallowRef<{ place: number; total?: string }>()
const rowsPlace = ref<number>()
const groupPath = shallowRef<{ path: PathStep[]; place: number }>()
const helpOpen = ref(false)
const desk = useTemplateRef('desk')
const list = useTemplateRef('list')
const find = useTemplateRef('find')
const groupMenu = useTemplateRef('groupMenu')
const fileMenu = useTemplateRef('fileMenu')
const { asked, resolved, problems, isRight, load: loadAnswers } = useAnswers(props.id)
const { run, problem: runProblem, start, cancel, isOver } = useRun(props.id)
const looked = useView()
const { order, only } = looked

const done = computed(() => run.value?.state === 'DONE')
const running = computed(() => run.value !== undefined && !isOver(run.value))
const pages = computed(() => run.value?.pages ?? 1)
const isAuthor = computed(() => session.person?.role === 'AUTHOR')
const shapes = [
  { value: 'pages', label: text.pagesView },
  { value: 'list', label: text.listView },
]

onMounted(async () => {
  window.addEventListener('keydown', onKey)
  try {
    report.value = await api.report(props.id)
    document.title = `${report.value.title} · Grammatus`
    loadAnswers(report.value, route.query)
    looked.load(route.query)
    shape.value = route.query.view === 'list' ? 'list' : 'pages'
    number.value = Math.max(1, Number.parseInt(String(route.query.page ?? '1'), 10) || 1)
    await runReport(number.value)
  } catch (e) {
    failure.value = (e as Error).message
  }
})
onUnmounted(() => window.removeEventListener('keydown', onKey))

async function runReport(openAt = 1) {
  failure.value = ''
  number.value = openAt
  why.value = undefined
  try {
    await start(asked.value, looked.view())
    await rememberInAddress()
  } catch (e) {
    failure.value = (e as Error).message
    if (e instanceof ApiError) {
      problems.value = Object.fromEntries(
        e.problems.map((p) => [p.pointer.replace('/answers/', ''), p.message]),
      )
    }
  }
}

/** The newest page asked for wins; the old one stays until it is there. */
watch([run, number], async ([current, wanted]) => {
  if (current?.state !== 'DONE') {
    return
  }
  if (wanted > current.pages) {
    number.value = current.pages
    return
  }
  try {
    const found = await api.page(current.id, wanted)
    if (run.value?.id === current.id && number.value === wanted) {
      const isFirst = page.value === undefined
      page.value = found
      if (isFirst) {
        fitWidth()
      }
      desk.value?.scrollTo({ top: 0 })
      await rememberInAddress()
    }
  } catch (e) {
    failure.value = (e as Error).message
  }
})
watch(shape, () => void rememberInAddress())
watch(
  () => why.value !== undefined,
  async () => {
    // The explanation takes its room from the page.
    await nextTick()
    fitWidth()
  },
)

function rememberInAddress() {
  return router.replace({
    query: {
      ...asked.value,
      order: order.value.length ? order.value : undefined,
      only: only.value.length ? only.value : undefined,
      view: shape.value === 'list' ? 'list' : undefined,
      page: number.value > 1 ? String(number.value) : undefined,
    },
  })
}

function fitWidth() {
  const sheet = page.value
  const room = (desk.value ?? document.querySelector('.stage'))?.clientWidth
  if (sheet && room) {
    const depths = Math.max(1, ...sheet.nodes.map((node) => node.depth))
    zoom.value = Math.min(1.6, Math.max(0.4, (room - 50 - depths * 26) / (sheet.width * PIXEL)))
  }
}

async function download(format: 'pdf' | 'csv') {
  if (!run.value || !report.value) {
    return
  }
  exporting.value = true
  announcement.value = text.exporting
  try {
    saveFile(await api.file(run.value.id, format), `${props.id}.${format}`)
    announcement.value = text.exported(`${props.id}.${format}`)
  } catch (e) {
    announcement.value = ''
    failure.value = (e as Error).message
  } finally {
    exporting.value = false
  }
}
const files = [
  { label: text.export, icon: 'pi pi-file-pdf', command: () => download('pdf') },
  { label: text.exportCsv, icon: 'pi pi-table', command: () => download('csv') },
]

/** Figures say why, headings order, groups narrow. */
function onPick(sheet: PageView, hit: Hit, event: MouseEvent) {
  const node = sheet.nodes[hit.node]!
  if (hit.band.role === 'COLUMN_HEADINGS' && hit.column) {
    orderBy(hit.column, event.shiftKey)
  } else if (hit.cell?.figure && hit.part) {
    const isTotal = hit.band.role !== 'ROW' || !sheet.columns.some((column) => column.id === hit.part)
    if (isTotal) {
      why.value = { place: node.place, total: hit.part }
    }
  } else if (hit.band.role === 'HEADING' || hit.band.role === 'TOTALS') {
    void offerGroup(node.place, event)
  } else if (hit.band.role === 'ROW' && hit.band.row < 0 && node.depth > 0) {
    void offerGroup(node.place, event)
  }
}

function onOpen(sheet: PageView, hit: Hit) {
  if (['ROW', 'TOTALS', 'GRAND_TOTAL', 'HEADING'].includes(hit.band.role)) {
    groupMenu.value?.hide()
    rowsPlace.value = sheet.nodes[hit.node]!.place
  }
}

async function offerGroup(place: number, event: MouseEvent) {
  const path = await api.path(run.value!.id, place).catch(() => [])
  if (path.length) {
    groupPath.value = { path, place }
    await nextTick()
    groupMenu.value?.show(event)
  }
}

const groupItems = computed(() => {
  const group = groupPath.value
  if (!group) {
    return []
  }
  const { path, place } = group
  const last = path.at(-1)!
  const everywhere =
    path.length > 1 ? [{ label: words.why.onlyValue(last.label), command: () => narrow([last]) }] : []
  return [
    { label: words.why.onlyPath(path.map((s) => s.label).join(' › ')), command: () => narrow(path) },
    ...everywhere,
    { label: words.why.order, command: () => (why.value = { place }) },
    { label: words.why.rows, command: () => (rowsPlace.value = place) },
  ]
})

function narrow(path: PathStep[]) {
  looked.narrow(path)
  void runReport()
}

function orderBy(column: string, adds: boolean) {
  const isFigure = page.value?.cells.some(
    (value, i) => i % 8 === 6 && page.value!.ids[value] === column && page.value!.cells[i + 1] === 1,
  )
  looked.orderBy(column, isFigure ? 'descending' : 'ascending', adds)
  void runReport()
}

function columnLabel(term: string): string {
  const [id, direction] = term.split(':')
  const heading = document.querySelector(`[data-role=COLUMN_HEADINGS] [data-id="${id}"]`)
  return `${heading?.textContent ?? id} ${direction === 'descending' ? '▼' : '▲'}`
}

function resetView() {
  order.value = []
  only.value = []
  void runReport()
}

const commands: Command[] = [
  {
    id: 'find',
    name: text.find,
    group: words.bench.commands.moving,
    keys: ['/', 'Ctrl+F'],
    enabled: () => done.value,
    run: () => find.value?.focus(),
  },
  ...[
    { id: 'previous', name: text.previous, keys: ['←'], to: () => number.value - 1 },
    { id: 'next', name: text.next, keys: ['→'], to: () => number.value + 1 },
    { id: 'first', name: text.first, keys: ['Home'], to: () => 1 },
    { id: 'last', name: text.last, keys: ['End'], to: () => pages.value },
  ].map(({ to, ...rest }) => ({
    ...rest,
    group: words.bench.commands.moving,
    onPage: true,
    enabled: () => done.value && shape.value === 'pages',
    run: () => {
      number.value = Math.min(Math.max(1, to()), pages.value)
    },
  })),
  {
    id: 'help',
    name: text.help,
    group: words.bench.commands.general,
    keys: ['?'],
    onPage: true,
    enabled: () => true,
    run: () => (helpOpen.value = true),
  },
]

function onKey(event: KeyboardEvent) {
  runByKeys(event, commands)
}
</script>

<template>
  <div class="screen">
    <aside class="side">
      <RouterLink to="/reports" class="back"
        ><i class="pi pi-angle-left" aria-hidden="true" />{{ text.back }}</RouterLink
      >
      <template v-if="report">
        <h1>{{ report.title }}</h1>
        <form @submit.prevent="runReport()">
          <h2 class="visually-hidden">{{ text.prompts }}</h2>
          <template v-for="prompt in report.prompts" :key="prompt.name">
            <PeriodPrompt
              v-if="prompt.type === 'PERIOD'"
              v-model="asked[prompt.name]!"
              :prompt="prompt"
              :resolved="resolved[prompt.name]"
              :problem="problems[prompt.name]"
            />
            <ChoicePrompt
              v-else
              v-model="asked[prompt.name]!"
              :report="id"
              :prompt="prompt"
              :problem="problems[prompt.name]"
            />
          </template>
          <div class="actions">
            <Button type="submit" :label="text.run" icon="pi pi-play" :disabled="!isRight" />
            <Button v-if="running" :label="text.cancel" severity="secondary" outlined @click="cancel()" />
          </div>
        </form>
        <section v-if="order.length || only.length" class="looked" :aria-label="text.view">
          <p v-if="only.length">
            {{ words.why.narrowedTo }}
            <button
              v-for="group in only"
              :key="group"
              type="button"
              class="chip"
              :aria-label="`${words.bench.sentence.remove(group)}`"
              @click="((only = only.filter((g) => g !== group)), runReport())"
            >
              {{ group.includes(':') ? group.slice(group.indexOf(':') + 1) : '(none)' }} ×
            </button>
          </p>
          <p v-if="order.length">{{ words.why.orderedBy }} {{ order.map(columnLabel).join(', ') }}</p>
          <Button :label="words.why.wholeAgain" text size="small" @click="resetView" />
        </section>
        <section v-if="run && done" class="outline" :aria-label="text.groups">
          <h2>{{ text.groups }}</h2>
          <div class="scroll" tabindex="0">
            <GroupOutline
              :run="run.id"
              @open="(entry) => (shape === 'list' ? list?.goTo(entry.strip) : (number = entry.page))"
            />
          </div>
        </section>
      </template>
    </aside>

    <main class="stage">
      <div class="tools">
        <PageNavigation v-if="run && done && shape === 'pages'" v-model="number" :pages="run.pages" />
        <SelectButton
          v-if="run && done"
          v-model="shape"
          :options="shapes"
          option-label="label"
          option-value="value"
          :allow-empty="false"
          size="small"
          :aria-label="text.view"
        />
        <span class="spring" />
        <FindText
          v-if="run && done"
          ref="find"
          :run="run.id"
          @go="(hit) => (shape === 'list' ? list?.goTo(hit.strip) : (number = hit.page))"
        />
        <template v-if="page">
          <Button
            icon="pi pi-minus"
            :aria-label="text.zoomOut"
            :title="text.zoomOut"
            text
            severity="secondary"
            @click="zoom = Math.max(0.4, zoom - 0.1)"
          />
          <Button
            :label="`${Math.round(zoom * 100)} %`"
            :title="text.fitWidth"
            text
            severity="secondary"
            @click="fitWidth()"
          />
          <Button
            icon="pi pi-plus"
            :aria-label="text.zoomIn"
            :title="text.zoomIn"
            text
            severity="secondary"
            @click="zoom = Math.min(2.5, zoom + 0.1)"
          />
        </template>
        <Button
          icon="pi pi-question-circle"
          :aria-label="text.help"
          :title="`${text.help} (?)`"
          text
          severity="secondary"
          @click="helpOpen = true"
        />
        <Button
          v-if="isAuthor"
          icon="pi pi-pencil"
          :aria-label="text.edit"
          :title="text.edit"
          text
          severity="secondary"
          @click="router.push({ name: 'bench', params: { id } })"
        />
        <Button
          :aria-label="text.files"
          :title="text.files"
          icon="pi pi-download"
          aria-haspopup="menu"
          outlined
          :disabled="!done"
          :loading="exporting"
          @click="fileMenu?.toggle($event)"
        />
      </div>

      <div v-if="running && run" class="progress" role="status">
        <span>{{ text.states[run.state] }} · {{ text.rowsRead(run.rowsRead) }}</span>
        <ProgressBar mode="indeterminate" :aria-label="text.running" />
      </div>
      <div v-if="failure || runProblem" class="failure" role="alert">{{ failure || runProblem }}</div>
      <div v-else-if="run?.state === 'FAILED'" class="failure" role="alert">
        <strong>{{ text.states.FAILED }}.</strong>
        <ul>
          <li v-for="p in run.problems" :key="p.pointer + p.message">{{ p.message }}</li>
        </ul>
      </div>
      <div v-else-if="run?.state === 'CANCELLED'" class="failure" role="alert">
        {{ text.states.CANCELLED }}.
      </div>
      <ul v-if="done && run && run.problems.length" class="notices">
        <li v-for="p in run.problems" :key="p.pointer + p.message">{{ p.message }}</li>
      </ul>

      <div class="views" :data-run="done ? run?.id : undefined">
        <div
          v-if="shape === 'pages'"
          ref="desk"
          class="desk"
          :class="{ stale: running }"
          tabindex="0"
          role="region"
          :aria-label="text.pages"
        >
          <PaperPage
            v-if="page"
            :page="page"
            :zoom="zoom"
            @pick="(hit, event) => onPick(page!, hit, event)"
            @open="(hit) => onOpen(page!, hit)"
            @menu="(hit, event) => offerGroup(page!.nodes[hit.node]!.place, event)"
            @brace="(node, event) => offerGroup(page!.nodes[node]!.place, event)"
          />
        </div>
        <ContinuousList
          v-else-if="run && done"
          ref="list"
          :run="run.id"
          :zoom="zoom"
          @pick="onPick"
          @open="onOpen"
          @menu="(sheet, hit, event) => offerGroup(sheet.nodes[hit.node]!.place, event)"
          @brace="(sheet, node, event) => offerGroup(sheet.nodes[node]!.place, event)"
        />
        <aside v-if="why && run" class="explanation">
          <WhyPanel
            :run="run.id"
            :place="why.place"
            :total="why.total"
            @rows="(place) => (rowsPlace = place)"
            @close="why = undefined"
          />
        </aside>
      </div>

      <footer v-if="run && done" class="foot">
        <span class="funnel">
          <span v-for="step in text.funnel(run.rowsRead, run.rowsKept, run.groups, run.pages)" :key="step">{{
            step
          }}</span>
        </span>
        <dl :aria-label="text.grandTotal">
          <dt class="name">{{ text.grandTotal }}</dt>
          <dd class="visually-hidden" />
          <template v-for="total in run.grandTotals" :key="total.label">
            <dt>{{ total.label }}</dt>
            <dd>{{ total.figure || '–' }}</dd>
          </template>
        </dl>
      </footer>
      <p class="visually-hidden" aria-live="polite">{{ announcement }}</p>
      <ContextMenu ref="groupMenu" :model="groupItems" />
      <Menu ref="fileMenu" :model="files" popup />
      <RowsDialog v-if="run && done" :run="run.id" :place="rowsPlace" @close="rowsPlace = undefined" />
      <HelpSheet v-model:visible="helpOpen" :commands="commands" :gestures="text.gestures" />
    </main>
  </div>
</template>

<style scoped>
.screen {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 272px minmax(0, 1fr);
}
.side {
  background: var(--panel);
  border-right: 1px solid var(--line);
  padding: 0.75rem 1rem;
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.back {
  display: inline-flex;
  align-items: center;
  gap: 0.25rem;
  text-decoration: none;
}
h1 {
  font-size: 1.2rem;
  line-height: 1.25;
  margin: 0.5rem 0 1rem;
  overflow-wrap: anywhere;
}
h2 {
  font-size: 1rem;
  margin: 0 0 0.35rem;
}
.actions {
  display: flex;
  gap: 0.5rem;
  margin: 0.9rem 0 0;
}
.outline {
  margin-top: 1.25rem;
  padding-top: 0.75rem;
  border-top: 1px solid var(--line);
  display: flex;
  flex-direction: column;
  min-height: 0;
  flex: 1;
}
.scroll {
  overflow-y: auto;
  margin-right: -0.5rem;
  padding-right: 0.5rem;
}
.looked {
  margin-top: 0.75rem;
  padding-top: 0.5rem;
  border-top: 1px solid var(--line);
}
.looked p {
  margin: 0 0 0.3rem;
}
.chip {
  border: 0;
  border-radius: 12px;
  background: var(--accent-soft);
  color: inherit;
  font: inherit;
  cursor: pointer;
  min-height: 24px;
  padding: 0 0.5rem;
  margin: 0 0.2rem 0.2rem 0;
}
.views {
  flex: 1;
  min-height: 0;
  display: flex;
}
.explanation {
  width: 290px;
  flex: none;
  overflow-y: auto;
  padding: 0.8rem 1rem;
  background: var(--panel);
  border-left: 1px solid var(--line);
}
.stage {
  display: flex;
  flex-direction: column;
  min-height: 0;
  min-width: 0;
}
.tools {
  display: flex;
  align-items: center;
  gap: 0.25rem;
  padding: 0.4rem 1rem;
  background: var(--panel);
  border-bottom: 1px solid var(--line);
  min-height: 46px;
  flex-wrap: wrap;
  white-space: nowrap;
}
.spring {
  flex: 1;
}
.progress {
  padding: 0.5rem 1rem;
  display: grid;
  gap: 0.35rem;
}
.failure {
  margin: 0.75rem 1rem 0;
  padding: 0.6rem 0.9rem;
  color: var(--danger);
  background: var(--danger-soft);
  border-left: 3px solid var(--danger);
}
.failure ul {
  margin: 0.25rem 0 0;
  padding-left: 1.1rem;
}
.notices {
  margin: 0.5rem 1rem 0;
  padding-left: 1.1rem;
  color: var(--quiet);
}
.desk {
  flex: 1;
  min-height: 0;
  overflow: auto;
  padding: 1rem 1.5rem 2rem 0.5rem;
}
.desk.stale {
  opacity: 0.5;
}
.foot {
  display: flex;
  justify-content: space-between;
  gap: 1.5rem;
  padding: 0.45rem 1rem;
  background: var(--panel);
  border-top: 1px solid var(--line);
  white-space: nowrap;
  overflow: hidden;
}
.funnel {
  color: var(--quiet);
}
.funnel span + span::before {
  content: ' · ';
}
dl {
  display: flex;
  gap: 0.5rem;
  margin: 0;
  align-items: baseline;
}
dt {
  color: var(--quiet);
}
dt.name {
  color: var(--ink);
  font-weight: 600;
}
dd {
  margin: 0 0.5rem 0 0;
  font-weight: 600;
  font-variant-numeric: tabular-nums;
}
@media (max-width: 900px) {
  .screen {
    grid-template-columns: 220px minmax(0, 1fr);
  }
  .funnel {
    display: none;
  }
}
</style>
