<script setup lang="ts">
import Button from 'primevue/button'
import DatePicker from 'primevue/datepicker'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed, ref } from 'vue'
import { useDaysWithRows } from './useDaysWithRows'
import { isoDay, shownDay } from '@/shell/days'
import { words } from '@/words'
import type { PromptProps } from './promptProps'

/**
 * Asks for days: by a rolling name, by typing them in the report's language, or on a calendar. What is typed is read by the server, which
 * says what it understood.
 */
const props = defineProps<PromptProps>()
/** The answer as written: a rolling name, or days. */
const asked = defineModel<string>({ required: true })
const emit = defineEmits<{ run: [] }>()

const CUSTOM = 'custom'
const rolling = Object.keys(words.periods)
/** A rolling name that is none of the usual: what is written without a stroke or a day rolls. */
const unusual = computed(() => {
  const text = props.prompt.asked
  return text && !/[/\d]{3}/.test(text) && !rolling.includes(text) ? text : undefined
})
const options = computed(() => [
  ...(unusual.value ? [{ value: unusual.value, label: capitalised(unusual.value) }] : []),
  ...rolling.map((value) => ({ value, label: words.periods[value] })),
  { value: CUSTOM, label: words.run.custom },
])
/** What is being typed; none while nothing is. */
const typed = ref<string>()
const calendarOpen = ref(false)
const hasRows = useDaysWithRows(props)
const chosen = computed(() => {
  const text = asked.value === '' ? 'all' : asked.value
  return rolling.includes(text) || text === unusual.value ? text : CUSTOM
})
const isOpen = computed(() => (props.resolved?.resolved ?? '../..') === '../..')
const shownText = computed(
  () => typed.value ?? (props.problem ? asked.value : isOpen.value ? '' : (props.resolved?.words ?? '')),
)
/** The first day of a period that is being clicked together. */
const begun = ref<Date>()
const range = computed(() => {
  const [from, to] = begun.value
    ? [begun.value, null]
    : (props.resolved?.resolved ?? '').split('/').map(shownDay)
  return from ? [from, to ?? null] : to ? [to, null] : null
})

const capitalised = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)

function choose(value: string) {
  typed.value = undefined
  asked.value = value === CUSTOM ? (props.resolved?.resolved ?? '../..') : value
}

function type(text: string | undefined) {
  typed.value = text ?? ''
  asked.value = typed.value.trim() || 'all'
}

/** A day of the calendar is a button that may be pressed: the library calls it selected, which a cell's inside cannot be. */
const day = ({ context }: { context: { selected: boolean } }) => ({
  role: 'button',
  'aria-selected': null,
  'aria-pressed': context.selected,
})

/** The second day that is clicked closes the period. */
function pick(picked: unknown) {
  const [from, to] = picked as (Date | null)[]
  begun.value = from && !to ? from : undefined
  if (from && to) {
    typed.value = undefined
    asked.value = `${isoDay(from)}/${isoDay(to)}`
  }
}
</script>

<template>
  <fieldset>
    <legend>{{ prompt.label }}</legend>
    <Select
      :model-value="chosen"
      :options="options"
      option-label="label"
      option-value="value"
      :aria-label="`${prompt.label}: ${words.run.shortcuts}`"
      scroll-height="20rem"
      fluid
      @update:model-value="choose"
    />
    <div class="days">
      <label>
        <span>{{ words.run.days }}</span>
        <InputText
          :model-value="shownText"
          :placeholder="words.run.daysExample"
          :invalid="!!problem"
          autocomplete="off"
          fluid
          @focus="($event.target as HTMLInputElement).select()"
          @update:model-value="type"
          @blur="problem || (typed = undefined)"
        />
      </label>
      <Button
        icon="pi pi-calendar"
        :aria-label="`${prompt.label}: ${words.run.calendar}`"
        :title="words.run.calendar"
        :aria-expanded="calendarOpen"
        text
        severity="secondary"
        @click="calendarOpen = !calendarOpen"
      />
    </div>
    <Select
      v-if="calendarOpen && fiscal?.length"
      :model-value="fiscal.some((one) => one.days === resolved?.resolved) ? resolved?.resolved : undefined"
      :options="fiscal"
      option-label="label"
      option-value="days"
      :placeholder="words.run.fiscal"
      :aria-label="`${prompt.label}: ${words.run.fiscal}`"
      size="small"
      fluid
      class="fiscal"
      @update:model-value="choose"
    />
    <DatePicker
      v-if="calendarOpen"
      :model-value="range"
      selection-mode="range"
      inline
      class="calendar"
      :pt="{ day }"
      @update:model-value="pick"
    >
      <template #date="{ date }">
        <span :class="{ marked: hasRows(date) }" :title="hasRows(date) ? words.run.hasRows : undefined">{{
          date.day
        }}</span>
      </template>
    </DatePicker>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <p v-else class="resolved" aria-live="polite">{{ resolved?.words }}</p>
    <p v-if="resolved?.beyond" class="beyond" role="status">
      {{ words.run.completeUntil(resolved.beyond.until) }}
      <Button
        v-if="resolved.beyond.complete"
        :label="words.run.completeOnly"
        text
        size="small"
        @click="(choose(resolved.beyond.complete), emit('run'))"
      />
    </p>
    <p v-if="prompt.help" class="help">{{ prompt.help }}</p>
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  min-width: 0;
}
legend {
  font-weight: 600;
  padding: 0;
  margin-bottom: 0.35rem;
}
.days {
  display: flex;
  align-items: end;
  gap: 0.25rem;
  margin-top: 0.35rem;
}
label {
  flex: 1;
  min-width: 0;
  display: grid;
  gap: 0.1rem;
  color: var(--quiet);
}
.calendar {
  --p-datepicker-date-width: 1.8rem;
  --p-datepicker-date-height: 1.8rem;
  --p-datepicker-panel-padding: 0.35rem;
  --p-datepicker-date-padding: 0;
  width: 100%;
  margin-top: 0.35rem;
}
.fiscal {
  margin-top: 0.35rem;
}
.marked {
  border-bottom: 2px solid currentColor;
}
.resolved,
.problem,
.beyond,
.help {
  margin: 0.4rem 0 0;
}
.resolved {
  font-weight: 600;
}
.problem {
  color: var(--danger);
}
.help {
  color: var(--quiet);
}
</style>
