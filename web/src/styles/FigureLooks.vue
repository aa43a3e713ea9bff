<script setup lang="ts">
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import ToggleSwitch from 'primevue/toggleswitch'
import { computed } from 'vue'
import { said } from './styleEdits'
import type { HouseStyle, WholeStyle } from '@/api/client'
import { words } from '@/words'

/** How figures and days are printed, where neither a report nor a block says it. */
defineProps<{ whole: WholeStyle; problem: (path: string) => string | undefined }>()
const style = defineModel<HouseStyle>({ required: true })
const text = words.styles
const figures = computed(() => style.value.look.figures)
const negatives = Object.entries(text.negatives).map(([value, label]) => ({ value, label }))
const patterns = Object.keys(text.dates)
const set = (next: HouseStyle) => (style.value = next)

/** Days with their time are printed as days are, the time behind. */
function setDate(written: string | undefined) {
  const date = written?.trim() || undefined
  set(said(said(style.value, 'figures', 'date', date), 'figures', 'time', date && `${date} HH:mm`))
}
</script>

<template>
  <div class="row">
    <span>{{ text.negative }}</span>
    <Select
      :model-value="figures?.negative ?? whole.figures.negative.toLowerCase()"
      :options="negatives"
      option-label="label"
      option-value="value"
      size="small"
      :aria-label="text.negative"
      @update:model-value="
        (negative: 'minus' | 'brackets' | 'red') => set(said(style, 'figures', 'negative', negative))
      "
    />
  </div>
  <div class="row">
    <span>{{ text.blank }}</span>
    <InputText
      :model-value="figures?.blank ?? whole.figures.blank"
      maxlength="10"
      size="small"
      class="short"
      :aria-label="text.blank"
      @change="
        (event: Event) => set(said(style, 'figures', 'blank', (event.target as HTMLInputElement).value))
      "
    />
  </div>
  <div class="row">
    <span>{{ text.date }}</span>
    <Select
      :model-value="figures?.date ?? ''"
      :options="patterns"
      :placeholder="text.dateGiven"
      :invalid="!!problem('figures/date')"
      editable
      show-clear
      size="small"
      class="days"
      :aria-label="text.date"
      @update:model-value="setDate"
    >
      <template #option="{ option }">{{ text.dates[option as keyof typeof text.dates] }}</template>
    </Select>
  </div>
  <small v-if="problem('figures/date')" class="problem" role="alert">{{ problem('figures/date') }}</small>
  <label class="row">
    <span>{{ text.grouping }}</span>
    <ToggleSwitch
      :model-value="figures?.grouping ?? true"
      @update:model-value="
        (grouping: boolean) => set(said(style, 'figures', 'grouping', grouping ? undefined : false))
      "
    />
  </label>
</template>

<style scoped>
.row {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 0.5rem;
  min-height: 2.3rem;
}
.row > span {
  flex: 1;
}
.short {
  width: 6rem;
}
.days {
  width: 10.5rem;
}
.problem {
  color: var(--danger);
}
</style>
