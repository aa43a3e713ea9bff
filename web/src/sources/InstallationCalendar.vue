<script setup lang="ts">
import Button from 'primevue/button'
import Textarea from 'primevue/textarea'
import { ref } from 'vue'
import { api, type CalendarBody } from '@/api/client'
import CalendarChoice from '@/data/CalendarChoice.vue'
import { words } from '@/words'

/** The fiscal calendar of the installation, for administrators. */
const text = words.calendar
const calendar = ref<CalendarBody>()
const said = ref('')
const problem = ref('')
const holidays = ref('')
const saidOfHolidays = ref('')

async function load() {
  try {
    const [{ fiscalYearStart, yearName }, free] = await Promise.all([api.calendar(), api.holidays()])
    holidays.value = free.days.join('\n')
    calendar.value = { fiscalYearStart, yearName }
  } catch (e) {
    problem.value = (e as Error).message
  }
}

async function save() {
  problem.value = ''
  try {
    await api.setCalendar(calendar.value!)
    said.value = text.saved
  } catch (e) {
    problem.value = (e as Error).message
  }
}

async function saveHolidays() {
  problem.value = ''
  saidOfHolidays.value = ''
  try {
    await api.setHolidays(
      holidays.value
        .split('\n')
        .map((day) => day.trim())
        .filter(Boolean),
    )
    saidOfHolidays.value = text.saved
  } catch (e) {
    problem.value = (e as Error).message
  }
}

function onChange(changed: CalendarBody) {
  calendar.value = changed
  said.value = ''
}

void load()
</script>

<template>
  <section :aria-label="text.installation">
    <h2>{{ text.installation }}</h2>
    <p class="quiet">{{ text.lead }}</p>
    <template v-if="calendar">
      <CalendarChoice :model-value="calendar" @update:model-value="onChange" />
      <Button :label="text.save" outlined size="small" @click="save" />
      <span role="status" class="quiet">{{ said }}</span>
      <label class="holidays">
        <span>{{ text.holidays }}</span>
        <Textarea
          v-model="holidays"
          :placeholder="text.holidaysExample"
          rows="4"
          auto-resize
          @update:model-value="saidOfHolidays = ''"
        />
        <small>{{ text.holidaysLead }}</small>
      </label>
      <Button :label="text.saveHolidays" outlined size="small" @click="saveHolidays" />
      <span role="status" class="quiet">{{ saidOfHolidays }}</span>
    </template>
    <p v-if="problem" role="alert" class="problem">{{ problem }}</p>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 0.5rem;
  justify-items: start;
  max-width: 46rem;
  margin-top: 1.6rem;
  padding-top: 0.9rem;
  border-top: 1px solid var(--line);
}
h2 {
  font-size: 1.1rem;
  margin: 0;
}
p {
  margin: 0;
}
.holidays {
  display: grid;
  gap: 0.2rem;
}
small,
.quiet {
  color: var(--quiet);
}
.problem {
  color: var(--danger);
}
</style>
