<script setup lang="ts">
import InputNumber from 'primevue/inputnumber'
import SelectButton from 'primevue/selectbutton'
import Textarea from 'primevue/textarea'
import { computed } from 'vue'
import InspectorField from './InspectorField.vue'
import { changeParagraph } from '../edits/paragraphs'
import type { Paragraph, Report } from '@/api/client'
import { words } from '@/words'

/** What a paragraph says and how it stands. */
const props = defineProps<{
  paragraph: Paragraph
  problem: (path: string) => string | undefined
}>()
const emit = defineEmits<{ apply: [name: string, change: (report: Report) => Report, key?: string] }>()

const text = words.bench.paragraphs
const sides = computed(() => options(words.bench.inspector.aligns).filter(({ value }) => value !== 'auto'))
const options = (choices: Record<string, string>) =>
  Object.entries(choices).map(([value, label]) => ({ value, label }))

function change(what: Partial<Paragraph>, key: string) {
  emit(
    'apply',
    words.bench.edits.paragraph,
    (report) => changeParagraph(report, props.paragraph.id, what),
    `${props.paragraph.id} ${key}`,
  )
}
</script>

<template>
  <p class="kind">{{ text.kinds[paragraph.kind] }}</p>
  <InspectorField
    v-if="paragraph.kind !== 'lines'"
    :label="paragraph.kind === 'words' ? text.text : text.signature"
    :hint="text.textHint"
    :problem="problem('text')"
  >
    <Textarea
      :model-value="paragraph.text"
      :invalid="!!problem('text')"
      rows="5"
      fluid
      @update:model-value="(said) => change({ text: said }, 'text')"
    />
  </InspectorField>
  <div v-if="paragraph.kind === 'words'" class="field">
    <span>{{ text.size }}</span>
    <SelectButton
      :model-value="paragraph.size ?? 'normal'"
      :options="options(text.sizes)"
      option-label="label"
      option-value="value"
      :allow-empty="false"
      size="small"
      :aria-label="text.size"
      @update:model-value="(size: string) => change({ size: size as Paragraph['size'] }, 'size')"
    />
  </div>
  <div v-if="paragraph.kind !== 'lines'" class="field">
    <span>{{ words.bench.inspector.align }}</span>
    <SelectButton
      :model-value="paragraph.align ?? 'start'"
      :options="sides"
      option-label="label"
      option-value="value"
      :allow-empty="false"
      size="small"
      :aria-label="words.bench.inspector.align"
      @update:model-value="(align: string) => change({ align: align as Paragraph['align'] }, 'align')"
    />
  </div>
  <InspectorField v-else :label="text.lines">
    <InputNumber
      :aria-label="text.lines"
      :model-value="paragraph.lines ?? 4"
      :min="1"
      :max="40"
      size="small"
      fluid
      show-buttons
      @update:model-value="(lines) => change({ lines: lines ?? 4 }, 'lines')"
    />
  </InspectorField>
</template>

<style scoped>
.kind {
  font-weight: 600;
  margin: 0;
}
.field {
  display: grid;
  gap: 0.2rem;
}
</style>
