<script setup lang="ts">
import Checkbox from 'primevue/checkbox'
import InputNumber from 'primevue/inputnumber'
import { computed } from 'vue'
import ColourField from './ColourField.vue'
import EdgeTexts from './EdgeTexts.vue'
import FaceField from './faces/FaceField.vue'
import FigureLooks from './FigureLooks.vue'
import LogoField from './LogoField.vue'
import MarkLooks from './MarkLooks.vue'
import NumberRow from './NumberRow.vue'
import StyleSection from './StyleSection.vue'
import { said, saidOfText, withLogo, withMarks } from './styleEdits'
import type { HouseStyle, MarkLook, WholeStyle } from '@/api/client'
import { words } from '@/words'

/** Everything that a style can say; what it does not say stands as the standard style has it. */
const props = defineProps<{
  /** What it comes to as it was saved, with what it leaves out. */
  whole: WholeStyle
  problem: (path: string) => string | undefined
}>()
const style = defineModel<HouseStyle>({ required: true })
const text = words.styles

type Kind = NonNullable<HouseStyle['look']['texts']>[number]['of']
const kinds = Object.keys(text.text) as Kind[]
const look = computed(() => style.value.look)
/** A length of the resolved style, which is in hundredths of a point. */
const points = (hundredths: number) => hundredths / 100

const inkKeys = ['text', 'quiet', 'rule', 'rows', 'negative'] as const
const inks = computed(() => ({
  text: look.value.inks?.text ?? faceOf('cell').ink,
  quiet: look.value.inks?.quiet ?? faceOf('subtitle').ink,
  rule: look.value.inks?.rule ?? props.whole.lines.ink,
  rows: look.value.inks?.rows ?? props.whole.lines.rowInk,
  negative: look.value.inks?.negative ?? props.whole.figures.negativeInk,
}))
const ruleKeys = Object.keys(text.rule) as (keyof typeof text.rule)[]

function faceOf(kind: Kind) {
  return props.whole.texts[kind.replaceAll('-', '_').toUpperCase()]!
}
const saidOf = (kind: Kind) => look.value.texts?.find((one) => one.of === kind)
const sizeOf = (kind: Kind) => saidOf(kind)?.size ?? points(faceOf(kind).size)
const isBold = (kind: Kind) => saidOf(kind)?.bold ?? faceOf(kind).bold
function inkOf(kind: Kind) {
  const ink = saidOf(kind)?.ink
  return ink === 'text' || ink === 'quiet' ? inks.value[ink] : (ink ?? faceOf(kind).ink)
}
const marks = computed(() =>
  look.value.marks
    ? look.value.marks.map((mark) => ({ word: '', fill: '', ink: '', bold: false, ...mark }))
    : props.whole.marks,
)
const set = (next: HouseStyle) => (style.value = next)
</script>

<template>
  <StyleSection :title="text.face.title" :own="!!look.face">
    <FaceField v-model="style" :face="whole.face" :problem="problem('face')" />
  </StyleSection>
  <StyleSection :title="text.inks" :own="!!look.inks">
    <div v-for="key in inkKeys" :key="key" class="row">
      <span>{{ text.ink[key] }}</span>
      <ColourField
        :model-value="inks[key]"
        :label="text.ink[key]"
        @update:model-value="(ink) => set(said(style, 'inks', key, ink))"
      />
    </div>
    <small v-if="problem('inks')" class="problem" role="alert">{{ problem('inks') }}</small>
  </StyleSection>
  <StyleSection :title="text.texts" :own="!!look.texts">
    <div v-for="kind in kinds" :key="kind" class="row">
      <span :style="{ fontWeight: isBold(kind) ? 600 : 400 }">{{ text.text[kind] }}</span>
      <InputNumber
        :model-value="sizeOf(kind)"
        :min="5"
        :max="48"
        :max-fraction-digits="2"
        size="small"
        :aria-label="`${text.text[kind]}: ${text.size}`"
        @update:model-value="
          (size: number | null) => set(saidOfText(style, kind, { size: size ?? undefined }))
        "
      />
      <Checkbox
        :model-value="isBold(kind)"
        binary
        :aria-label="`${text.text[kind]}: ${text.bold}`"
        @update:model-value="(bold: boolean) => set(saidOfText(style, kind, { bold }))"
      />
      <ColourField
        :model-value="inkOf(kind)"
        :label="`${text.text[kind]}: ${text.inkOf}`"
        @update:model-value="(ink) => set(saidOfText(style, kind, { ink }))"
      />
    </div>
    <small v-if="problem('texts')" class="problem" role="alert">{{ problem('texts') }}</small>
  </StyleSection>
  <StyleSection :title="text.rules" :own="!!look.rules">
    <NumberRow
      v-for="key in ruleKeys"
      :key="key"
      :label="text.rule[key]"
      :min="0"
      :max="6"
      fraction
      :model-value="look.rules?.[key] ?? points(whole.lines[key])"
      @update:model-value="(width) => set(said(style, 'rules', key, width))"
    />
  </StyleSection>
  <StyleSection :title="text.spacing" :own="!!look.spacing">
    <NumberRow
      :label="text.room.lines"
      :min="110"
      :max="250"
      :model-value="look.spacing?.lines ?? whole.spacing.linePercent"
      @update:model-value="(lines) => set(said(style, 'spacing', 'lines', lines))"
    />
    <NumberRow
      :label="text.room.rows"
      :min="0"
      :max="20"
      fraction
      :model-value="look.spacing?.rows ?? points(whole.spacing.belowRow)"
      @update:model-value="(rows) => set(said(style, 'spacing', 'rows', rows))"
    />
    <NumberRow
      :label="text.room.groups"
      :min="0"
      :max="400"
      :model-value="look.spacing?.groups ?? whole.spacing.groupPercent"
      @update:model-value="(groups) => set(said(style, 'spacing', 'groups', groups))"
    />
  </StyleSection>
  <StyleSection :title="text.figures" :own="!!look.figures">
    <FigureLooks v-model="style" :whole="whole" :problem="problem" />
  </StyleSection>
  <StyleSection :title="text.marks" :own="!!look.marks">
    <MarkLooks
      :marks="marks"
      :problem="problem"
      @change="(changed: MarkLook[]) => set(withMarks(style, changed))"
    />
  </StyleSection>
  <StyleSection :title="words.layout.page.title" :own="!!look.edges">
    <EdgeTexts v-model="style" :problem="problem" />
  </StyleSection>
  <StyleSection :title="text.logo.title" :own="!!look.logo">
    <LogoField :logo="look.logo" :problem="problem('logo')" @change="(logo) => set(withLogo(style, logo))" />
  </StyleSection>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.25rem 0.5rem;
  min-height: 2rem;
}
.row > span:first-child {
  flex: 1;
  min-width: 8rem;
}
.row :deep(.p-inputnumber-input) {
  width: 4rem;
}
.problem {
  color: var(--danger);
}
</style>
