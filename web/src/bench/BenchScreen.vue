<script setup lang="ts">
import Button from 'primevue/button'
import ProgressBar from 'primevue/progressbar'
import { computed, onMounted, onUnmounted, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import BenchOverlay from './BenchOverlay.vue'
import ConflictDialog from './ConflictDialog.vue'
import CopyDialog from './CopyDialog.vue'
import GuideSentence from './GuideSentence.vue'
import InPlaceText from './InPlaceText.vue'
import InspectorPanel from './inspector/InspectorPanel.vue'
import { partAt, partName, partOf, same, type Part } from './parts'
import ProblemList from './ProblemList.vue'
import BenchSpine from './spine/BenchSpine.vue'
import { addingCommands } from './addingCommands'
import { benchCommands } from './useBenchCommands'
import { useBenchEdits } from './useBenchEdits'
import { block } from './edits/report'
import { cured } from './edits/cure'
import { useColumnClipboard } from './useColumnClipboard'
import { useEditing } from './useEditing'
import { useHistory } from './useHistory'
import { useInPlace } from './useInPlace'
import { usePreview } from './usePreview'
import { api, type Answers, type DatasetView, type ProblemView } from '@/api/client'
import RowsDialog from '@/explain/RowsDialog.vue'
import WhyPanel from '@/explain/WhyPanel.vue'
import type { Hit } from '@/paper/hit'
import GrandTotals from '@/paper/GrandTotals.vue'
import PaperPage from '@/paper/PaperPage.vue'
import { figureKey } from '@/paper/figureKey'
import { useZoom } from '@/paper/useZoom'
import ZoomTools from '@/paper/ZoomTools.vue'
import ChosenFigures from '@/run/ChosenFigures.vue'
import PageNavigation from '@/run/PageNavigation.vue'
import { useChosenFigures } from '@/run/useChosenFigures'
import CommandMenu from '@/shell/CommandMenu.vue'
import { runByKeys } from '@/shell/commands'
import CommandPalette from '@/shell/CommandPalette.vue'
import HelpSheet from '@/shell/HelpSheet.vue'
import { words } from '@/words'

const props = defineProps<{ id: string }>()
const router = useRouter()
const text = words.bench

const history = useHistory()
const { report, undoName, redoName } = history
const { page, preview, problems, seen, failure, stale, waiting, rowsRead, took, asked, show, turn } =
  usePreview()
const editing = useEditing(props.id)
const { keeping, editable, conflict } = editing
const inPlace = useInPlace()

const dataset = shallowRef<DatasetView>()
const selection = ref<Part[]>([])
const answers = ref<Answers>({})
const number = ref(1)
const said = ref('')
const wrong = ref('')
const why = shallowRef<{ place: number; total?: string }>()
const rowsPlace = ref<number>()
const paletteOpen = ref(false)
const helpOpen = ref(false)
const copyOpen = ref(false)
const desk = useTemplateRef('desk')
const menu = useTemplateRef('menu')
const { zoom, fitWidth, by: zoomBy } = useZoom(page, () => desk.value?.clientWidth)

const edits = useBenchEdits(report, dataset, selection, history.apply)
const run = computed(() => preview.value?.run)
/** Id of the innermost level that is shown. */
const foldedTo = ref<string>()
const {
  chosen,
  together,
  toggle: choose,
  clear: chooseNone,
} = useChosenFigures(computed(() => run.value?.id))
const pages = computed(() => run.value?.pages ?? 1)
const isEmpty = computed(() => report.value?.blocks[0]!.columns.length === 0)
const errors = computed(() => problems.value.filter((p) => p.severity === 'ERROR'))

onMounted(async () => {
  window.addEventListener('keydown', onKey)
  try {
    const definition = await editing.load()
    dataset.value = await api.dataset(definition.dataset)
    history.begin(definition)
    document.title = `${definition.title} · Grammatus`
    await show(definition, answers.value, 1)
    fitWidth()
  } catch (e) {
    wrong.value = (e as Error).message
  }
})
onUnmounted(() => window.removeEventListener('keydown', onKey))

/** Every change is seen and kept; the first one is only what was loaded. */
watch(report, (now, before) => {
  if (now && before) {
    if (!block(now).levels.some((level) => level.id === foldedTo.value)) {
      foldedTo.value = undefined
    }
    void show(now, answers.value, number.value, foldedTo.value)
    editing.keep(now)
    selection.value = selection.value.filter((part) => partName(now, part) !== undefined)
    document.title = `${now.title} · Grammatus`
  }
})
watch(number, (wanted) => void turn(wanted))
watch(page, (now) => {
  if (now) {
    number.value = now.number
  }
})
/** How many depths of braces stand beside the page. */
const depths = computed(() => Math.max(1, ...(page.value?.nodes.map((node) => node.depth) ?? [])))
watch([depths, () => page.value?.width], () => fitWidth())
watch(run, () => {
  why.value = undefined
})

function select(part: Part, event?: MouseEvent | KeyboardEvent) {
  const adds = (event?.ctrlKey || event?.metaKey || event?.shiftKey) && part.kind === 'column'
  if (!adds) {
    selection.value = [part]
  } else if (event?.shiftKey && selection.value.at(-1)?.kind === 'column') {
    edits.selectTo(part.id)
  } else {
    const known = selection.value.some((p) => same(p, part))
    selection.value = known ? selection.value.filter((p) => !same(p, part)) : [...selection.value, part]
  }
  why.value = undefined
}

/** Shows nothing inside a level's groups while its report is edited; of none, everything again. */
function fold(level: string | undefined) {
  foldedTo.value = level
  void show(report.value!, answers.value, number.value, level)
}

function onPick(hit: Hit, event: MouseEvent) {
  if (!page.value || !report.value) {
    return
  }
  const figure = hit.cell && figureKey(page.value, hit.band, hit.cell)
  if (figure && (event.ctrlKey || event.metaKey)) {
    choose(figure)
    return
  }
  const part = partOf(hit, page.value, report.value)
  select(part, event)
  if (part.kind === 'total' && run.value) {
    why.value = { place: page.value.nodes[hit.node]!.place, total: part.id }
  } else if (part.kind === 'level') {
    why.value = { place: page.value.nodes[hit.node]!.place }
  }
}

function onOpen(hit: Hit) {
  if (!page.value || !report.value) {
    return
  }
  const part = partOf(hit, page.value, report.value)
  if (part.kind === 'total' || hit.band.role === 'ROW') {
    rowsPlace.value = page.value.nodes[hit.node]!.place
  } else {
    inPlace.begin(report.value, page.value, zoom.value, part, hit)
  }
}

function onMenu(hit: Hit, event: MouseEvent) {
  onPick(hit, event)
  menu.value?.show(event)
}

function onColumnMenu(column: string, event: MouseEvent) {
  if (!selection.value.some((part) => part.id === column)) {
    select({ kind: 'column', id: column })
  }
  menu.value?.show(event)
}

function editText() {
  const part = selection.value.at(-1)
  if (part && report.value && page.value) {
    inPlace.begin(report.value, page.value, zoom.value, part)
  }
}

function keepText(value: string) {
  const edit = inPlace.editing.value
  if (edit) {
    history.apply(edit.name, (r) => edit.change(r, value))
  }
}

function applyCure(problem: ProblemView) {
  const cure = problem.cure
  if (cure) {
    history.apply(cure.label.toLowerCase(), (definition) => cured(definition, cure.changes))
  }
}

function goToProblem(problem: ProblemView) {
  const part = seen.value && partAt(seen.value, problem.pointer)
  if (part) {
    select(part)
  }
}

/** The group a keyboard command explains: the one last clicked, else the first on the page with such a figure. */
function explain() {
  const part = selection.value.at(-1)
  const shown = page.value
  if (!shown || !part) {
    return
  }
  if (part.kind === 'total') {
    for (let i = 0; i < shown.cells.length; i += 8) {
      if (shown.ids[shown.cells[i + 6]!] === part.id) {
        why.value = { place: shown.nodes[shown.cells[i + 5]!]!.place, total: part.id }
        return
      }
    }
  } else if (part.kind === 'level') {
    const node = shown.nodes.find((n) => n.level === part.id)
    why.value = node && { place: node.place }
  }
}

const uncounted = (place: number, total: string, rows: number[]) =>
  api.uncounted(run.value!.id, place, total, rows)

/** Its button stays within the keyboard's reach, so that the place is not lost by saving. */
const isSaved = computed(() => keeping.value === 'saved' && editable.value)

async function save() {
  if (!report.value || isSaved.value) {
    return
  }
  if (!editable.value) {
    copyOpen.value = true
    return
  }
  try {
    if (await editing.save(report.value)) {
      said.value = text.saved(editing.base.value)
    }
    wrong.value = ''
  } catch (e) {
    wrong.value = (e as Error).message
  }
}

async function saveCopy(title: string) {
  try {
    const copy = await api.copy(props.id, title, { ...report.value!, title })
    await editing.discard().catch(() => {})
    copyOpen.value = false
    await router.push({ name: 'bench', params: { id: copy.id } })
  } catch (e) {
    wrong.value = (e as Error).message
    copyOpen.value = false
  }
}

async function takeTheirs() {
  history.begin(await editing.discard())
  await show(report.value!, answers.value, number.value, foldedTo.value)
}

async function saveOver() {
  await editing.saveOver(report.value!)
  said.value = text.saved(editing.base.value)
}

async function discard() {
  await takeTheirs()
  selection.value = []
}

async function openRun() {
  await editing.flush()
  await editing.ensure()
  await router.push({ name: 'run', params: { id: props.id } })
}

const clipboard = useColumnClipboard({
  copied: edits.copied,
  cut: edits.cutSelected,
  paste: edits.paste,
  nothing: () => (said.value = text.nothingCopied),
})

const commands = benchCommands({
  selection,
  undo: () => (said.value = text.undo(history.undo())),
  redo: () => (said.value = text.redo(history.redo())),
  canUndo: () => undoName.value !== undefined,
  canRedo: () => redoName.value !== undefined,
  save: () => void save(),
  saveCopy: () => (copyOpen.value = true),
  discard: () => void discard(),
  openRun: () => void openRun(),
  palette: () => (paletteOpen.value = true),
  help: () => (helpOpen.value = true),
  edit: editText,
  remove: edits.removeSelected,
  shift: edits.shiftSelected,
  widen: (step) => edits.widenSelected(step, page.value),
  fit: edits.fitSelected,
  order: edits.orderSelected,
  group: edits.groupSelected,
  copy: clipboard.copy,
  cut: clipboard.cut,
  paste: clipboard.paste,
  toggle: edits.toggleSelected,
  why: explain,
  canExplain: () => ['total', 'level'].includes(selection.value.at(-1)?.kind ?? ''),
  fold: () => fold(selection.value.at(-1)!.id),
  unfold: () => fold(undefined),
  isFolded: () => foldedTo.value !== undefined,
  rows: () => {
    explain()
    rowsPlace.value = why.value?.place
  },
  select: (step, extend) => edits.selectBeside(step, extend, page.value),
  clear: () => {
    selection.value = []
    why.value = undefined
  },
  page: (wanted) => (number.value = Math.min(Math.max(1, wanted), pages.value)),
  pageNow: () => number.value,
  pages: () => pages.value,
  fitWidth,
  grid: () => select({ kind: 'totals', id: '' }),
  pageSettings: () => select({ kind: 'page', id: '' }),
  rowsShown: edits.toggleRows,
})

/** What the palette adds to the report. */
const fieldCommands = computed(() => (dataset.value ? addingCommands(dataset.value, edits) : []))

const menuItems = computed(() => {
  // Read here, so that the menu follows the selection.
  void selection.value
  return commands
    .filter((c) => c.group === text.commands.selected && c.enabled() && c.id !== 'clear')
    .map((c) => ({ label: c.name, keys: c.keys[0], command: () => c.run() }))
})

function onKey(event: KeyboardEvent) {
  if (event.key === 'F10' && event.shiftKey && selection.value.length) {
    event.preventDefault()
    const box = desk.value!.getBoundingClientRect()
    menu.value?.show(new MouseEvent('contextmenu', { clientX: box.left + 80, clientY: box.top + 80 }))
    return
  }
  runByKeys(event, commands)
}
</script>

<template>
  <div class="bench">
    <section class="bar" :aria-label="text.bar">
      <RouterLink to="/reports" class="back"
        ><i class="pi pi-angle-left" aria-hidden="true" />{{ text.back }}</RouterLink
      >
      <h1 :title="report?.title">{{ report?.title ?? text.loading }}</h1>
      <span class="state" :class="keeping" role="status">{{
        editable || keeping !== 'saved' ? text.keeping[keeping] : text.notEditable
      }}</span>
      <span class="spring" />
      <Button
        icon="pi pi-undo"
        :title="`${text.undo(undoName)} (Ctrl+Z)`"
        :aria-label="text.undo(undoName)"
        :disabled="!undoName"
        text
        severity="secondary"
        @click="history.undo()"
      />
      <Button
        icon="pi pi-undo mirrored"
        :title="`${text.redo(redoName)} (Ctrl+Y)`"
        :aria-label="text.redo(redoName)"
        :disabled="!redoName"
        text
        severity="secondary"
        @click="history.redo()"
      />
      <Button
        icon="pi pi-bolt"
        :title="`${text.palette} (Ctrl+.)`"
        :aria-label="text.palette"
        text
        severity="secondary"
        @click="paletteOpen = true"
      />
      <Button
        icon="pi pi-question-circle"
        :title="`${text.help} (?)`"
        :aria-label="text.help"
        text
        severity="secondary"
        @click="helpOpen = true"
      />
      <Button :label="text.openRun" icon="pi pi-play" text severity="secondary" @click="openRun" />
      <Button
        :label="editable ? text.save : text.saveCopy"
        icon="pi pi-check"
        :aria-disabled="isSaved"
        :class="{ resting: isSaved }"
        :title="`${editable ? text.save : text.saveCopy} (Ctrl+S)`"
        @click="save"
      />
    </section>

    <div v-if="report && dataset" class="parts">
      <div class="side">
        <BenchSpine
          :report="report"
          :dataset="dataset"
          :preview="preview"
          :selection="selection"
          @select="select"
          @remove="edits.remove"
          @toggle="edits.toggle"
          @move="edits.move"
          @add-column="edits.addColumn"
          @add-level="edits.addLevel"
          @add-filter="edits.addFilter"
          @add-typed="edits.addTyped"
          @add-prompt="edits.addPrompt"
          @add-highlight="edits.addHighlight"
          @rows="edits.setRows"
        >
          <template #checks>
            <ProblemList :problems="problems" @go="goToProblem" @cure="applyCure" />
          </template>
        </BenchSpine>
      </div>

      <main class="stage">
        <GuideSentence
          :report="report"
          :dataset="dataset"
          @add-column="edits.addColumn"
          @remove-column="(column) => edits.remove({ kind: 'column', id: column })"
          @add-level="edits.addLevel"
          @remove-level="(level) => edits.remove({ kind: 'level', id: level })"
          @period="edits.setPeriod"
        />
        <div class="tools">
          <PageNavigation v-model="number" :pages="pages" />
          <span class="spring" />
          <ZoomTools :zoom="zoom" @by="zoomBy" @fit="fitWidth" />
        </div>
        <p v-if="foldedTo" class="folded">
          {{ words.why.foldedTo }} {{ partName(report, { kind: 'level', id: foldedTo }) }}
          <Button :label="words.why.unfold" text size="small" @click="fold(undefined)" />
        </p>
        <div v-if="waiting" class="waiting" role="status">
          <span>{{ text.waiting(rowsRead) }}</span>
          <ProgressBar mode="indeterminate" :aria-label="text.waiting(rowsRead)" />
        </div>
        <div v-if="wrong || failure" class="failure" role="alert">{{ wrong || failure }}</div>
        <div v-else-if="errors.length" class="failure" role="alert">
          <button v-for="p in errors" :key="p.pointer + p.message" type="button" @click="goToProblem(p)">
            {{ p.position ? `${p.position} ` : '' }}{{ p.message }}
          </button>
          <span v-if="page">{{ text.stale }}</span>
        </div>
        <div
          ref="desk"
          class="desk"
          :class="{ stale: stale || waiting }"
          tabindex="0"
          role="region"
          :aria-label="words.run.pages"
          :data-took="Math.round(took)"
          :data-asked="asked"
          :data-edit="preview?.edit"
          :data-run="run?.id"
        >
          <PaperPage
            v-if="page"
            :page="page"
            :zoom="zoom"
            :uncounted="uncounted"
            :chosen="chosen"
            :explained="why"
            @pick="onPick"
            @open="onOpen"
            @menu="onMenu"
            @brace="(node) => select({ kind: 'level', id: page!.nodes[node]!.level })"
          >
            <template #default="{ bands, scale }">
              <BenchOverlay
                :report="report"
                :page="page"
                :bands="bands"
                :scale="scale"
                :selection="selection"
                @pick="(column, event) => select({ kind: 'column', id: column }, event)"
                @edit="(column) => inPlace.begin(report!, page!, zoom, { kind: 'column', id: column })"
                @menu="onColumnMenu"
                @move="edits.moveColumnTo"
                @level="edits.levelFrom"
                @width="edits.setWidth"
                @fit="edits.fit"
                @order="(column) => edits.order(column)"
              />
              <InPlaceText
                v-if="inPlace.editing.value"
                :key="inPlace.editing.value.label + inPlace.editing.value.place.left"
                :text="inPlace.editing.value.text"
                :label="inPlace.editing.value.label"
                :place="inPlace.editing.value.place"
                @keep="keepText"
                @leave="(inPlace.end(), desk?.focus())"
              />
              <div v-if="isEmpty" class="empty">
                <strong>{{ text.empty }}</strong>
                <p>{{ text.emptyHint }}</p>
              </div>
            </template>
          </PaperPage>
        </div>
        <footer v-if="run" class="foot">
          <ChosenFigures v-if="together" :together="together" @clear="chooseNone" />
          <GrandTotals :totals="run.grandTotals" />
        </footer>
      </main>

      <div class="side right">
        <InspectorPanel
          :report="report"
          :dataset="dataset"
          :selection="selection"
          :page="page"
          :preview="preview"
          :problems="problems"
          :seen="seen"
          @apply="history.apply"
          @remove="edits.removeSelected"
        >
          <WhyPanel
            v-if="why && run"
            :run="run.id"
            :place="why.place"
            :total="why.total"
            @rows="(place) => (rowsPlace = place)"
            @close="why = undefined"
          />
        </InspectorPanel>
      </div>
    </div>
    <div v-else-if="wrong" class="failure" role="alert">{{ wrong }}</div>

    <RowsDialog v-if="run" :run="run.id" :place="rowsPlace" @close="rowsPlace = undefined" />
    <CommandPalette v-model:visible="paletteOpen" :commands="[...commands, ...fieldCommands]" />
    <HelpSheet v-model:visible="helpOpen" :commands="commands" :gestures="text.gestures.list" />
    <CopyDialog
      v-model:visible="copyOpen"
      :title="words.library.copyOf(report?.title ?? '')"
      @save="saveCopy"
    />
    <ConflictDialog
      :message="conflict?.message"
      @copy="((conflict = undefined), (copyOpen = true))"
      @over="saveOver"
      @theirs="takeTheirs"
      @cancel="conflict = undefined"
    />
    <CommandMenu ref="menu" :items="menuItems" />
    <p class="visually-hidden" aria-live="polite">{{ said }}</p>
  </div>
</template>

<style scoped>
.bench {
  flex: 1;
  min-height: 0;
  display: flex;
  flex-direction: column;
}
.bar,
.tools {
  display: flex;
  align-items: center;
  gap: 0.25rem;
  padding: 0.3rem 1rem;
  background: var(--panel);
  border-bottom: 1px solid var(--line);
}
.tools {
  padding: 0.15rem 1rem;
}
.back {
  display: inline-flex;
  align-items: center;
  text-decoration: none;
  white-space: nowrap;
  margin-right: 0.5rem;
}
h1 {
  font-size: 1.15rem;
  margin: 0;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.state {
  color: var(--quiet);
  white-space: nowrap;
  margin-left: 0.6rem;
}
.state.unreachable {
  color: var(--danger);
}
.spring {
  flex: 1;
}
.bar :deep(button) {
  flex: none;
  white-space: nowrap;
}
.bar :deep(.resting) {
  opacity: 0.5;
  cursor: default;
}
.bar :deep(.mirrored) {
  transform: scaleX(-1);
}
.parts {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 256px minmax(0, 1fr) 284px;
}
.side {
  background: var(--panel);
  border-right: 1px solid var(--line);
  min-height: 0;
  display: grid;
}
.side.right {
  border-right: 0;
  border-left: 1px solid var(--line);
}
.stage {
  display: flex;
  flex-direction: column;
  min-height: 0;
  min-width: 0;
}
.desk {
  flex: 1;
  min-height: 0;
  overflow: auto;
  padding: 1rem 0.75rem 2rem 0.25rem;
}
.desk.stale {
  opacity: 0.55;
}
.waiting {
  padding: 0.35rem 1rem;
  display: grid;
  gap: 0.25rem;
}
.failure {
  margin: 0.5rem 1rem 0;
  padding: 0.5rem 0.8rem;
  color: var(--danger);
  background: var(--danger-soft);
  border-left: 3px solid var(--danger);
}
.failure button {
  display: block;
  border: 0;
  background: none;
  font: inherit;
  color: inherit;
  text-align: left;
  cursor: pointer;
  text-decoration: underline;
  padding: 0;
  min-height: 24px;
}
.folded {
  margin: 0;
  padding: 0.15rem 1rem;
  background: var(--accent-soft);
}
.foot {
  display: flex;
  gap: 1rem;
  justify-content: space-between;
  padding: 0.4rem 1rem;
  background: var(--panel);
  border-top: 1px solid var(--line);
  white-space: nowrap;
  overflow: hidden;
}
.empty {
  position: absolute;
  left: 12%;
  right: 12%;
  top: 22%;
  text-align: center;
  color: #4c565e;
}
</style>
