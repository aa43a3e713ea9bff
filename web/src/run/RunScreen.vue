<script setup lang="ts">
import Button from 'primevue/button'
import Menu from 'primevue/menu'
import SelectButton from 'primevue/selectbutton'
import { computed, nextTick, onMounted, onUnmounted, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import ChosenFigures from './ChosenFigures.vue'
import ContinuousList from './ContinuousList.vue'
import FindText from './FindText.vue'
import GroupOutline from './GroupOutline.vue'
import OwnView from './OwnView.vue'
import PageNavigation from './PageNavigation.vue'
import PromptForm from './PromptForm.vue'
import { runCommands } from './runCommands'
import RunState from './RunState.vue'
import { saveFile } from '@/shell/saveFile'
import { useAnswers } from './useAnswers'
import { useRun } from './useRun'
import { useChosenFigures } from './useChosenFigures'
import { useDoubleClick } from './useDoubleClick'
import { useReaderMenu } from './useReaderMenu'
import { useView } from './useView'
import { api, ApiError, type PageView, type PathStep, type ReportView } from '@/api/client'
import RowsDialog from '@/explain/RowsDialog.vue'
import WhyPanel from '@/explain/WhyPanel.vue'
import { onCellKey } from '@/paper/cellKeys'
import ColumnEdges from '@/paper/ColumnEdges.vue'
import GrandTotals from '@/paper/GrandTotals.vue'
import { figureKey } from '@/paper/figureKey'
import type { Hit } from '@/paper/hit'
import PaperPage from '@/paper/PaperPage.vue'
import { useZoom } from '@/paper/useZoom'
import ZoomTools from '@/paper/ZoomTools.vue'
import { useSession } from '@/session/useSession'
import CommandMenu from '@/shell/CommandMenu.vue'
import CommandPalette from '@/shell/CommandPalette.vue'
import { runByKeys } from '@/shell/commands'
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
/** The run whose page is on the screen: the newest, or the one before while its page is still to come. */
const shownRun = ref<string>()
const shape = ref<'pages' | 'list'>('pages')
const why = shallowRef<{ place: number; total?: string }>()
const rowsPlace = ref<number>()
const helpOpen = ref(false)
const paletteOpen = ref(false)
const desk = useTemplateRef('desk')
const list = useTemplateRef('list')
const find = useTemplateRef('find')
const readerMenu = useTemplateRef('readerMenu')
const fileMenu = useTemplateRef('fileMenu')
const { asked, resolved, problems, isRight, load: loadAnswers } = useAnswers(props.id)
const { run, problem: runProblem, start, cancel, isOver } = useRun(props.id)
const looked = useView()
const { chosen, together, toggle: choose, clear: chooseNone } = useChosenFigures(shownRun)
/** What levels are called, as far as menus have told. */
const levelNames = new Map<string, string>()
const {
  zoom,
  fitWidth,
  by: zoomBy,
} = useZoom(page, () => (desk.value ?? document.querySelector('.stage'))?.clientWidth)

const done = computed(() => run.value?.state === 'DONE')
/** A report wider than its paper has no pages, but its figures. */
const printed = computed(() => done.value && run.value!.pages > 0)
const running = computed(() => run.value !== undefined && !isOver(run.value))
const pages = computed(() => run.value?.pages ?? 1)
const isAuthor = computed(() => session.person?.role !== 'READER')
const shapes = [
  { label: text.pagesView, value: 'pages' },
  { label: text.listView, value: 'list' },
]

onMounted(async () => {
  window.addEventListener('keydown', onKey)
  window.addEventListener('click', double.onClickCapture, true)
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
onUnmounted(() => {
  window.removeEventListener('keydown', onKey)
  window.removeEventListener('click', double.onClickCapture, true)
})

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
  if (current.pages === 0) {
    page.value = undefined
    shownRun.value = current.id
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
      shownRun.value = current.id
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
      ...looked.query(),
      view: shape.value === 'list' ? 'list' : undefined,
      page: number.value > 1 ? String(number.value) : undefined,
    },
  })
}

async function download(format: 'pdf' | 'csv', protect = true) {
  if (!run.value || !report.value) {
    return
  }
  exporting.value = true
  announcement.value = text.exporting
  try {
    const file = await api.file(run.value.id, format, protect)
    saveFile(file)
    announcement.value = format === 'csv' ? text.exportedCsv(file.name, protect) : text.exported(file.name)
  } catch (e) {
    announcement.value = ''
    failure.value = (e as Error).message
  } finally {
    exporting.value = false
  }
}
const files = computed(() => [
  { label: text.export, icon: 'pi pi-file-pdf', disabled: !printed.value, command: () => download('pdf') },
  { label: text.exportCsv, icon: 'pi pi-table', command: () => download('csv') },
  { label: text.exportExact, icon: 'pi pi-table', command: () => download('csv', false) },
])

/** Whether what was hit is a figure of the totals, not of a row. */
function isTotal(sheet: PageView, hit: Hit): boolean {
  const ofRow = hit.band.role === 'ROW' && sheet.columns.some((column) => column.id === hit.part)
  return !!hit.cell?.figure && hit.part !== undefined && !ofRow
}

function isGroup(sheet: PageView, hit: Hit): boolean {
  const lineOfGroup = hit.band.role === 'ROW' && hit.band.row < 0 && sheet.nodes[hit.node]!.depth > 0
  return hit.band.role === 'HEADING' || hit.band.role === 'TOTALS' || lineOfGroup
}

/** Figures say why, headings order, groups narrow. */
function onPick(sheet: PageView, hit: Hit, event: MouseEvent) {
  const place = sheet.nodes[hit.node]!.place
  if (event.ctrlKey || event.metaKey) {
    const figure = hit.cell && figureKey(sheet, hit.band, hit.cell)
    if (figure) {
      choose(figure)
    }
    return
  }
  if (opens(hit)) {
    double.met(place, event)
  }
  if (hit.band.role === 'COLUMN_HEADINGS' && hit.column) {
    turnOrder(hit.column, event.shiftKey)
  } else if (isTotal(sheet, hit)) {
    why.value = { place, total: hit.part }
  } else if (isGroup(sheet, hit)) {
    void offerGroup(place, event)
  } else if (hit.band.role === 'OTHER_ROWS') {
    void offerGroup(place, event, undefined, otherRows(sheet, hit))
  }
}

function onMenu(sheet: PageView, hit: Hit, event: MouseEvent) {
  if (hit.band.role === 'COLUMN_HEADINGS' && hit.column) {
    menuTarget.value = { kind: 'column', column: hit.column }
    readerMenu.value?.show(event)
  } else {
    const total = isTotal(sheet, hit) ? hit.part : undefined
    void offerGroup(sheet.nodes[hit.node]!.place, event, total, otherRows(sheet, hit))
  }
}

function openRows(place: number) {
  readerMenu.value?.hide()
  rowsPlace.value = place
}

const opens = (hit: Hit) => ['ROW', 'OTHER_ROWS', 'TOTALS', 'GRAND_TOTAL', 'HEADING'].includes(hit.band.role)
const double = useDoubleClick(openRows)

function onOpen(sheet: PageView, hit: Hit) {
  if (opens(hit) && !double.isAgain()) {
    openRows(sheet.nodes[hit.node]!.place)
  }
}

/** Id of the table whose rows a line of other rows stands for. */
function otherRows(sheet: PageView, hit: Hit): string | undefined {
  const name = hit.band.role === 'OTHER_ROWS' ? hit.band.cells[0] : undefined
  return name && name.id >= 0 ? sheet.ids[name.id] : undefined
}

async function offerGroup(place: number, event: MouseEvent, total?: string, rows?: string) {
  const path = await api.path(run.value!.id, place).catch(() => [])
  path.forEach((step) => levelNames.set(step.level, step.name))
  if (rows) {
    levelNames.set(rows, words.why.row)
  }
  menuTarget.value = { kind: 'group', path, place, total, otherRows: rows }
  await nextTick()
  readerMenu.value?.show(event)
}

const { target: menuTarget, items: menuItems } = useReaderMenu({
  order: (column, direction, adds) => {
    looked.orderBy(column, direction, adds)
    void runReport()
  },
  widen: (column, step) => {
    const box = page.value?.columns.find((c) => c.id === column)
    setWidth(column, Math.round((box?.width ?? 0) / 100) + step)
  },
  fit: (column) => setWidth(column, 'fit'),
  narrow: (path: PathStep[]) => {
    looked.narrow(path)
    void runReport()
  },
  showAll: (level) => {
    looked.showAll(level)
    void runReport()
  },
  fold: (level) => {
    looked.fold(level)
    void runReport()
  },
  isFolded: () => looked.view().downTo !== undefined,
  why: (place, total) => (why.value = { place, total }),
  rows: (place) => (rowsPlace.value = place),
})

function turnOrder(column: string, adds: boolean) {
  const isFigure = page.value?.cells.some(
    (value, i) => i % 8 === 6 && page.value!.ids[value] === column && page.value!.cells[i + 1] === 1,
  )
  looked.turnOrder(column, isFigure ? 'descending' : 'ascending', adds)
  void runReport()
}

function setWidth(column: string, points: number | 'fit') {
  looked.setWidth(column, points === 'fit' ? points : Math.min(1000, Math.max(10, points)))
  void runReport(number.value)
}

const uncounted = (place: number, total: string, rows: number[]) =>
  api.uncounted(run.value!.id, place, total, rows)

function columnLabel(term: string): string {
  const [id, direction] = term.split(':')
  const heading = document.querySelector(`[data-role=COLUMN_HEADINGS] [data-id="${id}"]`)
  return `${heading?.textContent ?? id} ${direction === 'descending' ? '▼' : '▲'}`
}

/** Runs the report over rows that are read anew. */
async function readAgain() {
  try {
    await api.readAgain(report.value!.dataset)
    await runReport(number.value)
  } catch (e) {
    failure.value = (e as Error).message
  }
}

function resetView() {
  looked.reset()
  void runReport()
}

const commands = runCommands({
  done,
  printed,
  inPages: () => shape.value === 'pages',
  find: () => find.value?.focus(),
  fitWidth,
  turnShape: () => (shape.value = shape.value === 'list' ? 'pages' : 'list'),
  page: (wanted) => (number.value = Math.min(Math.max(1, wanted), pages.value)),
  pageNow: () => number.value,
  pages: () => pages.value,
  run: () => void runReport(),
  canRun: () => isRight.value,
  whole: resetView,
  isWhole: () => looked.isPlain.value,
  download: (format) => void download(format),
  edit: () => void router.push({ name: 'bench', params: { id: props.id } }),
  canEdit: () => isAuthor.value,
  library: () => void router.push('/reports'),
  palette: () => (paletteOpen.value = true),
  help: () => (helpOpen.value = true),
})

function onKey(event: KeyboardEvent) {
  if (!onCellKey(event, shape.value === 'list' ? list.value?.scroller : desk.value)) {
    runByKeys(event, commands)
  }
}
</script>

<template>
  <div class="screen">
    <aside class="side" :aria-label="text.prompts">
      <RouterLink to="/reports" class="back"
        ><i class="pi pi-angle-left" aria-hidden="true" />{{ text.back }}</RouterLink
      >
      <h1>{{ report?.title ?? text.report }}</h1>
      <template v-if="report">
        <PromptForm
          v-model="asked"
          :report="report"
          :resolved="resolved"
          :problems="problems"
          :running="running"
          @run="runReport()"
          @cancel="cancel()"
        />
        <OwnView
          v-if="!looked.isPlain.value"
          :view="looked.view()"
          :label="columnLabel"
          :level="(id) => levelNames.get(id) ?? id"
          @widen-to-all="(group) => (looked.leave(group), runReport())"
          @whole="resetView"
        />
        <section v-if="run && printed" class="outline" :aria-label="text.groups">
          <h2>{{ text.groups }}</h2>
          <div class="scroll">
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
        <PageNavigation v-if="run && printed && shape === 'pages'" v-model="number" :pages="run.pages" />
        <SelectButton
          v-if="printed"
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
          v-if="run && printed"
          ref="find"
          :run="run.id"
          @go="(hit) => (shape === 'list' ? list?.goTo(hit.strip) : (number = hit.page))"
        />
        <ZoomTools v-if="page" :zoom="zoom" @by="zoomBy" @fit="fitWidth" />
        <Button
          icon="pi pi-bolt"
          :aria-label="words.bench.palette"
          :title="`${words.bench.palette} (Ctrl+.)`"
          text
          severity="secondary"
          @click="paletteOpen = true"
        />
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

      <RunState :run="run" :running="running" :failure="failure || runProblem" />

      <div class="views" :data-run="done ? shownRun : undefined">
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
            :uncounted="uncounted"
            :chosen="chosen"
            :explained="why"
            @pick="(hit, event) => onPick(page!, hit, event)"
            @open="(hit) => onOpen(page!, hit)"
            @menu="(hit, event) => onMenu(page!, hit, event)"
            @brace="(node, event) => offerGroup(page!.nodes[node]!.place, event)"
          >
            <template #default="{ bands, scale }">
              <ColumnEdges
                :page="page"
                :bands="bands"
                :scale="scale"
                :hint="() => text.column.width"
                @width="setWidth"
                @fit="(column) => setWidth(column, 'fit')"
              />
            </template>
          </PaperPage>
        </div>
        <ContinuousList
          v-else-if="run && printed"
          ref="list"
          :run="run.id"
          :zoom="zoom"
          :uncounted="uncounted"
          :chosen="chosen"
          :explained="why"
          @pick="onPick"
          @open="onOpen"
          @menu="onMenu"
          @brace="(sheet, node, event) => offerGroup(sheet.nodes[node]!.place, event)"
          @width="setWidth"
          @fit="(column) => setWidth(column, 'fit')"
        />
        <aside v-if="why && run" class="explanation" :aria-label="words.bench.inspector.whyHint">
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
        <ChosenFigures v-if="together" :together="together" @clear="chooseNone" />
        <span
          v-else
          class="funnel"
          :title="text.funnel(run.rowsRead, run.rowsKept, run.groups, run.pages).join(' · ')"
        >
          <span v-for="step in text.funnel(run.rowsRead, run.rowsKept, run.groups, run.pages)" :key="step">{{
            step
          }}</span>
          <span v-if="run.readAt">{{ words.data.readAt(run.readAt) }}</span>
          <Button
            v-if="isAuthor"
            :aria-label="words.data.readAgain"
            :title="words.data.readAgain"
            icon="pi pi-refresh"
            text
            size="small"
            class="again"
            @click="readAgain"
          />
        </span>
        <GrandTotals :totals="run.grandTotals" />
      </footer>
      <p :class="announcement ? 'told' : 'visually-hidden'" role="status">{{ announcement }}</p>
      <CommandMenu ref="readerMenu" :items="menuItems" />
      <Menu ref="fileMenu" :model="files" popup />
      <RowsDialog v-if="run && done" :run="run.id" :place="rowsPlace" @close="rowsPlace = undefined" />
      <CommandPalette v-model:visible="paletteOpen" :commands="commands" />
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
  overflow-y: auto;
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
.outline {
  margin-top: 1.25rem;
  padding-top: 0.75rem;
  border-top: 1px solid var(--line);
  display: flex;
  flex-direction: column;
  min-height: 10rem;
  flex: 1;
}
.scroll {
  overflow-y: auto;
  margin-right: -0.5rem;
  padding-right: 0.5rem;
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
  flex: 0 1000 auto;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
}
.again {
  padding-block: 0;
}
.told {
  margin: 0;
  padding: 0.3rem 1rem;
  background: var(--panel);
  border-top: 1px solid var(--line);
  color: var(--quiet);
}
.funnel span + span::before {
  content: ' · ';
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
