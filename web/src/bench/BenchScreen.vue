<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, nextTick, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { addingCommands } from './addingCommands'
import BenchBar from './BenchBar.vue'
import BenchDialogs from './BenchDialogs.vue'
import BenchNotices from './BenchNotices.vue'
import BenchPage from './BenchPage.vue'
import { cured } from './edits/cure'
import { block } from './edits/report'
import GuideSentence from './GuideSentence.vue'
import InspectorPanel from './inspector/InspectorPanel.vue'
import { partAt, partName, type Part } from './parts'
import ProblemList from './ProblemList.vue'
import BenchSpine from './spine/BenchSpine.vue'
import { benchCommands } from './useBenchCommands'
import { useBenchEdits } from './useBenchEdits'
import { useBenchHands } from './useBenchHands'
import { useColumnClipboard } from './useColumnClipboard'
import { useEditing } from './useEditing'
import { useHistory } from './useHistory'
import { useInPlace } from './useInPlace'
import { usePreview } from './usePreview'
import { useSaving } from './useSaving'
import { api, type Answers, type DatasetView, type ProblemView } from '@/api/client'
import { useFolds } from '@/desk/useFolds'
import WorkDesk from '@/desk/WorkDesk.vue'
import RowsDialog from '@/explain/RowsDialog.vue'
import WhyPanel from '@/explain/WhyPanel.vue'
import GrandTotals from '@/paper/GrandTotals.vue'
import { useZoom } from '@/paper/useZoom'
import ZoomTools from '@/paper/ZoomTools.vue'
import ChosenFigures from '@/run/ChosenFigures.vue'
import PageNavigation from '@/run/PageNavigation.vue'
import { useChosenFigures } from '@/run/useChosenFigures'
import { runByKeys } from '@/shell/commands'
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
const paletteOpen = ref(false)
const helpOpen = ref(false)
const sheet = useTemplateRef('sheet')
const dialogs = useTemplateRef('dialogs')
const folds = useFolds('bench', { left: 256, right: 284 })
const { zoom, fitWidth, by: zoomBy } = useZoom(page, () => sheet.value?.desk?.clientWidth)

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
const hands = useBenchHands(report, page, zoom, selection, edits, inPlace, {
  choose,
  hasRun: () => run.value !== undefined,
  menu: (event) => dialogs.value?.showMenu(event),
})
const { why, rowsPlace, select } = hands
const saving = useSaving(props.id, report, editing, {
  begin: history.begin,
  show: () => show(report.value!, answers.value, number.value, foldedTo.value),
})
const { said, wrong } = saving
const pages = computed(() => run.value?.pages ?? 1)
const errors = computed(() => problems.value.filter((p) => p.severity === 'ERROR'))

onMounted(async () => {
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
watch(
  [depths, () => page.value?.width, () => folds.isOpen('left'), () => folds.isOpen('right'), folds.width],
  async () => {
    await nextTick()
    fitWidth()
  },
)
watch(run, () => {
  why.value = undefined
})

/** Shows nothing inside a level's groups while its report is edited; of none, everything again. */
function fold(level: string | undefined) {
  foldedTo.value = level
  void show(report.value!, answers.value, number.value, level)
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

async function discard() {
  await saving.takeTheirs()
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
  save: () => void saving.save(),
  saveCopy: () => (saving.copyOpen.value = true),
  discard: () => void discard(),
  openRun: () => void openRun(),
  palette: () => (paletteOpen.value = true),
  help: () => (helpOpen.value = true),
  edit: hands.editText,
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
  why: hands.explain,
  canExplain: () => ['total', 'level'].includes(selection.value.at(-1)?.kind ?? ''),
  fold: () => fold(selection.value.at(-1)!.id),
  unfold: () => fold(undefined),
  isFolded: () => foldedTo.value !== undefined,
  rows: hands.showRows,
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

useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (event.key === 'F10' && event.shiftKey && selection.value.length) {
    event.preventDefault()
    const box = sheet.value!.desk!.getBoundingClientRect()
    dialogs.value?.showMenu(new MouseEvent('contextmenu', { clientX: box.left + 80, clientY: box.top + 80 }))
    return
  }
  runByKeys(event, commands)
})
</script>

<template>
  <div class="bench">
    <BenchBar
      :report="report"
      :folds="folds"
      :keeping="keeping"
      :editable="editable"
      :saved="saving.isSaved.value"
      :undo-name="undoName"
      :redo-name="redoName"
      @undo="history.undo()"
      @redo="history.redo()"
      @palette="paletteOpen = true"
      @help="helpOpen = true"
      @run="openRun"
      @save="saving.save"
    />
    <WorkDesk v-if="report && dataset" :folds="folds" :left="words.desk.parts" :right="words.desk.selected">
      <template #left>
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
      </template>

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
        <BenchNotices
          :folded="foldedTo && partName(report, { kind: 'level', id: foldedTo })"
          :waiting="waiting"
          :rows-read="rowsRead"
          :failure="wrong || failure"
          :errors="errors"
          :has-page="page !== undefined"
          @unfold="fold(undefined)"
          @go="goToProblem"
        />
        <BenchPage
          ref="sheet"
          :report="report"
          :page="page"
          :zoom="zoom"
          :stale="stale || waiting"
          :took="took"
          :asked="asked"
          :preview="preview"
          :selection="selection"
          :chosen="chosen"
          :hands="hands"
          :edits="edits"
          :in-place="inPlace"
          @text="(name, change) => history.apply(name, change)"
        />
        <footer v-if="run" class="foot">
          <ChosenFigures v-if="together" :together="together" @clear="chooseNone" />
          <GrandTotals :totals="run.grandTotals" />
        </footer>
      </main>

      <template #right>
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
      </template>
    </WorkDesk>
    <div v-else-if="wrong" class="failure" role="alert">{{ wrong }}</div>

    <RowsDialog v-if="run" :run="run.id" :place="rowsPlace" @close="rowsPlace = undefined" />
    <BenchDialogs
      ref="dialogs"
      v-model:palette="paletteOpen"
      v-model:help="helpOpen"
      v-model:copy="saving.copyOpen.value"
      v-model:conflict="conflict"
      :title="report?.title ?? ''"
      :commands="commands"
      :adding="fieldCommands"
      :selection="selection"
      @copy="saving.saveCopy"
      @over="saving.saveOver"
      @theirs="saving.takeTheirs"
    />
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
.tools {
  display: flex;
  align-items: center;
  gap: 0.25rem;
  padding: 0.15rem 1rem;
  background: var(--panel);
  border-bottom: 1px solid var(--line);
}
.spring {
  flex: 1;
}
.stage {
  flex: 1;
  display: flex;
  flex-direction: column;
  min-height: 0;
  min-width: 0;
}
.failure {
  margin: 0.5rem 1rem 0;
  padding: 0.5rem 0.8rem;
  color: var(--danger);
  background: var(--danger-soft);
  border-left: 3px solid var(--danger);
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
</style>
