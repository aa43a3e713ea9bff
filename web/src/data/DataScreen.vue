<script setup lang="ts">
import Button from 'primevue/button'
import SelectButton from 'primevue/selectbutton'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import DatasetCalendar from './DatasetCalendar.vue'
import type { Details, Made } from './dictionary'
import FieldDictionary from './FieldDictionary.vue'
import FieldForm from './FieldForm.vue'
import FieldPanel from './FieldPanel.vue'
import FindValue from './FindValue.vue'
import JoinSentences from './JoinSentences.vue'
import ManyFields from './ManyFields.vue'
import SampleRows from './SampleRows.vue'
import { useDataset } from './useDataset'
import type { FoundPlace } from '@/api/client'
import { makeReport } from '@/library/makeReport'
import { mayLeave } from '@/shell/useUnsaved'
import { words } from '@/words'

const props = defineProps<{ id?: string }>()
const route = useRoute()
const router = useRouter()
const { datasets, dataset, profile, problem, readAt, reload, readAgain } = useDataset(() => props.id)

const text = words.data
const shapes = [
  { value: 'fields', label: text.fields },
  { value: 'rows', label: text.sampleRows },
]
const asked = (name: string) => (typeof route.query[name] === 'string' ? route.query[name] : undefined)
const shape = computed(() => (asked('show') === 'rows' ? 'rows' : 'fields'))
const field = computed(() => dataset.value?.fields.find((f) => f.id === asked('field')))
const only = computed(() => {
  const by = dataset.value?.fields.find((f) => f.id === asked('by'))
  return by && { field: by, value: asked('is') ?? '' }
})
const grain = computed(() => dataset.value?.tables.find((t) => t.id === profile.value?.tables[0]?.id))

/** What is looked at stands in the address; what is not said stays as it is. */
function look(change: Record<string, string | undefined>) {
  return router.replace({ query: { ...route.query, ...change } })
}

/** What is edited at the right, in place of its profile. */
interface Editing {
  made: Made
  id?: string
  label?: string
  /** What is filled in already. */
  start?: Partial<Details>
  /** The field whose values are given names; it is edited next. */
  naming?: Editing
}
const edited = ref<Editing>()
const editTitle = computed(() => {
  const { made, label } = edited.value!
  return label !== undefined || made === 'READ' ? text.edit.field(label ?? '') : text.edit.add[made]
})

/** Fields that are changed together. */
const ticked = ref<string[]>([])

async function add(made: 'CALCULATED' | 'MEASURE') {
  if (!(await mayLeave())) {
    return
  }
  edited.value = { made }
  void look({ show: 'fields', field: undefined })
}

async function onSaved(id?: string) {
  const named = id === undefined ? undefined : edited.value?.naming
  edited.value = undefined
  ticked.value = []
  // The address first: who goes elsewhere while fields are read is not called back.
  await look({ field: named?.id ?? id })
  await reload()
  if (named && !edited.value) {
    edited.value = { ...named, start: { lookup: id } }
  }
}

async function edit() {
  const { value } = field
  if (value && (await mayLeave())) {
    edited.value = { made: value.made, id: value.id, label: value.label }
  }
}

function nameValues(start: Partial<Details>) {
  edited.value = { made: 'CALCULATED', start, naming: edited.value }
}

// What was typed stays while other fields are looked at.
watch(
  () => props.id,
  () => {
    edited.value = undefined
    ticked.value = []
  },
)

async function make() {
  try {
    await router.push({ name: 'bench', params: { id: await makeReport(props.id!) } })
  } catch (e) {
    problem.value = (e as Error).message
  }
}

const showRows = (by: string, is: string) => look({ show: 'rows', by, is, field: undefined })
const showPlace = (place: FoundPlace) => showRows(place.by, place.key)
</script>

<template>
  <main class="data">
    <nav class="datasets" :aria-label="text.datasets">
      <h2>{{ text.datasets }}</h2>
      <RouterLink v-for="line in datasets" :key="line.id" :to="{ name: 'data', params: { id: line.id } }">
        {{ line.label }}
        <small v-if="line.grain">{{ words.library.makeHint(line.grain) }}</small>
        <small v-else class="problem">{{ text.unusable }}</small>
      </RouterLink>
      <Button
        :label="words.compose.make"
        icon="pi pi-plus"
        text
        size="small"
        @click="router.push({ name: 'compose' })"
      />
    </nav>
    <div class="middle">
      <p v-if="problem" role="alert" class="problem">{{ problem }}</p>
      <template v-if="dataset">
        <div class="head">
          <h1>{{ dataset.label }}</h1>
          <Button
            :label="words.compose.change"
            text
            @click="router.push({ name: 'compose', params: { id: dataset!.id } })"
          />
          <Button :label="text.report" icon="pi pi-plus" outlined @click="make" />
        </div>
        <p class="lead">
          <template v-if="profile && grain">{{
            text.grain(grain.one, text.rows(profile.tables[0]!.rows, grain.one, grain.noun))
          }}</template>
          <template v-else>{{ text.reading }} …</template>
          {{ dataset.description }}
          <template v-if="readAt">
            <span class="age">{{ text.readAt(readAt) }}</span>
            <Button :label="text.readAgain" icon="pi pi-refresh" text size="small" @click="readAgain" />
          </template>
        </p>
        <p v-if="profile?.missing.length" class="problem" role="alert">
          {{ text.missing(profile.missing.length) }}
        </p>
        <DatasetCalendar :key="dataset.id" :dataset="dataset.id" @saved="reload" />
        <JoinSentences :dataset="dataset" :profile="profile" />
        <div class="tools">
          <SelectButton
            :model-value="shape"
            :options="shapes"
            option-label="label"
            option-value="value"
            :allow-empty="false"
            size="small"
            :aria-label="text.show"
            @update:model-value="(show) => look({ show })"
          />
          <FindValue :dataset="dataset" @place="showPlace" />
        </div>
        <FieldDictionary
          v-if="shape === 'fields'"
          v-model:ticked="ticked"
          :dataset="dataset"
          :profile="profile"
          :chosen="field?.id"
          @add="add"
          @choose="(id) => look({ field: id })"
        />
        <SampleRows
          v-else
          :dataset="dataset"
          :only="only"
          @all="look({ by: undefined, is: undefined })"
          @field="(id) => look({ field: id })"
        />
      </template>
    </div>
    <aside v-if="dataset && (edited || field || shape === 'fields')" class="side">
      <ManyFields
        v-if="ticked.length > 1"
        :dataset="dataset.id"
        :ids="ticked"
        @saved="onSaved()"
        @close="ticked = []"
      />
      <FieldForm
        v-else-if="edited"
        :key="`${edited.made} ${edited.id}`"
        :dataset="dataset"
        :edited="{ dataset: dataset.id, made: edited.made, id: edited.id }"
        :title="editTitle"
        :start="edited.start"
        @saved="onSaved"
        @name-values="nameValues"
        @close="edited = undefined"
      />
      <FieldPanel
        v-else
        :dataset="dataset"
        :field="field"
        @edit="edit"
        @rows="(value) => field && showRows(field.id, value)"
        @close="look({ field: undefined })"
      />
    </aside>
  </main>
</template>

<style scoped>
.data {
  flex: 1;
  min-height: 0;
  display: flex;
}
.datasets {
  width: 210px;
  flex: none;
  padding: 0.9rem 0.75rem;
  background: var(--panel);
  border-right: 1px solid var(--line);
  overflow-y: auto;
  display: flex;
  flex-direction: column;
  gap: 0.25rem;
}
h2 {
  font-size: 1rem;
  margin: 0 0 0.3rem 0.5rem;
}
.datasets a {
  padding: 0.4rem 0.5rem;
  border-radius: 4px;
  color: inherit;
  text-decoration: none;
  overflow-wrap: anywhere;
}
.datasets a:hover {
  background: var(--bench);
}
.datasets a.router-link-active {
  background: var(--accent-soft);
  font-weight: 600;
}
.datasets small {
  display: block;
  color: var(--quiet);
  font-weight: 400;
}
.middle {
  flex: 1;
  min-width: 0;
  display: flex;
  flex-direction: column;
  padding: 0.9rem 1.1rem 0;
}
.head {
  display: flex;
  align-items: start;
  justify-content: space-between;
  gap: 1rem;
}
h1 {
  font-size: 1.4rem;
  margin: 0;
  overflow-wrap: anywhere;
}
h1 {
  flex: 1;
}
.head :deep(button) {
  flex: none;
}
.lead {
  margin: 0.2rem 0 0.5rem;
}
.tools {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 1rem;
  margin: 0.6rem 0;
  position: relative;
}
.side {
  width: 300px;
  flex: none;
  padding: 0.9rem;
  background: var(--panel);
  border-left: 1px solid var(--line);
  overflow-y: auto;
}
.age {
  color: var(--quiet);
}
.problem {
  color: var(--danger);
}
</style>
