<script setup lang="ts">
import Button from 'primevue/button'
import { ref, watch } from 'vue'
import { api, ApiError, type SourceAnswer, type WhyFigure, type WhyOrder } from '@/api/client'
import { words } from '@/words'

const props = defineProps<{ run: string; group: string; figure?: string }>()
const emit = defineEmits<{ rows: [group: string]; close: [] }>()

const explained = ref<WhyFigure>()
const order = ref<WhyOrder>()
const problem = ref('')
const asked = ref<SourceAnswer>()
const asking = ref(false)

/** Has the source itself compute the figure. */
async function askSource() {
  const { run, figure } = props
  asking.value = true
  try {
    const answer = await api.figureAtSource(run, figure!)
    if (run === props.run && figure === props.figure) {
      asked.value = answer
    }
  } catch (e) {
    problem.value = (e as Error).message
  } finally {
    asking.value = false
  }
}

function noneIfMissing(e: unknown): undefined {
  if (!(e instanceof ApiError && e.status === 404)) {
    throw e
  }
}

watch(
  () => [props.run, props.group, props.figure] as const,
  async ([run, group, figure]) => {
    problem.value = ''
    asked.value = undefined
    try {
      const [why, stands] = await Promise.all([
        figure ? api.whyFigure(run, figure) : undefined,
        // A whole block stands in no order.
        api.whyOrder(run, group).catch(noneIfMissing),
      ])
      if (run === props.run && group === props.group) {
        explained.value = why
        order.value = stands
      }
    } catch (e) {
      problem.value = (e as Error).message
    }
  },
  { immediate: true },
)
</script>

<template>
  <section class="why" :aria-label="explained ? words.why.figure : words.why.order">
    <header>
      <h2>{{ explained ? words.why.figure : words.why.order }}</h2>
      <Button
        icon="pi pi-times"
        text
        severity="secondary"
        size="small"
        :aria-label="words.why.close"
        @click="emit('close')"
      />
    </header>
    <p v-if="problem" role="alert" class="problem">{{ problem }}</p>
    <template v-if="explained">
      <p class="figure">
        <span>{{ explained.label }}</span><strong>{{ explained.figure || words.why.blank }}</strong>
      </p>
      <dl>
        <dt>{{ words.why.formula }}</dt>
        <dd>
          {{ explained.formula }} <code>{{ explained.expression }}</code>
        </dd>
        <template v-if="explained.exact">
          <dt>{{ words.why.exact }}</dt>
          <dd class="number">{{ explained.exact }}</dd>
        </template>
        <dt>{{ words.why.scope }}</dt>
        <dd>{{ explained.scope.join(' › ') }}</dd>
        <template v-if="explained.conditions.length">
          <dt>{{ words.why.conditions }}</dt>
          <dd>
            <ul>
              <li v-for="condition in explained.conditions" :key="condition">{{ condition }}</li>
            </ul>
          </dd>
        </template>
        <dt>{{ words.why.counted }}</dt>
        <dd>{{ explained.counted || words.why.notCounted }}</dd>
      </dl>
      <p v-if="explained.recounted" class="recounted">{{ explained.recounted }}</p>
      <div v-if="asked" class="recounted" role="status">
        <template v-if="asked.asked">
          {{ words.why.sourceSays(asked.asked.source, asked.asked.figure, asked.asked.same) }}
          <details>
            <summary>{{ words.why.statement }}</summary>
            <code>{{ asked.asked.statement }}</code>
          </details>
        </template>
        <template v-else>{{ words.why.notAsked }}</template>
      </div>
      <Button
        v-else
        :label="words.why.askSource"
        icon="pi pi-database"
        text
        size="small"
        class="ask"
        :loading="asking"
        @click="askSource"
      />
      <ul v-if="explained.remarks.length" class="remarks">
        <li v-for="remark in explained.remarks" :key="remark">{{ remark }}</li>
      </ul>
    </template>
    <template v-if="order">
      <h3 v-if="explained">{{ words.why.order }}</h3>
      <p class="rule">{{ words.why.ordered(order.rule) }}</p>
      <table>
        <thead>
          <tr>
            <th scope="col">{{ words.why.group }}</th>
            <th v-for="term in order.terms" :key="term" scope="col" class="number">{{ term }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(sibling, i) in order.siblings" :key="sibling.group" :class="{ self: sibling.self }">
            <th scope="row">{{ order.before + i + 1 }}. {{ sibling.label }}</th>
            <td v-for="(value, j) in sibling.values" :key="j" class="number">{{ value }}</td>
          </tr>
        </tbody>
      </table>
      <p class="quiet">{{ words.why.of(order.all) }}</p>
    </template>
    <Button
      :label="words.why.rows"
      icon="pi pi-list"
      outlined
      size="small"
      :title="words.why.rowsHint"
      @click="emit('rows', group)"
    />
  </section>
</template>

<style scoped>
.recounted {
  margin: 0;
  color: var(--quiet);
}
.ask {
  justify-self: start;
}
summary {
  cursor: pointer;
}
.why {
  display: grid;
  gap: 0.6rem;
  align-content: start;
}
header {
  display: flex;
  align-items: center;
  justify-content: space-between;
}
h2 {
  font-size: 1rem;
  margin: 0;
}
h3 {
  font-size: 1rem;
  margin: 0.5rem 0 0;
  padding-top: 0.6rem;
  border-top: 1px solid var(--line);
}
.figure {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  margin: 0;
}
.figure strong {
  font-size: 1.35rem;
  font-variant-numeric: tabular-nums;
}
dl {
  margin: 0;
  display: grid;
  gap: 0.15rem;
}
dt {
  color: var(--quiet);
  margin-top: 0.3rem;
}
dd {
  margin: 0;
  overflow-wrap: anywhere;
}
dd ul,
.remarks {
  margin: 0;
  padding-left: 1.1rem;
}
code {
  display: block;
  color: var(--quiet);
  font-size: 0.92rem;
}
.remarks li {
  margin-bottom: 0.25rem;
}
.rule {
  margin: 0;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th,
td {
  text-align: left;
  font-weight: 400;
  padding: 0.15rem 0.25rem;
  border-bottom: 1px solid var(--line);
  overflow-wrap: anywhere;
}
thead th {
  color: var(--quiet);
}
.number {
  text-align: right;
  font-variant-numeric: tabular-nums;
}
.self > * {
  background: var(--accent-soft);
  font-weight: 600;
}
.quiet {
  color: var(--quiet);
  margin: 0;
}
.problem {
  color: var(--danger);
}
</style>
