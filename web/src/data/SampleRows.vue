<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { api, type DatasetView, type FieldView } from '@/api/client'
import RowsTable from '@/shell/RowsTable.vue'
import { useRowsAtATime } from '@/shell/useRowsAtATime'
import { words } from '@/words'

/** Rows as the source has them, some at a time; all of them, or those with one value of a field. */
const props = defineProps<{ dataset: DatasetView; only?: { field: FieldView; value: string } }>()
const emit = defineEmits<{ all: []; field: [id: string] }>()

const AT_ONCE = 50
const text = words.data
const only = computed(() => props.only && { field: props.only.field.id, value: props.only.value })
/** What has a value in each row, in the order in which rows give their values. */
const fields = computed(() => [
  ...props.dataset.fields.filter((field) => field.made === 'READ'),
  ...props.dataset.fields.filter((field) => field.made === 'CALCULATED'),
])
const columns = computed(() =>
  fields.value.map((field) => ({
    label: field.label,
    numeric: field.type === 'INTEGER' || field.type === 'DECIMAL',
    hint: text.profile.title(field.label),
  })),
)
const key = () => `${props.dataset.id} ${only.value?.field} ${only.value?.value}`

const { rows, problem, hasEarlier, hasLater, earlier, later } = useRowsAtATime(AT_ONCE, key, (offset) =>
  api.datasetRows(props.dataset.id, offset, only.value),
)
</script>

<template>
  <div class="rows">
    <p v-if="only" class="only">
      {{ text.only(props.only!.field.label, only.value) }}
      <Button :label="text.all" text size="small" @click="emit('all')" />
    </p>
    <p v-if="problem" role="alert">{{ problem }}</p>
    <RowsTable
      class="scroll"
      :columns="columns"
      :rows="rows?.rows ?? []"
      :offset="rows?.offset ?? 0"
      :label="text.sampleRows"
      @column="(i) => emit('field', fields[i]!.id)"
    />
    <footer>
      <span aria-live="polite">{{ rows && text.range(rows.offset, rows.rows.length, rows.all) }}</span>
      <Button :label="text.earlier" text size="small" :disabled="!hasEarlier" @click="earlier" />
      <Button :label="text.later" text size="small" :disabled="!hasLater" @click="later" />
    </footer>
  </div>
</template>

<style scoped>
.rows {
  flex: 1;
  min-height: 0;
  display: flex;
  flex-direction: column;
}
.only {
  margin: 0 0 0.4rem;
}
.scroll {
  flex: 1;
  min-height: 0;
  background: var(--panel);
  border: 1px solid var(--line);
}
footer {
  display: flex;
  align-items: center;
  justify-content: end;
  padding: 0.2rem 0;
}
footer span {
  margin-right: auto;
  color: var(--quiet);
}
</style>
