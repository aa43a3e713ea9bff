<script setup lang="ts">
import { computed, inject, provide } from 'vue'
import InputNumber from 'primevue/inputnumber'
import SelectButton from 'primevue/selectbutton'
import { EXPRESSION_NAMES } from './expressionNames'
import ExpressionField from './ExpressionField.vue'
import InspectorField from './InspectorField.vue'
import LayoutSwitch from './layout/LayoutSwitch.vue'
import PageLines from './layout/PageLines.vue'
import OneOf from '@/shell/OneOf.vue'
import TextInput from './TextInput.vue'
import { stripped } from '../edits/report'
import { isTable } from '@/api/documents'
import type { Report } from '@/api/client'
import { words } from '@/words'

const props = defineProps<{ report: Report; problem: (path: string) => string | undefined }>()
const emit = defineEmits<{ apply: [name: string, change: (report: Report) => Report, key?: string] }>()

type Page = Report['page']
const text = words.bench.inspector
/** What pages have words for comes before the names that all expressions have. */
const names = inject(EXPRESSION_NAMES)!
provide(
  EXPRESSION_NAMES,
  computed(() => [
    ...Object.entries(words.layout.page.words).map(([id, label]) => ({ id, label })),
    ...names.value,
  ]),
)
const ONLY = '*'
/** The tables whose rows texts can be about; a choice where there are several. */
const tables = computed(() =>
  props.report.blocks
    .filter((one) => isTable(one) && !one.off)
    .map((one) => ({ value: one.id, label: one.title || one.id })),
)
const lengths = ['width', 'height'] as const
const SIZE_AT_FIRST = { width: 210, height: 297 }
const sides = ['top', 'right', 'bottom', 'left'] as const
const papers = ['A3', 'A4', 'A5', 'B4', 'B5', 'Letter', 'Legal', 'Tabloid'].map((paper) => ({
  value: paper,
  label: paper,
}))
const orientations = [
  { value: 'portrait', label: text.portrait },
  { value: 'landscape', label: text.landscape },
]

function change(what: Partial<Page>, key: string) {
  emit(
    'apply',
    words.bench.edits.page,
    (report) => ({ ...report, page: stripped({ ...report.page, ...what }) }),
    `page ${key}`,
  )
}

function setMargin(side: (typeof sides)[number], value: number | null) {
  change({ margins: { ...props.report.page.margins, [side]: value ?? 10 } }, side)
}
</script>

<template>
  <div class="block">
    <span>{{ text.paper }}</span>
    <OneOf
      :model-value="report.page.paper"
      :options="papers"
      :aria-label="text.paper"
      @update:model-value="(paper: string) => change({ paper: paper as Page['paper'] }, 'paper')"
    />
  </div>
  <LayoutSwitch
    :label="words.layout.page.size"
    :model-value="report.page.size !== undefined"
    @update:model-value="(on) => change({ size: on ? { ...SIZE_AT_FIRST } : undefined }, 'size')"
  />
  <fieldset v-if="report.page.size">
    <legend class="visually-hidden">{{ words.layout.page.size }}</legend>
    <label v-for="side in lengths" :key="side">
      {{ words.layout.page[side] }}
      <InputNumber
        :model-value="report.page.size[side]"
        :min="40"
        :max="side === 'width' ? 1200 : 5000"
        size="small"
        fluid
        @update:model-value="
          (value: number | null) =>
            change(
              {
                size: stripped({
                  ...report.page.size!,
                  [side]: value ?? (side === 'width' ? SIZE_AT_FIRST.width : undefined),
                }),
              },
              side,
            )
        "
      />
    </label>
    <p class="hint">{{ words.layout.page.roll }}</p>
  </fieldset>
  <div v-if="!report.page.size" class="block">
    <span>{{ text.orientation }}</span>
    <SelectButton
      :model-value="report.page.orientation"
      :options="orientations"
      option-label="label"
      option-value="value"
      :allow-empty="false"
      size="small"
      :aria-label="text.orientation"
      @update:model-value="(orientation: Page['orientation']) => change({ orientation }, 'orientation')"
    />
  </div>
  <fieldset>
    <legend>{{ text.margins }}</legend>
    <label v-for="side in sides" :key="side">
      {{ text.sides[side] }}
      <InputNumber
        :model-value="report.page.margins[side]"
        :min="5"
        :max="60"
        size="small"
        fluid
        @update:model-value="(value) => setMargin(side, value)"
      />
    </label>
  </fieldset>
  <LayoutSwitch
    :label="words.layout.page.mirrored"
    :model-value="report.page.mirrored"
    @update:model-value="(on) => change({ mirrored: on || undefined }, 'mirrored')"
  />
  <InspectorField :label="words.layout.page.fit" :hint="words.layout.page.fitHint">
    <InputNumber
      :aria-label="words.layout.page.fit"
      :model-value="report.page.pages ?? null"
      :placeholder="words.layout.page.fitAny"
      :min="1"
      :max="1000"
      size="small"
      fluid
      @update:model-value="(pages: number | null) => change({ pages: pages ?? undefined }, 'pages')"
    />
  </InspectorField>
  <InspectorField :label="words.layout.page.watermark" :problem="problem('watermark')">
    <TextInput
      :model-value="report.page.watermark"
      :placeholder="report.page.draft ? words.layout.page.draftWord : undefined"
      @update:model-value="(watermark) => change({ watermark: watermark || undefined }, 'watermark')"
    />
  </InspectorField>
  <LayoutSwitch
    :label="words.layout.page.draft"
    :model-value="report.page.draft"
    @update:model-value="(on) => change({ draft: on || undefined }, 'draft')"
  />
  <InspectorField :label="text.pageHeader" :problem="problem('header')">
    <ExpressionField
      :model-value="report.page.header"
      placeholder="{title}"
      in-text
      @update:model-value="(header) => change({ header: header || undefined }, 'header')"
    />
  </InspectorField>
  <InspectorField :label="text.pageFooter" :hint="text.pageHint" :problem="problem('footer')">
    <ExpressionField
      :model-value="report.page.footer"
      placeholder="{dataset} · business date {business_date}"
      in-text
      @update:model-value="(footer) => change({ footer: footer || undefined }, 'footer')"
    />
  </InspectorField>
  <InspectorField
    v-if="tables.length > 1"
    :label="words.layout.page.block"
    :hint="words.layout.page.blockHint"
    :problem="problem('block')"
  >
    <OneOf
      :aria-label="words.layout.page.block"
      :model-value="report.page.block ?? ONLY"
      :options="[{ value: ONLY, label: words.layout.page.noBlock }, ...tables]"
      fluid
      @update:model-value="(id: string) => change({ block: id === ONLY ? undefined : id }, 'block')"
    />
  </InspectorField>
  <PageLines :lines="report.page.lines" :problem="problem" @change="(lines, key) => change({ lines }, key)" />
</template>

<style scoped>
.block {
  display: grid;
  gap: 0.2rem;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.4rem;
}
legend {
  padding: 0;
}
label {
  color: var(--quiet);
  min-width: 0;
}
</style>
