<script setup lang="ts">
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import { computed, ref } from 'vue'
import FieldChoice from './FieldChoice.vue'
import { api } from '@/api/client'
import RowsTable from '@/shell/RowsTable.vue'
import { useRowsAtATime } from '@/shell/useRowsAtATime'
import { saveFile } from '@/shell/saveFile'
import { words } from '@/words'

const props = defineProps<{
  run: string
  /** Address of the group whose rows are shown. */
  group?: string
  /** Or the filter whose dropped rows are. */
  dropped?: string
}>()
const emit = defineEmits<{ close: [] }>()

const AT_ONCE = 100
const visible = computed({
  get: () => props.group !== undefined || props.dropped !== undefined,
  set: (v) => !v && emit('close'),
})

/** Ids of the fields that were chosen; of none, the usual ones are shown. */
const fields = ref<string[]>()

const { rows, problem, hasEarlier, hasLater, earlier, later } = useRowsAtATime(
  AT_ONCE,
  () => (visible.value ? `${props.run} ${props.group ?? props.dropped} ${fields.value}` : undefined),
  (offset) =>
    props.dropped === undefined
      ? api.rowsBehind(props.run, props.group!, offset, fields.value)
      : api.droppedRows(props.run, props.dropped, offset, fields.value),
)

async function saveRows() {
  try {
    saveFile(
      await (props.dropped === undefined
        ? api.rowsFile(props.run, props.group!, fields.value)
        : api.droppedFile(props.run, props.dropped, fields.value)),
    )
  } catch (e) {
    problem.value = (e as Error).message
  }
}
</script>

<template>
  <Dialog
    v-model:visible="visible"
    modal
    maximizable
    :header="
      rows
        ? (dropped === undefined ? words.why.rowsOf : words.why.rowsDroppedBy)(
            rows.scope.join(' › '),
            rows.all,
            rows.noun,
          )
        : words.why.rows
    "
    :style="{ width: 'min(74rem, 94vw)' }"
    content-class="rows-behind"
    :pt="{ pcMaximizeButton: { root: { 'aria-label': words.why.maximize } } }"
  >
    <FieldChoice
      v-if="rows"
      :model-value="rows.ids"
      :offered="rows.offered"
      :chosen="fields !== undefined"
      @update:model-value="(ids) => (fields = ids)"
      @usual="fields = undefined"
    />
    <p v-if="problem" role="alert">{{ problem }}</p>
    <p v-if="rows?.changed" role="status">{{ words.why.changed }}</p>
    <RowsTable
      v-if="rows"
      class="scroll"
      :columns="rows.fields.map((label, i) => ({ label, numeric: rows!.numeric[i]! }))"
      :rows="rows.rows"
      :offset="rows.offset"
      :label="words.why.rows"
    />
    <template #footer>
      <span v-if="rows" class="range">{{ words.why.range(rows.offset, rows.rows.length, rows.all) }}</span>
      <Button
        :label="words.why.saveRows"
        icon="pi pi-download"
        text
        :disabled="!rows?.all"
        @click="saveRows"
      />
      <Button :label="words.why.earlier" text :disabled="!hasEarlier" @click="earlier" />
      <Button :label="words.why.later" text :disabled="!hasLater" @click="later" />
    </template>
  </Dialog>
</template>

<style scoped>
.scroll {
  max-height: 58vh;
}
.range {
  margin-right: auto;
  color: var(--quiet);
}
</style>
