<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, nextTick, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { onBeforeRouteLeave, useRoute, useRouter } from 'vue-router'
import { runCommands } from './runCommands'
import RunFoot from './RunFoot.vue'
import RunPages from './RunPages.vue'
import RunPanel from './RunPanel.vue'
import RunState from './RunState.vue'
import RunTools from './RunTools.vue'
import { useNarrowing } from './narrow/useNarrowing'
import { promptsOfReport } from './prompts/promptSource'
import { useAnswers } from './prompts/useAnswers'
import { useChosenFigures } from './useChosenFigures'
import { useDownloads } from './useDownloads'
import { useReaderGestures } from './useReaderGestures'
import { useQuickRuns } from './useQuickRuns'
import { useMarks } from './useMarks'
import { useRowCount } from './useRowCount'
import { useRun } from './useRun'
import { shapeOf, type Shape } from './shape'
import { useShownPage } from './useShownPage'
import { useView } from './useView'
import { api, ApiError, type ReportView } from '@/api/client'
import { useFolds } from '@/desk/useFolds'
import WorkDesk from '@/desk/WorkDesk.vue'
import RowsDialog from '@/explain/RowsDialog.vue'
import { onCellKey } from '@/paper/cellKeys'
import { readable, useZoom } from '@/paper/useZoom'
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
const failure = ref('')
/** What is wrong with what it is narrowed to, by field. */
const misfits = ref<Record<string, string>>({})
const shape = ref<Shape>('pages')
const helpOpen = ref(false)
const paletteOpen = ref(false)
const pagesView = useTemplateRef('pagesView')
const tools = useTemplateRef('tools')
const readerMenu = useTemplateRef('readerMenu')
const folds = useFolds('run', { left: 272, right: 290 })
const source = promptsOfReport(props.id)
const { asked, resolved, problems, isRight, isSettled, load: loadAnswers } = useAnswers(source)
const { run, problem: runProblem, start, cancel, isOver } = useRun(props.id)
const looked = useView()

/** Whether the report waits for its first answers. */
const waits = ref(false)
const isQuick = useQuickRuns(
  { run, asked, isSettled },
  // Whoever is still answering keeps what is asked in sight.
  () => void runReport(1, true),
)

const rows = useRowCount(props.id, { asked, isSettled, view: () => looked.view() })

const fail = (message: string) => (failure.value = message)
/** Whether two pages are looked at side by side. */
const spread = ref(false)
const { page, beside, number, shownRun } = useShownPage(run, {
  spread,
  first: () => fitWidth(),
  turned: () => {
    pagesView.value?.toTop()
    void rememberInAddress()
  },
  fail,
})
const {
  zoom,
  fitWidth,
  fitPage: fitHeight,
  by: zoomBy,
} = useZoom(
  page,
  () => pagesView.value?.room(),
  readable(),
  () => (spread.value ? 2 : 1),
)
const fitPage = () => fitHeight(pagesView.value?.height())

/** Shows a page beside the next, or alone again. */
async function turnSpread() {
  spread.value = !spread.value
  shape.value = 'pages'
  await nextTick()
  fitWidth()
}
const { chosen, together, toggle: choose, clear: chooseNone } = useChosenFigures(shownRun)
const narrowing = useNarrowing(run, looked, {
  run: () => void runReport(1, true),
  reveal: () => folds.isOpen('left') || folds.toggle('left'),
})
const hands = useReaderGestures(run, page, looked, {
  choose,
  someOf: narrowing.commands,
  run: (openAt) => void runReport(openAt),
  pageNow: () => number.value,
  menu: () => readerMenu.value,
})
const { why, rowsOf, items: menuItems } = hands

const done = computed(() => run.value?.state === 'DONE')
/** A report wider than its paper has no pages, but its figures. */
const printed = computed(() => done.value && run.value!.pages > 0)
const running = computed(() => run.value !== undefined && !isOver(run.value))
const pages = computed(() => run.value?.pages ?? 1)
const isAuthor = computed(() => session.person?.role !== 'READER')
const { exporting, announcement, download, files } = useDownloads(run, printed, fail)

onMounted(async () => {
  try {
    report.value = await api.report(props.id)
    document.title = `${report.value.title} · Grammatus`
    loadAnswers(report.value.prompts, route.query)
    looked.load(route.query)
    const usual = folds.isNarrow.value ? 'list' : 'pages'
    shape.value = shapeOf(route.query.view) ?? usual
    const answered = report.value.prompts.some((prompt) => route.query[prompt.name] !== undefined)
    if (report.value.asksFirst && !answered) {
      waits.value = true
      if (!folds.isOpen('left')) {
        folds.toggle('left')
      }
      return
    }
    // Whoever opens what is asked while it begins keeps it open.
    await runReport(Math.max(1, Number.parseInt(String(route.query.page ?? '1'), 10) || 1), true)
  } catch (e) {
    fail((e as Error).message)
  }
})

async function runReport(openAt = 1, stays = false) {
  failure.value = ''
  misfits.value = {}
  waits.value = false
  number.value = openAt
  why.value = undefined
  if (!stays) {
    folds.uncover()
  }
  try {
    isQuick.started(asked.value)
    rows.started(asked.value)
    await start(asked.value, looked.view())
    await rememberInAddress()
  } catch (e) {
    fail((e as Error).message)
    if (e instanceof ApiError) {
      problems.value = e.below('/answers/')
      misfits.value = e.below('/view/narrow/')
    }
  }
}

watch(shape, () => void rememberInAddress())
watch(
  () => [why.value !== undefined, folds.isOpen('left'), folds.width.value.left],
  async () => {
    // What stands beside the page takes its room from it.
    await nextTick()
    fitWidth()
  },
)

/** Who has gone elsewhere while a run began is not called back to it. */
let left = false
onBeforeRouteLeave(() => {
  left = true
})

async function rememberInAddress() {
  if (left) {
    return
  }
  await router.replace({
    query: {
      ...asked.value,
      ...looked.query(),
      view: shape.value === 'pages' ? undefined : shape.value,
      page: number.value > 1 ? String(number.value) : undefined,
    },
  })
}

/** Goes to where something stands, in the form that is shown. */
function go(to: { strip: number; page: number }) {
  if (shape.value === 'list') {
    pagesView.value?.goTo(to.strip)
  } else {
    openPage(to.page)
  }
  folds.uncover()
}

/** Runs the report over rows that are read anew. */
async function readAgain() {
  try {
    const read = run.value?.reads.map((one) => one.id) ?? []
    await Promise.all((read.length ? read : [report.value!.dataset]).map(api.readAgain))
    await runReport(number.value)
  } catch (e) {
    fail((e as Error).message)
  }
}

function openPage(wanted: number) {
  shape.value = 'pages'
  number.value = wanted
}

function resetView() {
  looked.reset()
  void runReport()
}

const edit = () => router.push({ name: 'bench', params: { id: props.id } })

const marks = useMarks(
  computed(() => (printed.value ? shownRun.value : undefined)),
  { go, pageNow: () => number.value },
)

const commands = runCommands({
  done,
  printed,
  inPages: () => shape.value === 'pages',
  find: () => tools.value?.find(),
  fitWidth,
  mark: marks.step,
  hasMarks: () => marks.count.value > 0,
  turnShape: () => (shape.value = shape.value === 'list' ? 'pages' : 'list'),
  overview: () => (shape.value = shape.value === 'overview' ? 'pages' : 'overview'),
  fitPage,
  spread: () => void turnSpread(),
  page: (wanted) => (number.value = Math.min(Math.max(1, wanted), pages.value)),
  pageNow: () => number.value,
  pages: () => pages.value,
  run: () => void runReport(),
  canRun: () => isRight.value,
  whole: resetView,
  isWhole: () => looked.isPlain.value,
  download: (format) => void download(format),
  edit: () => void edit(),
  canEdit: () => isAuthor.value,
  library: () => void router.push('/reports'),
  palette: () => (paletteOpen.value = true),
  help: () => (helpOpen.value = true),
})

useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (!onCellKey(event, pagesView.value?.scroller())) {
    runByKeys(event, commands)
  }
})
</script>

<template>
  <WorkDesk :folds="folds" :left="text.prompts">
    <template #left>
      <RunPanel
        v-model:asked="asked"
        :report="report"
        :source="source"
        :run="run"
        :printed="printed"
        :running="running"
        :resolved="resolved"
        :count="rows.count.value"
        :problems="problems"
        :misfits="misfits"
        :shown-run="shownRun"
        :looked="looked"
        :narrowing="narrowing"
        :marks="marks"
        :level="(id) => hands.levelNames.get(id) ?? id"
        @run="runReport()"
        @cancel="cancel()"
        @whole="resetView"
        @look="runReport(1, true)"
        @go="go"
      />
    </template>
    <main class="stage">
      <h1 v-if="!folds.isOpen('left')" class="visually-hidden">{{ report?.title ?? text.report }}</h1>
      <RunTools
        ref="tools"
        v-model:number="number"
        v-model:shape="shape"
        :run="run"
        :folds="folds"
        :done="done"
        :printed="printed"
        :has-page="page !== undefined"
        :zoom="zoom"
        :is-author="isAuthor"
        :files="files"
        :exporting="exporting"
        @go="go"
        @zoom="zoomBy"
        @fit="fitWidth"
        @whole="fitPage"
        @palette="paletteOpen = true"
        @help="helpOpen = true"
        @edit="edit"
      />
      <RunState :run="run" :running="running" :waits="waits" :failure="failure || runProblem" />
      <RunPages
        ref="pagesView"
        :run="run"
        :shown-run="done ? shownRun : undefined"
        :shape="shape"
        :page="page"
        :beside="beside"
        :printed="printed"
        :running="running"
        :zoom="zoom"
        :chosen="chosen"
        :narrow="folds.isNarrow.value"
        :hands="hands"
        @open="openPage"
      />
      <RunFoot
        v-if="run && done"
        :run="run"
        :together="together"
        :is-author="isAuthor"
        @clear="chooseNone"
        @again="readAgain"
      />
      <p :class="announcement ? 'told' : 'visually-hidden'" role="status">{{ announcement }}</p>
      <CommandMenu ref="readerMenu" :items="menuItems" />
      <RowsDialog v-if="run && done" :run="run.id" :group="rowsOf" @close="rowsOf = undefined" />
      <CommandPalette v-model:visible="paletteOpen" :commands="commands" />
      <HelpSheet v-model:visible="helpOpen" :commands="commands" :gestures="text.gestures" />
    </main>
  </WorkDesk>
</template>

<style scoped>
.stage {
  flex: 1;
  display: flex;
  flex-direction: column;
  min-height: 0;
  min-width: 0;
}
.told {
  margin: 0;
  padding: 0.3rem 1rem;
  background: var(--panel);
  border-top: 1px solid var(--line);
  color: var(--quiet);
}
</style>
