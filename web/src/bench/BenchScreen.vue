<script setup lang="ts">
import BenchBar from './BenchBar.vue'
import BenchDialogs from './BenchDialogs.vue'
import BenchNotices from './BenchNotices.vue'
import BenchPage from './page/BenchPage.vue'
import GuideSentence from './GuideSentence.vue'
import InspectorPanel from './inspector/InspectorPanel.vue'
import ProblemList from './ProblemList.vue'
import BenchSpine from './spine/BenchSpine.vue'
import TotalsDrawer from './totals/TotalsDrawer.vue'
import WorkDesk from '@/desk/WorkDesk.vue'
import RowsDialog from '@/explain/RowsDialog.vue'
import WhyPanel from '@/explain/WhyPanel.vue'
import GrandTotals from '@/paper/GrandTotals.vue'
import ZoomTools from '@/paper/ZoomTools.vue'
import ChosenFigures from '@/run/ChosenFigures.vue'
import PageNavigation from '@/run/PageNavigation.vue'
import { words } from '@/words'
import { useBench } from './useBench'
import { block } from './edits/report'
import { isTable } from '@/api/documents'
import { partName } from './parts'

const props = defineProps<{ id: string }>()

const {
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
  droppedBy,
  rowsOf,
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
} = useBench(props.id)
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
    <WorkDesk
      v-if="report && dataset && main"
      :folds="folds"
      :left="words.desk.parts"
      :right="words.desk.selected"
    >
      <template #left>
        <BenchSpine
          :report="report"
          :whole="whole!"
          :dataset="dataset"
          :main="main"
          :preview="preview"
          :selection="selection"
          @select="select"
          @remove="edits.remove"
          @toggle="edits.toggle"
          @move="edits.move"
          @add-column="edits.addColumn"
          @add-level="edits.addLevel"
          @add-filter="edits.addFilter"
          @make-filter="edits.makeFilter"
          @add-prompt="edits.addPrompt"
          @make-prompt="edits.makePrompt"
          @add-highlight="edits.addHighlight"
          @rows="edits.setRows"
          @add-figure="edits.addFigure"
          @add-paragraph="edits.addParagraph"
          @add-block="ofBlocks.add"
          @paste-block="ofBlocks.paste"
          @remove-block="ofBlocks.remove"
          @toggle-block="ofBlocks.toggle"
          @move-block="ofBlocks.move"
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
          :main="main"
          @add-figure="edits.addFigure"
          @remove-figure="(figure) => edits.remove({ kind: 'figure', id: figure })"
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
          @text="apply"
          @place="ofBlocks.place"
          @share="ofBlocks.share"
        />
        <TotalsDrawer
          v-if="isTable(block(report))"
          :report="report"
          :dataset="dataset"
          :selected="selection.at(-1)?.kind === 'totals'"
          @apply="apply"
        >
          <footer v-if="run" class="foot">
            <ChosenFigures v-if="together" :together="together" @clear="chooseNone" />
            <GrandTotals :totals="run.grandTotals" :block="block(report).id" />
          </footer>
        </TotalsDrawer>
        <footer v-else-if="run" class="foot">
          <ChosenFigures v-if="together" :together="together" @clear="chooseNone" />
          <GrandTotals :totals="run.grandTotals" :block="block(report).id" />
        </footer>
      </main>

      <template #right>
        <InspectorPanel
          :report="report"
          :whole="whole!"
          :dataset="dataset"
          :main="main"
          :datasets="datasets"
          :selection="selection"
          :page="page"
          :preview="preview"
          :problems="problems"
          :seen="seen"
          @apply="apply"
          @whole="history.apply"
          @dropped="(filter) => (droppedBy = filter)"
          @remove="edits.removeSelected"
        >
          <WhyPanel
            v-if="why && run"
            :run="run.id"
            :group="why.group"
            :figure="why.figure"
            @rows="(group) => (rowsOf = group)"
            @close="why = undefined"
          />
        </InspectorPanel>
      </template>
    </WorkDesk>
    <div v-else-if="wrong" class="failure" role="alert">{{ wrong }}</div>

    <RowsDialog
      v-if="run"
      :run="run.id"
      :group="rowsOf"
      :dropped="droppedBy"
      @close="((rowsOf = undefined), (droppedBy = undefined))"
    />
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
  padding: 0.25rem 0.5rem;
  white-space: nowrap;
  overflow: hidden;
}
</style>
