<script setup lang="ts">
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import { computed, ref, watch } from 'vue'
import { api, type RowsBehind } from '@/api/client'
import { words } from '@/words'

const props = defineProps<{ run: string; place?: number }>()
const emit = defineEmits<{ close: [] }>()

const AT_ONCE = 100
const rows = ref<RowsBehind>()
const offset = ref(0)
const problem = ref('')
const visible = computed({ get: () => props.place !== undefined, set: (v) => !v && emit('close') })

watch(
  () => props.place,
  () => {
    offset.value = 0
    rows.value = undefined
  },
)
watch(
  [() => props.place, offset],
  async ([place, from]) => {
    if (place === undefined) {
      return
    }
    try {
      const found = await api.rowsBehind(props.run, place, from)
      if (place === props.place && from === offset.value) {
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
  <Dialog
    v-model:visible="visible"
    modal
    maximizable
    :header="rows ? words.why.rowsOf(rows.scope.join(' › '), rows.all, rows.noun) : words.why.rows"
    :style="{ width: 'min(74rem, 94vw)' }"
    content-class="rows-behind"
  >
    <p v-if="problem" role="alert">{{ problem }}</p>
    <div v-if="rows" class="scroll" tabindex="0" role="region" :aria-label="words.why.rows">
      <table>
        <thead>
          <tr>
            <th v-for="(field, i) in rows.fields" :key="i" scope="col" :class="{ number: rows.numeric[i] }">
              {{ field }}
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(row, i) in rows.rows" :key="rows.offset + i">
            <td v-for="(value, j) in row" :key="j" :class="{ number: rows.numeric[j] }">{{ value }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <template #footer>
      <span v-if="rows" class="range">{{ words.why.range(rows.offset, rows.rows.length, rows.all) }}</span>
      <Button
        :label="words.why.earlier"
        text
        :disabled="offset === 0"
        @click="offset = Math.max(0, offset - AT_ONCE)"
      />
      <Button
        :label="words.why.later"
        text
        :disabled="!rows || offset + AT_ONCE >= rows.all"
        @click="offset += AT_ONCE"
      />
    </template>
  </Dialog>
</template>

<style scoped>
.scroll {
  max-height: 58vh;
  overflow: auto;
}
table {
  border-collapse: collapse;
  white-space: nowrap;
}
th {
  position: sticky;
  top: 0;
  background: var(--panel);
  text-align: left;
}
th,
td {
  padding: 0.2rem 0.6rem;
  border-bottom: 1px solid var(--line);
}
.number {
  text-align: right;
  font-variant-numeric: tabular-nums;
}
.range {
  margin-right: auto;
  color: var(--quiet);
}
</style>
