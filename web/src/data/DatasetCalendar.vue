<script setup lang="ts">
import Button from 'primevue/button'
import ToggleSwitch from 'primevue/toggleswitch'
import { computed, ref } from 'vue'
import CalendarChoice from './CalendarChoice.vue'
import type { DatasetDefinition } from './dictionary'
import { api, type CalendarBody } from '@/api/client'
import { words } from '@/words'

/** A dataset's fiscal calendar: the installation's, or one of its own. */
const props = defineProps<{ dataset: string }>()
const emit = defineEmits<{ saved: [] }>()

const text = words.calendar
const installation = ref<CalendarBody>()
const saved = ref<CalendarBody>()
const own = ref<CalendarBody>()
const changing = ref(false)
const problem = ref('')
const used = computed(() => saved.value ?? installation.value)

/** As documents write it. */
const written = (calendar: CalendarBody): DatasetDefinition['calendar'] => ({
  fiscalYearStart: calendar.fiscalYearStart,
  yearName: calendar.yearName.toLowerCase() as 'both' | 'start' | 'end',
})
const read = (calendar: DatasetDefinition['calendar']): CalendarBody | undefined =>
  calendar && {
    fiscalYearStart: calendar.fiscalYearStart,
    yearName: (calendar.yearName ?? 'both').toUpperCase() as CalendarBody['yearName'],
  }

async function load() {
  try {
    const [everywhere, { definition }] = await Promise.all([
      api.calendar(),
      api.datasetEditing(props.dataset),
    ])
    installation.value = { fiscalYearStart: everywhere.fiscalYearStart, yearName: everywhere.yearName }
    saved.value = read(definition.calendar)
    own.value = saved.value
  } catch (e) {
    problem.value = (e as Error).message
  }
}

/** Into the newest state, so that what others changed meanwhile stays. */
async function save() {
  problem.value = ''
  try {
    const { definition, revision } = await api.datasetEditing(props.dataset)
    const next = { ...definition }
    if (own.value) {
      next.calendar = written(own.value)
    } else {
      delete next.calendar
    }
    await api.saveDataset(props.dataset, next, revision)
    saved.value = own.value
    changing.value = false
    emit('saved')
  } catch (e) {
    problem.value = (e as Error).message
  }
}

function leave() {
  own.value = saved.value
  changing.value = false
  problem.value = ''
}

void load()
</script>

<template>
  <div v-if="used" class="calendar">
    <p v-if="!changing">
      {{ text.starts(text.months[used.fiscalYearStart - 1]!, !!saved) }}
      <Button :label="text.change" text size="small" @click="changing = true" />
    </p>
    <form v-else :aria-label="text.title" @submit.prevent="save">
      <label class="switch">
        <ToggleSwitch
          :model-value="!!own"
          @update:model-value="(its: boolean) => (own = its ? { ...used! } : undefined)"
        />
        {{ text.own }}
      </label>
      <CalendarChoice v-if="own" v-model="own" />
      <div>
        <Button type="submit" :label="text.save" size="small" />
        <Button :label="text.cancel" text size="small" @click="leave" />
      </div>
    </form>
    <p v-if="problem" role="alert" class="problem">{{ problem }}</p>
  </div>
</template>

<style scoped>
.calendar p {
  margin: 0;
}
form {
  display: grid;
  gap: 0.5rem;
  padding: 0.5rem 0;
}
.switch {
  display: flex;
  gap: 0.5rem;
  align-items: center;
}
.problem {
  color: var(--danger);
}
</style>
