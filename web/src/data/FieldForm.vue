<script setup lang="ts">
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import Select from 'primevue/select'
import { computed, ref } from 'vue'
import type { Details } from './dictionary'
import EffectNotice from './EffectNotice.vue'
import ExpressionInput from '@/shell/ExpressionInput.vue'
import { useEntry, type Edited } from './useEntry'
import { MOST_NAMED, valueNames } from './valueNames'
import { api, type DatasetView } from '@/api/client'
import InspectorField from '@/bench/inspector/InspectorField.vue'
import TextInput from '@/bench/inspector/TextInput.vue'
import { vFocus } from '@/shell/focus'
import { useUnsaved } from '@/shell/useUnsaved'
import { words } from '@/words'

/** One entry of the dictionary, changed for all reports at once. */
const props = defineProps<{
  dataset: DatasetView
  edited: Edited
  title: string
  /** What is filled in already, besides what the entry has. */
  start?: Partial<Details>
}>()
const emit = defineEmits<{ saved: [id?: string]; close: []; nameValues: [names: Partial<Details>] }>()

const text = words.data.edit
const details = ref<Details>({
  label: '',
  role: props.edited.made === 'CALCULATED' ? 'additive' : undefined,
  ...props.start,
})
const { id, name, isChanged, uses, check, effect, problem, saving, save, remove } = useEntry(
  props.edited,
  details,
  props.start,
)
const removing = ref(false)
const isSaved = ref(false)
useUnsaved(() => isChanged.value && !isSaved.value)

/** A list that is open closes first, and what was typed stays. */
function onEscape(event: KeyboardEvent) {
  if (!event.defaultPrevented && !isChanged.value) {
    emit('close')
  }
}

const made = props.edited.made
const roles = Object.entries(text.roles).map(([value, label]) => ({ value, label }))
const directions = Object.entries(text.directions).map(([value, label]) => ({ value, label }))
const names = computed(() =>
  props.dataset.fields
    .filter((field) => field.id !== props.edited.id && (made === 'MEASURE' || field.made !== 'MEASURE'))
    .map((field) => ({
      id: field.offers.value.startsWith('"') ? field.offers.value : field.id,
      label: field.label,
    })),
)
const fault = computed(() => {
  const first = check.value?.problems[0]
  return first && [first.position, first.message].filter(Boolean).join(' ')
})
const result = computed(() => check.value?.result)
const field = computed(() => props.dataset.fields.find((f) => f.id === props.edited.id))
const callers = computed(() =>
  props.dataset.fields.filter((other) => field.value?.entry.names.includes(other.id)),
)
const isText = computed(
  () =>
    made !== 'MEASURE' &&
    (result.value?.type ?? (made === 'READ' ? field.value?.type : undefined)) === 'TEXT',
)

/** Something to put in order: the values there are. */
async function fillOrder() {
  const values = await api.values(props.dataset.id, props.edited.id!, '').catch(() => [])
  details.value.order = values.map((value) => value.value).filter(Boolean)
}

const isCode = computed(
  () => made === 'READ' && (field.value?.type === 'TEXT' || field.value?.type === 'INTEGER'),
)

/** The values there are, each to be given a name. */
async function nameValues() {
  try {
    const values = await api.values(props.dataset.id, props.edited.id!, '')
    if (values.length > MOST_NAMED) {
      problem.value = text.tooManyToName(MOST_NAMED)
    } else {
      emit('nameValues', valueNames(field.value!, values.map((value) => value.value).filter(Boolean)))
    }
  } catch (e) {
    problem.value = (e as Error).message
  }
}

const pointed = computed(
  () => effect.value && effect.value.broken.length + effect.value.datasets.length + effect.value.others > 0,
)

async function done(work: () => Promise<string | undefined>) {
  const saved = await work()
  if (saved) {
    isSaved.value = true
    emit('saved', removing.value ? undefined : saved)
  }
}

function submit() {
  if (!effect.value) {
    removing.value = false
  }
  void done(removing.value ? remove : save)
}

function startRemoving() {
  removing.value = true
  void done(remove)
}
</script>

<template>
  <form :aria-label="title" @submit.prevent="submit" @keydown.esc.stop="onEscape">
    <h2>{{ title }}</h2>
    <InspectorField
      :label="text.label"
      :hint="id && !edited.id ? `${words.data.profile.name}: ${id}` : undefined"
    >
      <TextInput v-model="details.label" v-focus />
    </InspectorField>
    <InspectorField v-if="edited.id" :label="words.data.profile.name" :hint="text.nameHint">
      <TextInput v-model="name" />
    </InspectorField>
    <InspectorField v-if="made !== 'READ'" :label="text.value" :hint="text.valueHint[made]" :problem="fault">
      <ExpressionInput
        :model-value="details.value ?? ''"
        :names="names"
        :invalid="!!fault"
        @update:model-value="(value) => (details.value = value)"
      />
    </InspectorField>
    <div v-if="result" class="result" role="status">
      <p class="quiet">
        {{ result.home ? text.perRow(result.type, result.home) : text.perGroup(result.type) }}
      </p>
      <p>
        {{ result.home ? text.samples : text.figure }}:
        <strong>{{ result.samples.join(', ') || '–' }}</strong>
        <template v-if="result.blank"> · {{ text.blank(result.blank) }}</template>
      </p>
      <p v-if="result.advice" class="advice">{{ result.advice }}</p>
    </div>
    <InspectorField v-if="made !== 'MEASURE'" v-slot="{ id: input }" :label="text.role">
      <Select
        v-model="details.role"
        :input-id="input"
        :aria-label="text.role"
        :options="roles"
        option-label="label"
        option-value="value"
        size="small"
        fluid
      />
    </InspectorField>
    <InspectorField
      v-if="made === 'READ'"
      v-slot="{ id: input }"
      :label="text.lookup"
      :hint="text.lookupHint"
    >
      <Select
        v-model="details.lookup"
        :input-id="input"
        :aria-label="text.lookup"
        :options="callers"
        option-label="label"
        option-value="id"
        show-clear
        filter
        :placeholder="text.itself"
        size="small"
        fluid
      />
    </InspectorField>
    <Button
      v-if="isCode && !details.lookup"
      :label="text.nameValues"
      text
      size="small"
      class="fill"
      @click="nameValues"
    />
    <template v-if="isText">
      <InspectorField :label="text.order" :hint="text.orderHint">
        <TextInput
          :model-value="details.order?.join('\n')"
          long
          @update:model-value="(lines) => (details.order = lines?.split('\n'))"
        />
      </InspectorField>
      <Button
        v-if="edited.id && !details.order?.length"
        :label="text.orderFrom"
        text
        size="small"
        class="fill"
        @click="fillOrder"
      />
    </template>
    <InspectorField :label="text.format" :hint="text.formatHint"
      ><TextInput v-model="details.format"
    /></InspectorField>
    <InspectorField v-if="made === 'MEASURE'" v-slot="{ id: input }" :label="text.direction">
      <Select
        v-model="details.direction"
        :input-id="input"
        :aria-label="text.direction"
        :options="directions"
        option-label="label"
        option-value="value"
        show-clear
        :placeholder="text.usualDirection"
        size="small"
        fluid
      />
    </InspectorField>
    <InspectorField :label="text.unit"><TextInput v-model="details.unit" /></InspectorField>
    <InspectorField :label="text.description"
      ><TextInput v-model="details.description" long
    /></InspectorField>
    <label v-if="made !== 'MEASURE'" class="tick">
      <Checkbox v-model="details.hidden" binary /> {{ text.hidden }}
    </label>
    <div v-if="uses" class="effect" role="alert">
      <p>{{ text.follows(uses.reports.length + uses.others + uses.datasets.length) }}</p>
      <ul>
        <li v-for="report in uses.reports" :key="report.id">{{ report.title }}</li>
        <li v-for="label in uses.datasets" :key="label">{{ label }}</li>
      </ul>
      <p v-if="uses.others">{{ text.othersFollow(uses.others) }}</p>
    </div>
    <h3 v-if="pointed && removing" class="question">{{ text.removeUsed(details.label) }}</h3>
    <EffectNotice v-if="pointed" :effect="effect!" />
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div class="actions">
      <Button
        v-if="edited.id && made !== 'READ' && !(pointed && removing)"
        :label="text.remove"
        text
        severity="secondary"
        size="small"
        :disabled="saving"
        @click="startRemoving"
      />
      <Button
        :label="pointed && removing ? text.keepIt : text.cancel"
        text
        severity="secondary"
        size="small"
        @click="emit('close')"
      />
      <Button
        type="submit"
        :label="
          pointed ? (removing ? text.removeAnyway : text.saveAnyway) : uses ? text.renameAll : text.save
        "
        size="small"
        :disabled="saving || (!!fault && !removing)"
      />
    </div>
  </form>
</template>

<style scoped>
form {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.7rem;
}
h2 {
  font-size: 1.15rem;
  margin: 0;
  overflow-wrap: anywhere;
}
.result {
  margin: 0;
  padding-left: 0.6rem;
  border-left: 2px solid var(--level-2);
  border-radius: 5px 0 0 5px;
}
.result p {
  margin: 0;
  overflow-wrap: anywhere;
}
.quiet,
small {
  color: var(--quiet);
}
.tick {
  display: flex;
  align-items: center;
  gap: 0.5rem;
}
.fill {
  justify-self: start;
}
.advice {
  font-weight: 600;
}
.question {
  font-size: 1rem;
  margin: 0;
}
.effect {
  background: var(--danger-soft);
  padding: 0.4rem 0.6rem;
  border-radius: 4px;
}
.effect p {
  margin: 0;
}
ul {
  margin: 0.2rem 0;
  padding-left: 1rem;
}
li small {
  display: block;
}
.problem {
  color: var(--danger);
  margin: 0;
}
.actions {
  display: flex;
  justify-content: end;
  gap: 0.25rem;
}
</style>
