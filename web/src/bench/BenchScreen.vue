<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, nextTick, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { addingCommands } from './addingCommands'
import BenchBar from './BenchBar.vue'
import BenchDialogs from './BenchDialogs.vue'
import BenchNotices from './BenchNotices.vue'
import BenchPage from './hands/BenchPage.vue'
import { cured } from './edits/cure'
import GuideSentence from './GuideSentence.vue'
import InspectorPanel from './inspector/InspectorPanel.vue'
import { partAt, partName, type Part } from './parts'
import ProblemList from './ProblemList.vue'
import BenchSpine from './spine/BenchSpine.vue'
import { useBenchEdits } from './useBenchEdits'
import { useBenchHands } from './hands/useBenchHands'
import { useEditing } from './saving/useEditing'
import { useHistory } from './saving/useHistory'
import { useInPlace } from './hands/useInPlace'
import { usePreview } from './usePreview'
import { useSaving } from './saving/useSaving'
import { useScreenCommands } from './useScreenCommands'
import { useShownReport } from './useShownReport'
import type { DatasetView, ProblemView } from '@/api/client'
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

const history = useHistory()
const { report, undoName, redoName } = history
const seeing = usePreview()
const { page, preview, problems, seen, failure, stale, waiting, rowsRead, took, asked } = seeing
const editing = useEditing(props.id)
const { keeping, editable, conflict } = editing
const inPlace = useInPlace()

const dataset = shallowRef<DatasetView>()
const selection = ref<Part[]>([])
const paletteOpen = ref(false)
const helpOpen = ref(false)
const sheet = useTemplateRef('sheet')
const dialogs = useTemplateRef('dialogs')
const folds = useFolds('bench', { left: 256, right: 284 })
const { zoom, fitWidth, by: zoomBy } = useZoom(page, () => sheet.value?.desk?.clientWidth)

const edits = useBenchEdits(report, dataset, selection, history.apply)
const run = computed(() => preview.value?.run)
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
  show: () => shown.again(),
})
const { said, wrong } = saving
const shown = useShownReport({ history, preview: seeing, editing, dataset, selection, fitWidth, wrong })
const { number, foldedTo, fold } = shown
const pages = computed(() => run.value?.pages ?? 1)
const errors = computed(() => problems.value.filter((p) => p.severity === 'ERROR'))

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

const commands = useScreenCommands({
  history,
  saving,
  edits,
  hands,
  selection,
  page,
  number,
  pages,
  paletteOpen,
  helpOpen,
  foldedTo,
  fold,
  fitWidth,
  openRun: () => void openRun(),
  discard: () => void discard(),
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
