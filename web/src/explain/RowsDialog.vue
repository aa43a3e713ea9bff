<script setup lang="ts">
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import { computed, ref, watch } from 'vue'
import { api, type RowsBehind } from '@/api/client'
import RowsTable from '@/shell/RowsTable.vue'
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
}
.range {
  margin-right: auto;
  color: var(--quiet);
}
</style>
