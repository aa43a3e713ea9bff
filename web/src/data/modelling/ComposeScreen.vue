<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import EffectNotice from '../EffectNotice.vue'
import JoinMatch from './JoinMatch.vue'
import JoinOtherwise from './JoinOtherwise.vue'
import { joinKey } from './measure'
import TableList from './TableList.vue'
import { useComposition } from './useComposition'
import { api, type JoinBody, type Suggestions } from '@/api/client'
import { useUnsaved } from '@/shell/useUnsaved'
import { words } from '@/words'

/** Tables become a dataset: one says what a row is, the others hang on it, each join a sentence with its measured match. */
const props = defineProps<{ id?: string }>()
const router = useRouter()
const text = words.compose

const composition = useComposition(props.id)
const { definition, tables, tableOf, grain, past, problem, busy, effect } = composition
const source = ref('main')
const found = ref<Suggestions>()
const unfit = ref(new Set<string>())
const otherwise = ref(false)
const keeps = Object.entries(text.keep).map(([value, label]) => ({ value, label }))

const joins = computed(() =>
  (definition.value?.joins ?? []).flatMap((join) => {
    const to = tableOf(join.to)
    const from = tableOf(join.from)
    const plan = to && {
      from: join.from,
      columns: join.columns,
      source: to.source,
      table: to.table,
      key: to.key,
    }
    return to && from && plan ? [{ ...join, to, from, plan }] : []
  }),
)
const inherited = computed(() => tables.value.filter((table) => table.inherited))

watch(
  [definition, source],
  async ([now, from]) => {
    if (!now) {
      found.value = undefined
      return
    }
    try {
      const suggested = await api.suggestJoins(now, from)
      if (now === definition.value && from === source.value) {
        found.value = suggested
      }
    } catch (e) {
      found.value = undefined
      problem.value = (e as Error).message
    }
  },
  { immediate: true },
)

if (props.id) {
  void composition.load()
}

async function join(plan: JoinBody) {
  if (await composition.join(plan)) {
    otherwise.value = false
  }
}

/** What a row is called; emptied, it stays what it was. */
function rename(part: 'one' | 'other', name: string) {
  if (grain.value && name.trim()) {
    composition.call(grain.value.id, { ...grain.value.noun, [part]: name.trim() })
  }
}

const isSaved = ref(false)
useUnsaved(() => !isSaved.value && (past.value.length > 0 || (!props.id && definition.value !== undefined)))

async function save() {
  const id = await composition.save()
  if (id) {
    isSaved.value = true
    await router.push({ name: 'data', params: { id } })
  }
}
</script>

<template>
  <main class="compose">
    <aside>
      <h2>{{ id ? text.joinFrom : definition ? text.startOver : text.from }}</h2>
      <p v-if="!id && !definition" class="quiet">{{ text.startHint }}</p>
      <TableList v-model:source="source" :busy="busy" :starts="!id" @start="composition.start" />
    </aside>
    <div class="middle">
      <form class="head" @submit.prevent="save">
        <h1>{{ id ? text.changeTitle(definition?.label ?? '') : text.title }}</h1>
        <template v-if="definition">
          <label v-if="!id" class="name"
            >{{ text.label }}
            <InputText
              :model-value="definition.label"
              size="small"
              :placeholder="text.labelHint"
              @update:model-value="(label) => composition.change({ label: label ?? '' })"
            />
          </label>
          <Button
            :label="text.undo"
            icon="pi pi-undo"
            text
            size="small"
            :disabled="!past.length || busy"
            @click="composition.undo"
          />
          <Button
            type="submit"
            size="small"
            :label="effect ? text.saveAnyway : id ? text.saveChange : text.save"
            :disabled="busy"
          />
        </template>
      </form>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <EffectNotice v-if="effect" :effect="effect" />
      <template v-if="definition && grain">
        <p class="grain">
          {{ text.grain(grain.noun.one) }}
          <small v-if="grain.inherited">{{ text.inherited(grain.inherited) }}</small>
          <small v-else>{{ grain.table }} · {{ text.fields(definition.fields.length) }}</small>
        </p>
        <div v-if="!grain.inherited" class="nouns">
          <label v-for="part in ['one', 'other'] as const" :key="part"
            >{{ text[part]
            }}<InputText
              size="small"
              :model-value="grain.noun[part]"
              @change="(e: Event) => rename(part, (e.target as HTMLInputElement).value)"
          /></label>
        </div>
        <ul v-if="joins.length || inherited.length > 1" class="joins" :aria-label="words.data.joins">
          <li v-for="table in inherited.filter((t) => t.id !== grain!.id)" :key="table.id">
            <p>
              {{ text.capital(table.noun.one) }} <small>{{ text.inherited(table.inherited!) }}</small>
            </p>
          </li>
          <li v-for="made in joins" :key="made.id">
            <p>
              {{ text.joined(made.from.noun.one, made.to.noun.one) }}.
              <JoinMatch
                :key="joinKey(made.plan)"
                :definition="definition"
                :join="made.plan"
                :from="made.from.noun.other"
                :to="made.to.noun.other"
              />
              <small>{{ text.by(made.columns, made.to.table, made.to.key) }}</small>
            </p>
            <Select
              :model-value="made.keep ?? 'all'"
              :options="keeps"
              option-value="value"
              option-label="label"
              size="small"
              :aria-label="text.keepLabel(made.to.noun.one)"
              @update:model-value="(kept) => composition.keep(made.id, kept)"
            />
            <Button
              icon="pi pi-times"
              text
              size="small"
              severity="secondary"
              :disabled="busy"
              :aria-label="text.takeOutOne(made.to.noun.one)"
              :title="text.takeOut"
              @click="composition.takeOut(made.to.id)"
            />
          </li>
        </ul>
        <h2>{{ text.more }}</h2>
        <ul class="joins suggested" :aria-label="text.more">
          <li v-for="suggested in found?.joins" :key="joinKey(suggested.join)">
            <p>
              {{ text.joined(tableOf(suggested.join.from)?.noun.one ?? '', suggested.noun.one) }}.
              <JoinMatch
                :definition="definition"
                :join="suggested.join"
                :from="tableOf(suggested.join.from)?.noun.other ?? ''"
                :to="suggested.noun.other"
                @measured="(trial) => trial.repeats && (unfit = new Set(unfit).add(joinKey(suggested.join)))"
              />
              <small
                >{{ text.by(suggested.join.columns, suggested.join.table, suggested.join.key) }} ·
                {{ suggested.reason === 'DECLARED' ? text.declared : text.called }}</small
              >
            </p>
            <Button
              :label="text.join"
              outlined
              size="small"
              :disabled="busy || unfit.has(joinKey(suggested.join))"
              :aria-label="text.joinOne(suggested.noun.one, tableOf(suggested.join.from)?.noun.one ?? '')"
              @click="join(suggested.join)"
            />
          </li>
        </ul>
        <p v-if="found && !found.joins.length" class="quiet">{{ text.nothingMore }}</p>
        <Button
          v-if="!otherwise && found?.joins.length"
          :label="text.otherwise"
          icon="pi pi-plus"
          text
          size="small"
          class="start"
          @click="otherwise = true"
        />
        <section v-if="otherwise || (found && !found.joins.length)" class="otherwise">
          <h3>{{ text.otherwise }}</h3>
          <JoinOtherwise :definition="definition" :tables="tables" :busy="busy" @join="join" />
        </section>
        <template v-if="found?.many.length">
          <h2>{{ text.many }}</h2>
          <ul class="many">
            <li v-for="many in found.many" :key="many.table + many.to">
              {{ text.manyOne(tableOf(many.to)?.noun.one ?? '', many.noun.other, many.noun.one) }}
            </li>
          </ul>
        </template>
      </template>
    </div>
  </main>
</template>

<style scoped>
.compose {
  flex: 1;
  min-height: 0;
  display: flex;
}
aside {
  width: 260px;
  flex: none;
  padding: 0.9rem;
  background: var(--panel);
  border-right: 1px solid var(--line);
  overflow-y: auto;
}
.middle {
  flex: 1;
  min-width: 0;
  overflow-y: auto;
  padding: 0.9rem 1.1rem 2rem;
  display: flex;
  flex-direction: column;
  gap: 0.5rem;
}
.head {
  display: flex;
  align-items: center;
  gap: 0.75rem;
}
h1 {
  font-size: 1.4rem;
  margin: 0;
  flex: 1;
  overflow-wrap: anywhere;
}
h2 {
  font-size: 1.05rem;
  margin: 0.6rem 0 0;
}
aside h2 {
  margin: 0;
}
h3 {
  font-size: 0.95rem;
  margin: 0 0 0.4rem;
}
.name {
  display: flex;
  align-items: center;
  gap: 0.4rem;
}
.name :deep(input) {
  width: 15rem;
}
.grain {
  font-size: 1.15rem;
  font-weight: 600;
  margin: 0.4rem 0 0;
}
small {
  color: var(--quiet);
  font-weight: 400;
  font-size: 0.85rem;
  overflow-wrap: anywhere;
}
.nouns {
  display: flex;
  gap: 0.8rem;
}
.nouns label {
  display: flex;
  align-items: center;
  gap: 0.4rem;
}
.joins {
  list-style: none;
  margin: 0;
  padding: 0 0 0 0.9rem;
  border-left: 2px solid var(--level-2);
  border-radius: 6px 0 0 6px;
}
.suggested {
  border-left: 2px dashed var(--line);
}
.joins li {
  display: flex;
  align-items: center;
  gap: 0.6rem;
  padding: 0.3rem 0;
}
.joins p {
  flex: 1;
  min-width: 0;
  margin: 0;
}
.joins p small {
  display: block;
}
.otherwise {
  background: var(--panel);
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 0.8rem;
}
.start {
  align-self: start;
}
.many {
  margin: 0;
  padding-left: 1.2rem;
}
.quiet {
  color: var(--quiet);
  margin: 0;
}
.problem {
  color: var(--danger);
  margin: 0;
  overflow-wrap: anywhere;
}
</style>
