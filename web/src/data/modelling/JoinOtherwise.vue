<script setup lang="ts">
import Button from 'primevue/button'
import Select from 'primevue/select'
import { computed, onMounted, ref, watch } from 'vue'
import type { DatasetDefinition } from '../dictionary'
import JoinMatch from './JoinMatch.vue'
import { joinKey } from './measure'
import type { TableLine } from './useComposition'
import { api, type JoinBody, type JoinTrial, type SourceLine } from '@/api/client'
import { words } from '@/words'

/** A join said by hand: of any source's table, by any columns. It is measured before it is made. */
const props = defineProps<{ definition: DatasetDefinition; tables: TableLine[]; busy: boolean }>()
const emit = defineEmits<{ join: [plan: JoinBody] }>()

const text = words.compose
const own = computed(() => props.tables.filter((table) => !table.inherited))
const from = ref(own.value[0]?.id ?? '')
const sources = ref<SourceLine[]>([])
const source = ref('main')
const names = ref<string[]>([])
const table = ref<string>()
const fromColumns = ref<string[]>([])
const toColumns = ref<string[]>([])
const pairs = ref<{ column?: string; key?: string }[]>([{}])
const problem = ref('')
const trial = ref<JoinTrial>()
const tried = ref<JoinBody>()

const fromLine = computed(() => own.value.find((line) => line.id === from.value))
const plan = computed<JoinBody | undefined>(() =>
  table.value && pairs.value.every((pair) => pair.column && pair.key)
    ? {
        from: from.value,
        columns: pairs.value.map((pair) => pair.column!),
        source: source.value,
        table: table.value,
        key: pairs.value.map((pair) => pair.key!),
      }
    : undefined,
)

async function quietly(work: () => Promise<void>) {
  problem.value = ''
  try {
    await work()
  } catch (e) {
    problem.value = (e as Error).message
  }
}

const columnsOf = async (at: string, name: string) =>
  (await api.tableColumns(at, name)).filter((column) => column.type).map((column) => column.name)

onMounted(() => quietly(async () => void (sources.value = await api.sources())))
watch(
  source,
  (id) =>
    quietly(async () => {
      table.value = undefined
      names.value = await api.sourceTables(id)
    }),
  { immediate: true },
)
watch(
  fromLine,
  (line) =>
    quietly(async () => {
      pairs.value = [{}]
      fromColumns.value = line ? await columnsOf(line.source ?? 'main', line.table) : []
    }),
  { immediate: true },
)
watch(table, (name) =>
  quietly(async () => {
    pairs.value = pairs.value.map(({ column }) => ({ column }))
    toColumns.value = name ? await columnsOf(source.value, name) : []
  }),
)
watch(plan, () => {
  tried.value = undefined
  trial.value = undefined
})
</script>

<template>
  <form @submit.prevent="plan && trial && !trial.repeats ? emit('join', plan) : (tried = plan)">
    <div class="line">
      <label
        >{{ text.to
        }}<Select
          v-model="from"
          :options="own"
          option-value="id"
          :option-label="(t: TableLine) => t.noun.one"
          size="small"
          fluid
          :aria-label="text.to"
      /></label>
      <label
        >{{ text.source
        }}<Select
          v-model="source"
          :options="sources"
          option-value="id"
          option-label="label"
          size="small"
          fluid
          :aria-label="text.source"
      /></label>
      <label
        >{{ text.otherTable
        }}<Select v-model="table" :options="names" filter size="small" fluid :aria-label="text.otherTable"
      /></label>
    </div>
    <div v-for="(pair, i) in pairs" :key="i" class="line">
      <label
        >{{ text.pair(fromLine?.noun.one ?? '')
        }}<Select
          v-model="pair.column"
          :options="fromColumns"
          size="small"
          fluid
          :aria-label="text.pair(fromLine?.noun.one ?? '')"
      /></label>
      <label
        >{{ text.pairKey(table ?? text.thatTable)
        }}<Select
          v-model="pair.key"
          :options="toColumns"
          size="small"
          fluid
          :disabled="!table"
          :aria-label="text.pairKey(table ?? text.thatTable)"
      /></label>
      <Button
        v-if="i === pairs.length - 1"
        icon="pi pi-plus"
        text
        size="small"
        :aria-label="text.addPair"
        :title="text.addPair"
        :disabled="!pair.column || !pair.key || pairs.length === 8"
        @click="pairs = [...pairs, {}]"
      />
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <p v-if="tried" class="match" role="status">
      <JoinMatch
        :key="joinKey(tried)"
        :definition="definition"
        :join="tried"
        :from="fromLine?.noun.other ?? ''"
        :to="tried.table"
        @measured="(found) => (trial = found)"
      />
    </p>
    <Button
      type="submit"
      size="small"
      outlined
      :label="trial && !trial.repeats ? text.join : text.tryIt"
      :disabled="!plan || busy || !!trial?.repeats"
    />
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 0.6rem;
  justify-items: start;
}
.line {
  display: flex;
  gap: 0.6rem;
  align-items: end;
  width: 100%;
  max-width: 44rem;
}
label {
  flex: 1;
  min-width: 0;
  display: grid;
  gap: 0.2rem;
}
.match {
  margin: 0;
}
.problem {
  color: var(--danger);
  margin: 0;
}
</style>
