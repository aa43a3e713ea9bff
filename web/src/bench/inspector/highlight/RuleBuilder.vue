<script setup lang="ts">
import Select from 'primevue/select'
import { computed, ref } from 'vue'
import InspectorField from '../InspectorField.vue'
import TextInput from '../TextInput.vue'
import {
  OPERATORS,
  aboutValue,
  builtRule,
  comparedWith,
  comparesNothing,
  isValue,
  literal,
  ruleText,
  ruleValues,
  typedValue,
  type BuiltRule,
  type Operator,
} from '../../edits/marks/builtRule'
import type { DatasetView, Highlight, Report } from '@/api/client'
import { useSession } from '@/session/useSession'
import OneOf from '@/shell/OneOf.vue'
import { words } from '@/words'

/** A rule of one comparison, put together from what is there; one that was typed and says more is told to be so. */
const props = defineProps<{ report: Report; dataset: DatasetView; highlight: Highlight }>()
const emit = defineEmits<{ change: [when: string] }>()

const session = useSession()
const text = words.bench.rule
/** Stands for a value that is typed. */
const TYPED = '='
const values = computed(() => ruleValues(props.report, props.dataset, props.highlight))
const rule = computed(() => builtRule(props.report, props.highlight, values.value))
const value = computed(() => values.value.find((one) => one.text === rule.value?.value))
const operators = OPERATORS.map((one) => ({ value: one, label: text.operators[one] }))
const others = computed(() =>
  value.value ? comparedWith(props.report, props.highlight, value.value, values.value) : [],
)
const sources = computed(() => [{ text: TYPED, label: text.value }, ...others.value])
const isTyped = computed(() => rule.value !== undefined && typedValue(rule.value.than) !== undefined)
/** Text that is being typed is kept as it is, though a number of it is written otherwise. */
const typing = ref<string>()

/** What a rule begins with where a value is to be typed; a day is that of the data, wherever the browser stands. */
const unwritten = () => literal('', value.value!.type, session.person?.businessDate)

const change = (next: Partial<BuiltRule>) => emit('change', ruleText({ ...rule.value!, ...next }))

function about(to: string) {
  emit(
    'change',
    ruleText(
      aboutValue(
        rule.value,
        value.value,
        values.value.find((one) => one.text === to)!,
      ),
    ),
  )
}

function compare(operator: Operator) {
  const than = rule.value!.than || unwritten()
  change({ operator, than: comparesNothing(operator) ? '' : than })
}

function type(typed?: string) {
  typing.value = typed ?? ''
  if (isValue(typing.value, value.value!.type)) {
    change({ than: literal(typing.value, value.value!.type) })
  }
}
</script>

<template>
  <InspectorField :label="text.about" :hint="rule ? undefined : text.typedByHand">
    <Select
      :aria-label="text.about"
      :model-value="rule?.value"
      :options="values"
      :placeholder="text.choose"
      option-label="label"
      option-value="text"
      filter
      size="small"
      fluid
      @update:model-value="about"
    />
  </InspectorField>
  <template v-if="rule && value">
    <InspectorField :label="text.how">
      <OneOf
        :aria-label="text.how"
        :model-value="rule.operator"
        :options="operators"
        fluid
        @update:model-value="compare"
      />
    </InspectorField>
    <template v-if="!comparesNothing(rule.operator)">
      <InspectorField :label="text.than">
        <Select
          :aria-label="text.than"
          :model-value="isTyped ? TYPED : rule.than"
          :options="sources"
          option-label="label"
          option-value="text"
          size="small"
          fluid
          @update:model-value="(than: string) => change({ than: than === TYPED ? unwritten() : than })"
        />
      </InspectorField>
      <InspectorField v-if="isTyped" :label="text.typed">
        <TextInput
          :model-value="typing ?? typedValue(rule.than)"
          :type="value.type === 'DATE' || value.type === 'TIMESTAMP' ? 'date' : 'text'"
          @update:model-value="type"
          @blur="typing = undefined"
        />
      </InspectorField>
    </template>
  </template>
</template>
