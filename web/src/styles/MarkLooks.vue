<script setup lang="ts">
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import InputText from 'primevue/inputtext'
import ColourField from './ColourField.vue'
import type { MarkLook, MarkStyle } from '@/api/client'
import { words } from '@/words'

/** The looks that highlights choose from: each with a sign of its own, so that it is told apart without colour. */
const props = defineProps<{ marks: MarkStyle[]; problem: (path: string) => string | undefined }>()
const emit = defineEmits<{ change: [marks: MarkLook[]] }>()
const text = words.styles

const look = (mark: MarkStyle): MarkLook => ({
  id: mark.id,
  name: mark.name,
  sign: mark.sign,
  ...(mark.word ? { word: mark.word } : {}),
  ...(mark.fill ? { fill: mark.fill } : {}),
  ...(mark.ink ? { ink: mark.ink } : {}),
  ...(mark.bold ? { bold: true } : {}),
})

function change(at: number, what: Partial<MarkStyle>) {
  emit(
    'change',
    props.marks.map((mark, i) => look(i === at ? { ...mark, ...what } : mark)),
  )
}

function add() {
  const taken = props.marks.map((mark) => mark.id)
  let n = props.marks.length + 1
  while (taken.includes(`look-${n}`)) {
    n++
  }
  const sign = [...text.signs].find((one) => props.marks.every((mark) => mark.sign !== one)) ?? '*'
  emit('change', [...props.marks.map(look), { id: `look-${n}`, name: text.newMark, sign }])
}

const remove = (at: number) => emit('change', props.marks.filter((_, i) => i !== at).map(look))
</script>

<template>
  <ul class="marks">
    <li v-for="(mark, i) in marks" :key="mark.id">
      <span
        class="sample"
        :style="{
          background: mark.fill || 'var(--paper)',
          color: mark.ink || 'var(--paper-ink)',
          fontWeight: mark.bold ? 600 : 400,
        }"
        >{{ mark.sign }} {{ mark.name }}</span
      >
      <div class="fields">
        <InputText
          :model-value="mark.name"
          :aria-label="`${text.mark.name}: ${mark.name}`"
          size="small"
          @change="(event: Event) => change(i, { name: (event.target as HTMLInputElement).value })"
        />
        <InputText
          :model-value="mark.sign"
          :aria-label="`${text.mark.sign}: ${mark.name}`"
          class="sign"
          size="small"
          @change="(event: Event) => change(i, { sign: (event.target as HTMLInputElement).value })"
        />
        <Button
          icon="pi pi-trash"
          text
          size="small"
          severity="secondary"
          :disabled="marks.length === 1"
          :aria-label="text.removeMark(mark.name)"
          @click="remove(i)"
        />
      </div>
      <div class="fields">
        <InputText
          :model-value="mark.word"
          :placeholder="text.mark.word"
          :aria-label="`${text.mark.word}: ${mark.name}`"
          maxlength="40"
          size="small"
          @change="(event: Event) => change(i, { word: (event.target as HTMLInputElement).value })"
        />
        <label
          ><Checkbox
            :model-value="!!mark.fill"
            binary
            @update:model-value="(on: boolean) => change(i, { fill: on ? '#fef3e2' : '' })"
          />{{ text.mark.fill }}</label
        >
        <ColourField
          v-if="mark.fill"
          :model-value="mark.fill"
          :label="`${text.mark.fill}: ${mark.name}`"
          @update:model-value="(fill) => change(i, { fill })"
        />
        <label
          ><Checkbox
            :model-value="!!mark.ink"
            binary
            @update:model-value="(on: boolean) => change(i, { ink: on ? '#161616' : '' })"
          />{{ text.mark.ink }}</label
        >
        <ColourField
          v-if="mark.ink"
          :model-value="mark.ink"
          :label="`${text.mark.ink}: ${mark.name}`"
          @update:model-value="(ink) => change(i, { ink })"
        />
        <label
          ><Checkbox
            :model-value="mark.bold"
            binary
            @update:model-value="(bold: boolean) => change(i, { bold })"
          />{{ text.mark.bold }}</label
        >
      </div>
      <small v-if="problem(`marks/${i}`)" class="problem" role="alert">{{ problem(`marks/${i}`) }}</small>
    </li>
  </ul>
  <Button :label="text.addMark" icon="pi pi-plus" text size="small" @click="add" />
</template>

<style scoped>
.marks {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.75rem;
}
.sample {
  display: block;
  padding: 0.15rem 0.4rem;
  border-radius: 3px;
}
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 0.6rem;
  align-items: center;
  margin-top: 0.25rem;
}
.sign {
  width: 3rem;
  text-align: center;
}
label {
  display: flex;
  gap: 0.3rem;
  align-items: center;
}
.problem {
  color: var(--danger);
}
</style>
