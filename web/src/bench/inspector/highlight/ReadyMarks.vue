<script setup lang="ts">
import Button from 'primevue/button'
import Menu from 'primevue/menu'
import { computed, useTemplateRef } from 'vue'
import { useAskEdit, useOffers } from '../../namedEdits'
import type { Figure, Offers, Prompt } from '@/api/client'
import { words } from '@/words'

/** Marks by what a column, a total or a key figure shows, in one step: the rule is one like any other afterwards. */
const props = defineProps<{
  label: string
  /** Id of the column, total or key figure. */
  part: string
  /** What it is called. */
  name: string
  prompts: Prompt[]
  /** What a key figure is compared with. */
  compare?: Figure['compare']
}>()

type Rule = Offers['ready'][number]['rules'][number]
const text = words.bench.ready
const ask = useAskEdit()
const offers = useOffers()
const menu = useTemplateRef('menu')

function labelOf({ rule, prompt, of }: Rule): string {
  const beside = prompt
    ? props.prompts.find((one) => one.name === prompt)?.label
    : (of ?? (props.compare && text.than[props.compare.with]))
  return text.rules[rule as keyof typeof text.rules](props.name, beside)
}

const items = computed(() =>
  (offers.value?.ready.find((one) => one.part === props.part)?.rules ?? []).map((offer) => {
    const label = labelOf(offer)
    const { prompt } = offer
    const rule = offer.rule as keyof typeof text.rules
    return {
      label,
      command: () =>
        void ask(words.bench.edits.addHighlight, {
          edit: 'add-ready-highlight',
          about: props.part,
          rule,
          label,
          prompt,
        }),
    }
  }),
)
</script>

<template>
  <div v-if="items.length">
    <Button
      :label="label"
      icon="pi pi-flag"
      aria-haspopup="menu"
      outlined
      size="small"
      @click="(event) => menu?.toggle(event)"
    />
    <Menu ref="menu" :model="items" popup />
  </div>
</template>
