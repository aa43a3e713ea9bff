<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref, watch } from 'vue'
import { api, type DataRows, type DatasetView, type FieldView } from '@/api/client'
import { words } from '@/words'

/** Rows as the source has them, some at a time; all of them, or those with one value of a field. */
const props = defineProps<{ dataset: DatasetView; only?: { field: FieldView; value: string } }>()
const emit = defineEmits<{ all: []; field: [id: string] }>()

const AT_ONCE = 50
const text = words.data
const rows = ref<DataRows>()
const offset = ref(0)
const problem = ref('')
const only = computed(() => props.only && { field: props.only.field.id, value: props.only.value })
const isNumber = (field: FieldView) => field.type === 'INTEGER' || field.type === 'DECIMAL'
/** What has a value in each row, in the order in which rows give their values. */
const fields = computed(() => [
  ...props.dataset.fields.filter((field) => field.made === 'READ'),
  ...props.dataset.fields.filter((field) => field.made === 'CALCULATED'),
])
const key = () => `${props.dataset.id} ${only.value?.field} ${only.value?.value}`

watch(key, () => (offset.value = 0))
watch(
  [key, offset],
  async ([now, from]) => {
    try {
      const found = await api.datasetRows(props.dataset.id, from, only.value)
      if (now === key() && from === offset.value) {
        rows.value = found
        problem.value = ''
      }
    } catch (e) {
      problem.value = (e as Error).message
    }
  },
  { immediate: true },
)
</script>

<template>
  <div class="rows">
    <p v-if="only" class="only">
      {{ text.only(props.only!.field.label, only.value) }}
      <Button :label="text.all" text size="small" @click="emit('all')" />
    </p>
    <p v-if="problem" role="alert">{{ problem }}</p>
    <div class="scroll" tabindex="0" role="region" :aria-label="text.sampleRows">
      <table v-if="rows">
        <thead>
          <tr>
            <th v-for="field in fields" :key="field.id" scope="col" :class="{ number: isNumber(field) }">
              <button type="button" :title="text.profile.title(field.label)" @click="emit('field', field.id)">
                {{ field.label }}
              </button>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(row, i) in rows.rows" :key="rows.offset + i">
            <td v-for="(value, j) in row" :key="j" :class="{ number: isNumber(fields[j]!) }" :title="value">
              {{ value }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <footer>
      <span aria-live="polite">{{ rows && text.range(rows.offset, rows.rows.length, rows.all) }}</span>
      <Button
        :label="text.earlier"
        text
        size="small"
        :disabled="offset === 0"
        @click="offset = Math.max(0, offset - AT_ONCE)"
      />
      <Button
        :label="text.later"
        text
        size="small"
        :disabled="!rows || offset + AT_ONCE >= rows.all"
        @click="offset += AT_ONCE"
      />
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
  overflow: auto;
  background: var(--panel);
  border: 1px solid var(--line);
}
table {
  border-collapse: collapse;
  white-space: nowrap;
}
th {
  position: sticky;
  top: 0;
  background: var(--panel);
  padding: 0;
  text-align: left;
}
th button {
  border: 0;
  background: none;
  font: inherit;
  font-weight: 600;
  color: inherit;
  cursor: pointer;
  padding: 0.3rem 0.6rem;
}
td {
  padding: 0.2rem 0.6rem;
  max-width: 16rem;
  overflow: hidden;
  text-overflow: ellipsis;
}
th,
td {
  border-bottom: 1px solid var(--line);
}
.number {
  text-align: right;
  font-variant-numeric: tabular-nums;
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
