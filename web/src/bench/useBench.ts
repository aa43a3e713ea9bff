import * as arrangement from './edits/arrangement'
import * as blocks from './edits/blocks'
import { useEventListener } from '@vueuse/core'
import { computed, nextTick, provide, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { addingCommands } from './addingCommands'
import { makingCommands } from './makingCommands'
import { cured } from './edits/cure'
import { partAt, type Part } from './parts'
import { useBenchEdits } from './useBenchEdits'
import { useBenchGestures } from './page/useBenchGestures'
import { useEditing } from './saving/useEditing'
import { useHistory } from './saving/useHistory'
import { useInPlace } from './page/useInPlace'
import { onBenchCellKey } from './page/benchCellKeys'
import { usePreview } from './usePreview'
import { useSaving } from './saving/useSaving'
import { unmadeEdits, type UnmadeEdit } from './saving/unmadeEdits'
import { useScreenCommands } from './useScreenCommands'
import { useBlockDatasets } from './useBlockDatasets'
import { useShownReport } from './useShownReport'
import { block } from './edits/report'
import { ASK_EDIT, IN_REPORT, OFFERS, type AskEdit } from './namedEdits'
import { namesOf } from './edits/fieldNames'
import { blockFromClipboard } from './page/blockClipboard'
import type { DatasetView, ProblemView, Report } from '@/api/client'
import { useFolds } from '@/desk/useFolds'
import { useZoom } from '@/paper/useZoom'
import { useChosenFigures } from '@/run/useChosenFigures'
import { meansCommand, runByKeys } from '@/shell/commands'
import { words } from '@/words'

/** All that the bench of a report is about, for its screen. */
export function useBench(id: string) {
  const router = useRouter()

  const history = useHistory()
  const { report: whole, undoName, redoName } = history
  /** Id of the block that is worked on; the first unless one is chosen. */
  const worked = ref<string>()
  const report = computed(() => whole.value && blocks.focused(whole.value, worked.value))

  /** Changes the report by an edit of the block that is worked on. */
  function apply(name: string, change: (report: Report) => Report, key?: string) {
    history.apply(name, (r) => blocks.inOrderOf(change(blocks.focused(r, worked.value)), r), key)
  }
  const seeing = usePreview()
  const { page, preview, problems, seen, failure, stale, waiting, rowsRead, took, asked } = seeing
  const editing = useEditing(id)
  const { keeping, editable, conflict } = editing
  const inPlace = useInPlace()

  const main = shallowRef<DatasetView>()
  const { datasets, of } = useBlockDatasets(whole, main)
  /** The dataset of the block that is worked on. */
  const dataset = computed(() => report.value && of(block(report.value).dataset))
  const selection = ref<Part[]>([])
  const paletteOpen = ref(false)
  const helpOpen = ref(false)
  const sheet = useTemplateRef<{ desk: HTMLElement | null }>('sheet')
  const dialogs = useTemplateRef<{ showMenu: (event: Event) => void }>('dialogs')
  const folds = useFolds('bench', { left: 256, right: 284 })
  const { zoom, fitWidth, by: zoomBy } = useZoom(page, () => sheet.value?.desk?.clientWidth)

  const unmade = unmadeEdits(id)
  const ask: AskEdit = (name, edit, key) => make(unmade.keep({ name, edit, block: worked.value }), key)

  /** Ids of the edits that are being made. */
  const making = new Set<string>()

  async function make(one: UnmadeEdit, key?: string): Promise<boolean> {
    making.add(one.id)
    let isReached = true
    const change = (definition: Report) =>
      shown.edited(definition, one.edit, one.block).catch(() => {
        isReached = false
        return undefined
      })
    const made = await history.ask(one.name, change, key)
    making.delete(one.id)
    if (isReached) {
      unmade.drop(one)
    } else {
      saving.said.value = words.bench.unmade(one.name)
      // What is not kept on the server yet is sent until it is reached again.
      editing.keep(whole.value!)
    }
    return made
  }

  /** Asks again for what no answer came to. */
  const makeUnmade = () =>
    unmade
      .all()
      .filter((one) => !making.has(one.id))
      .forEach((one) => void make(one))
  watch(editing.keeping, (now) => {
    if (now === 'kept') {
      makeUnmade()
    }
  })
  provide(ASK_EDIT, ask)
  provide(OFFERS, seeing.offers)
  provide(IN_REPORT, (field) => (report.value ? namesOf(report.value, field) : []))
  const edits = useBenchEdits(report, main, selection, apply, ask)
  const run = computed(() => preview.value?.run)
  const {
    chosen,
    together,
    toggle: choose,
    clear: chooseNone,
  } = useChosenFigures(computed(() => run.value?.id))
  const hands = useBenchGestures(report, page, zoom, selection, edits, inPlace, {
    choose,
    hasRun: () => run.value !== undefined,
    menu: (event) => dialogs.value?.showMenu(event),
    work: (id) => (worked.value = id),
  })
  const { why, rowsOf, droppedBy, select } = hands
  const saving = useSaving(id, whole, editing, {
    begin: history.begin,
    settled: history.settled,
    show: () => shown.again(),
  })
  const { said, wrong } = saving
  const shown = useShownReport({
    history,
    preview: seeing,
    editing,
    dataset: main,
    selection,
    fitWidth,
    wrong,
    worked,
    begun: makeUnmade,
    focused: (r) => blocks.focused(r, worked.value),
  })
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

  const selectLast = () => select({ kind: 'block', id: whole.value!.blocks.at(-1)!.id })

  /** What is done to a block as a whole. */
  const ofBlocks = {
    add: async (kind: blocks.Addable) => {
      if (await ask(words.bench.blocks.add, { edit: 'add-block', kind })) {
        selectLast()
      }
    },
    paste: async () => {
      const found = await blockFromClipboard()
      if (found) {
        if (await ask(words.bench.blocks.pasted, { edit: 'paste-block', block: found })) {
          selectLast()
        }
      } else {
        said.value = words.bench.blocks.nothingCopied
      }
    },
    remove: (block: string) => void ask(words.bench.blocks.remove, { edit: 'remove-block', block }),
    toggle: (block: string) => history.apply(words.bench.blocks.toggle, (r) => blocks.toggleBlock(r, block)),
    place: (block: string, place: arrangement.BlockPlace) =>
      history.apply(words.bench.blocks.place, (r) => arrangement.placeBlock(r, block, place)),
    share: (block: string, percent: number) =>
      history.apply(
        words.bench.blocks.place,
        (r) => arrangement.setShare(r, block, percent),
        `${block} share`,
      ),
    move: (block: string, before: number) =>
      history.apply(words.bench.blocks.place, (r) => arrangement.moveBlock(r, block, before)),
  }

  async function discard() {
    await saving.takeTheirs()
    selection.value = []
  }

  async function openRun() {
    await history.settled()
    await editing.flush()
    await editing.ensure()
    await router.push({ name: 'run', params: { id: id } })
  }

  const commands = useScreenCommands({
    history,
    report,
    apply,
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
  const fieldCommands = computed(() =>
    dataset.value
      ? [...makingCommands(edits, (kind) => void ofBlocks.add(kind)), ...addingCommands(dataset.value, edits)]
      : [],
  )

  useEventListener(window, 'keydown', (event: KeyboardEvent) => {
    if (onBenchCellKey(event, sheet.value?.desk, commands)) {
      return
    }
    if (event.key === 'F10' && event.shiftKey && selection.value.length) {
      event.preventDefault()
      const box = sheet.value!.desk!.getBoundingClientRect()
      dialogs.value?.showMenu(
        new MouseEvent('contextmenu', { clientX: box.left + 80, clientY: box.top + 80 }),
      )
      return
    }
    // Keys that follow an edit at once act on what comes of it.
    if (history.isBusy.value && meansCommand(event, commands)) {
      event.preventDefault()
    }
    history.whenSettled(() => runByKeys(event, commands))
  })

  return {
    whole,
    apply,
    ofBlocks,
    report,
    undoName,
    redoName,
    page,
    preview,
    problems,
    seen,
    failure,
    stale,
    waiting,
    rowsRead,
    took,
    asked,
    keeping,
    editable,
    conflict,
    zoom,
    fitWidth,
    zoomBy,
    chosen,
    together,
    chooseNone,
    why,
    rowsOf,
    droppedBy,
    select,
    said,
    wrong,
    number,
    foldedTo,
    fold,
    applyCure,
    commands,
    dataset,
    main,
    datasets,
    edits,
    errors,
    fieldCommands,
    folds,
    goToProblem,
    hands,
    helpOpen,
    history,
    inPlace,
    openRun,
    pages,
    paletteOpen,
    run,
    saving,
    selection,
  }
}
