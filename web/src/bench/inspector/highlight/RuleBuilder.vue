<script setup lang="ts">
import Select from 'primevue/select'
import { computed, ref } from 'vue'
import InspectorField from '../InspectorField.vue'
import TextInput from '../TextInput.vue'
import { useAskEdit, useOffers } from '../../namedEdits'
import type { Highlight, Offers } from '@/api/client'
import OneOf from '@/shell/OneOf.vue'
import { words } from '@/words'

/** A rule of one comparison, put together from what is there; one that was typed and says more is described as typed. */
const props = defineProps<{ highlight: Highlight }>()

type Choice = Offers['rules'][number]['values'][number]
const text = words.bench.rule
/** Stands for a value that is typed. */
const TYPED = '='
const ask = useAskEdit()
const offers = useOffers()
const offer = computed(() => offers.value?.rules.find((one) => one.highlight === props.highlight.id))
const rule = computed(() => offer.value?.built)
const value = computed(() => offer.value?.values.find((one) => one.text === rule.value?.value))
const operators = Object.entries(text.operators).map(([value, label]) => ({ value, label }))
const comparesNothing = computed(() => rule.value?.than === undefined)
const labelled = (choices: Choice[] = []) =>
  choices.map((choice) => ({ text: choice.text, label: text.about[choice.about](choice.name ?? '') }))
const values = computed(() => labelled(offer.value?.values))
const sources = computed(() => [{ text: TYPED, label: text.value }, ...labelled(offer.value?.than)])
const isTyped = computed(() => rule.value?.typed !== undefined)
/** Text that is being typed is kept as it is, though a number of it is written otherwise. */
const typing = ref<string>()

/** What the rule says otherwise; what it does not say stays, as far as it fits. */
function set(what: { value?: string; operator?: string; than?: string; typed?: string }, key?: string) {
  const edit = { edit: 'set-rule' as const, highlight: props.highlight.id, value: rule.value?.value ?? '' }
  void ask(words.bench.edits.highlight, { ...edit, ...what }, key)
}

/** Of a value that is typed, what it begins with is the server's to say: a day is that of the data, wherever the browser stands. */
const compareWith = (than: string) => set(than === TYPED ? { typed: '' } : { than })

function type(typed?: string) {
  typing.value = typed ?? ''
  // An emptied box is about to be filled, unless it is for a text.
  if (typing.value || value.value?.type === 'TEXT') {
    set({ typed: typing.value }, `${props.highlight.id} typed`)
  }
}
</script>

<template>
  <InspectorField :label="text.markedBy" :hint="rule ? undefined : text.typedByHand">
    <Select
      :aria-label="text.markedBy"
      :model-value="rule?.value"
      :options="values"
      :placeholder="text.choose"
      option-label="label"
      option-value="text"
      filter
      size="small"
      fluid
      @update:model-value="(about: string) => set({ value: about })"
    />
  </InspectorField>
  <template v-if="rule && value">
    <InspectorField :label="text.how">
      <OneOf
        :aria-label="text.how"
        :model-value="rule.operator"
        :options="operators"
        fluid
        @update:model-value="(operator: string) => set({ operator })"
      />
    </InspectorField>
    <template v-if="!comparesNothing">
      <InspectorField :label="text.than">
        <Select
          :aria-label="text.than"
          :model-value="isTyped ? TYPED : rule.than"
          :options="sources"
          option-label="label"
          option-value="text"
          size="small"
          fluid
          @update:model-value="compareWith"
        />
      </InspectorField>
      <InspectorField v-if="isTyped" :label="text.typed">
        <TextInput
          :model-value="typing ?? rule.typed"
          :type="value.type === 'DATE' || value.type === 'TIMESTAMP' ? 'date' : 'text'"
          @update:model-value="type"
          @blur="typing = undefined"
        />
      </InspectorField>
    </template>
  </template>
</template>
