<script setup lang="ts">
import Button from 'primevue/button'
import InputNumber from 'primevue/inputnumber'
import ToggleSwitch from 'primevue/toggleswitch'
import { computed } from 'vue'
import { changed } from '../edits/report'
import { useAskEdit, useOffers } from '../namedEdits'
import { measureChoices, withChosen } from '../edits/measures'
import type { DatasetView, Level, Report } from '@/api/client'
import OneOf from '@/shell/OneOf.vue'
import { words } from '@/words'

/** The built conditions on a level's groups: a figure or a share of it beside a number, or beside what is answered. */
const props = defineProps<{
  report: Report
  dataset: DatasetView
  level: Level
  problem: (path: string) => string | undefined
}>()
const emit = defineEmits<{ change: [what: Partial<Level>, key: string] }>()

type GroupFilter = NonNullable<Level['conditions']>[number]
const text = words.bench.inspector.shownGroups
const ask = useAskEdit()
const offers = useOffers()
const NUMBER = 'a number'
const conditions = computed(() => props.level.conditions ?? [])
const measures = computed(() => measureChoices(offers.value))
const kinds = Object.entries(text.kinds).map(([value, label]) => ({ value, label }))
const comparisons = (['more', 'at-least', 'less', 'at-most'] as const).map((value) => ({
  value,
  label: words.bench.comparisons[value],
}))
/** A number, or the answer to a prompt that asks for one. */
const operands = computed(() => [
  { value: NUMBER, label: text.aNumber },
  ...props.report.prompts
    .filter((prompt) => prompt.type === 'whole-number' || prompt.type === 'decimal')
    .map((prompt) => ({ value: prompt.name, label: `“${prompt.label}”` })),
])

const isShare = (one: GroupFilter) => one.measure.startsWith('share')

function set(conditions: GroupFilter[], key: string) {
  emit('change', { conditions: conditions.length ? conditions : undefined }, key)
}

function change(one: GroupFilter, what: Partial<GroupFilter>) {
  set(changed(conditions.value, one.id, what), `conditions ${one.id}`)
}

function compareWith(one: GroupFilter, operand: string) {
  change(one, operand === NUMBER ? { value: '0', prompt: undefined } : { value: undefined, prompt: operand })
}

function add() {
  void ask(words.bench.edits.level(props.level.name), { edit: 'add-group-condition', level: props.level.id })
}

/** What is wrong with a condition, wherever in it. */
const wrong = (i: number) =>
  ['by', 'value', 'prompt']
    .map((part) => props.problem(`conditions/${i}/${part}`))
    .concat(props.problem(`conditions/${i}`))
    .find((found) => found)
</script>

<template>
  <div
    v-for="(one, i) in conditions"
    :key="one.id"
    class="condition"
    role="group"
    :aria-label="text.condition"
  >
    <OneOf
      :model-value="one.measure"
      :options="kinds"
      :aria-label="text.kind"
      @update:model-value="(measure: GroupFilter['measure']) => change(one, { measure })"
    />
    <OneOf
      :model-value="one.by"
      :options="withChosen(measures, one.by)"
      :aria-label="text.measure"
      @update:model-value="(by: string) => change(one, { by })"
    />
    <div class="line">
      <OneOf
        :model-value="one.comparison"
        :options="comparisons"
        :aria-label="text.comparison"
        @update:model-value="(comparison: GroupFilter['comparison']) => change(one, { comparison })"
      />
      <InputNumber
        v-if="one.prompt === undefined"
        :model-value="Number(one.value ?? 0)"
        :max-fraction-digits="6"
        :suffix="isShare(one) ? ' %' : undefined"
        locale="en-GB"
        size="small"
        fluid
        :aria-label="text.number"
        @update:model-value="(value: number | null) => change(one, { value: String(value ?? 0) })"
      />
    </div>
    <OneOf
      v-if="operands.length > 1"
      :model-value="one.prompt ?? NUMBER"
      :options="operands"
      :aria-label="text.comparedWith"
      @update:model-value="(operand: string) => compareWith(one, operand)"
    />
    <p v-if="wrong(i)" class="problem" role="alert">{{ wrong(i) }}</p>
    <div class="tools">
      <label>
        <ToggleSwitch
          :model-value="!one.off"
          @update:model-value="(on: boolean) => change(one, { off: on ? undefined : true })"
        />
        {{ text.applies }}
      </label>
      <Button
        icon="pi pi-trash"
        text
        size="small"
        :aria-label="text.remove"
        :title="text.remove"
        @click="
          set(
            conditions.filter((other) => other.id !== one.id),
            'conditions',
          )
        "
      />
    </div>
  </div>
  <Button :label="text.addCondition" icon="pi pi-plus" text size="small" @click="add" />
</template>

<style scoped>
.condition {
  display: grid;
  gap: 0.25rem;
  padding: 0.4rem 0 0.2rem 0.6rem;
  border-left: 2px solid var(--line);
}
.line {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 0.25rem;
}
.line > :only-child {
  grid-column: 1 / -1;
}
.tools {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
label {
  display: flex;
  gap: 0.5rem;
  align-items: center;
}
.problem {
  margin: 0;
  color: var(--danger);
}
</style>
