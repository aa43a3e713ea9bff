<script setup lang="ts">
import Button from 'primevue/button'
import ToggleSwitch from 'primevue/toggleswitch'
import { computed, onMounted, ref } from 'vue'
import AppearsField from './AppearsField.vue'
import ExpressionField from './ExpressionField.vue'
import InspectorField from './InspectorField.vue'
import TextInput from './TextInput.vue'
import {
  beginsPage,
  isBeside,
  isKeptTogether,
  setBeside,
  setKeptTogether,
  setNewPage,
  setShare,
  shareOf,
} from '../edits/arrangement'
import { changeBlock } from '../edits/blocks'
import type { BlockChange } from '../edits/report'
import { useAskEdit } from '../namedEdits'
import { blockToClipboard } from '../page/blockClipboard'
import OneOf from '@/shell/OneOf.vue'
import InputNumber from 'primevue/inputnumber'
import { api, type Block, type DatasetLine, type Report } from '@/api/client'
import { isTable } from '@/api/documents'
import { words } from '@/words'

/** What holds for a block as a whole: what it is called and where it stands. */
const props = defineProps<{
  report: Report
  block: Block
  problem: (path: string) => string | undefined
}>()
const emit = defineEmits<{ apply: [name: string, change: (report: Report) => Report, key?: string] }>()

const text = words.bench.blocks
const ask = useAskEdit()
const id = computed(() => props.block.id)
const table = computed(() => (isTable(props.block) ? props.block : undefined))
const share = computed(() => shareOf(props.report, id.value))
const lines = ref<DatasetLine[]>([])
onMounted(async () => {
  lines.value = await api.datasets().catch(() => [])
})
const datasets = computed(() => lines.value.map((line) => ({ value: line.id, label: line.label })))

function change(what: BlockChange, key: string) {
  emit('apply', text.change, (report) => changeBlock(report, id.value, what), `${id.value} ${key}`)
}
</script>

<template>
  <InspectorField :label="text.title">
    <TextInput
      :model-value="block.title"
      @update:model-value="(title) => change({ title: title || undefined }, 'title')"
    />
  </InspectorField>
  <InspectorField :label="text.note" :hint="text.noteHint" :problem="problem('note')">
    <ExpressionField
      in-text
      :model-value="block.note"
      :invalid="!!problem('note')"
      @update:model-value="(note) => change({ note: note || undefined }, 'note')"
    />
  </InspectorField>
  <InspectorField v-if="table" :label="text.totalText" :problem="problem('totalText')">
    <ExpressionField
      in-text
      :model-value="table.totalText"
      :placeholder="text.totalTextUsual"
      :invalid="!!problem('totalText')"
      @update:model-value="(totalText) => change({ totalText: totalText || undefined }, 'totalText')"
    />
  </InspectorField>
  <InspectorField
    v-if="datasets.length > 1 || block.dataset"
    :label="text.dataset"
    :problem="problem('dataset')"
  >
    <OneOf
      :aria-label="text.dataset"
      :model-value="block.dataset ?? report.dataset"
      :options="datasets"
      fluid
      @update:model-value="
        (dataset: string) => change({ dataset: dataset === report.dataset ? undefined : dataset }, 'dataset')
      "
    />
  </InspectorField>
  <AppearsField
    :model-value="block.appears"
    :report="report"
    :problem="problem('appears')"
    @update:model-value="(appears) => change({ appears: appears || undefined }, 'appears')"
  />
  <InspectorField v-if="share !== undefined" :label="text.share">
    <InputNumber
      :aria-label="text.share"
      :model-value="share"
      :min="10"
      :max="90"
      :step="5"
      show-buttons
      size="small"
      fluid
      @update:model-value="
        (wanted) =>
          wanted && emit('apply', text.place, (report) => setShare(report, id, wanted), `${id} share`)
      "
    />
  </InspectorField>
  <label class="choice">
    <ToggleSwitch
      :model-value="isBeside(report, id)"
      @update:model-value="
        (beside: boolean) => emit('apply', text.place, (report) => setBeside(report, id, beside))
      "
    />
    {{ text.beside }}
  </label>
  <label class="choice">
    <ToggleSwitch
      :model-value="beginsPage(report, id)"
      @update:model-value="(on: boolean) => emit('apply', text.place, (report) => setNewPage(report, id, on))"
    />
    {{ text.newPage }}
  </label>
  <label class="choice">
    <ToggleSwitch
      :model-value="isKeptTogether(report, id)"
      @update:model-value="
        (on: boolean) => emit('apply', text.place, (report) => setKeptTogether(report, id, on))
      "
    />
    {{ text.together }}
  </label>
  <Button
    :label="text.copy"
    icon="pi pi-copy"
    text
    size="small"
    class="copy"
    @click="ask(text.copied, { edit: 'copy-block', block: id, title: text.copyOf(block.title) })"
  />
  <Button
    :label="text.toClipboard"
    icon="pi pi-clipboard"
    text
    size="small"
    class="copy"
    @click="blockToClipboard(block)"
  />
</template>

<style scoped>
.choice {
  display: flex;
  align-items: center;
  gap: 0.5rem;
}
.copy {
  justify-self: start;
}
</style>
