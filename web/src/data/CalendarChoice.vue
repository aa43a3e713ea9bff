<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api, type CalendarBody, type CalendarView } from '@/api/client'
import InspectorField from '@/bench/inspector/InspectorField.vue'
import OneOf from '@/shell/OneOf.vue'
import { words } from '@/words'

/** A fiscal calendar to be chosen, with what it would call the present year. */
const calendar = defineModel<CalendarBody>({ required: true })
const text = words.calendar

const months = text.months.map((label, i) => ({ label, value: String(i + 1) }))
type Name = CalendarBody['yearName']
const names = Object.entries(text.names).map(([value, label]) => ({ value: value as Name, label }))
const sample = ref<CalendarView>()
const sampled = computed(() => sample.value && text.sample(sample.value.thisYear, sample.value.thisYearFrom))

watch(
  calendar,
  async (asked) => {
    const found = await api.calendarSample(asked).catch(() => undefined)
    if (asked === calendar.value) {
      sample.value = found
    }
  },
  { immediate: true },
)
</script>

<template>
  <div class="choice">
    <InspectorField v-slot="{ id }" :label="text.start">
      <OneOf
        :input-id="id"
        :aria-label="text.start"
        :model-value="String(calendar.fiscalYearStart)"
        :options="months"
        @update:model-value="(month: string) => (calendar = { ...calendar, fiscalYearStart: Number(month) })"
      />
    </InspectorField>
    <InspectorField v-slot="{ id }" :label="text.named">
      <OneOf
        :input-id="id"
        :aria-label="text.named"
        :model-value="calendar.yearName"
        :options="names"
        @update:model-value="(yearName: Name) => (calendar = { ...calendar, yearName })"
      />
    </InspectorField>
    <p class="sample" role="status">{{ sampled }}</p>
  </div>
</template>

<style scoped>
.choice {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem 1rem;
  align-items: end;
}
.sample {
  margin: 0 0 0.3rem;
  color: var(--quiet);
}
</style>
