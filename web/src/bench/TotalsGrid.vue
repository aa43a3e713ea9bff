<script setup lang="ts">
import OneOf from '@/shell/OneOf.vue'
import Button from 'primevue/button'
import Select from 'primevue/select'
import { computed } from 'vue'
import InspectorField from './inspector/InspectorField.vue'
import { block, withBlock } from './edits/report'
import { setShown, showBeside, shownAs } from './edits/shown'
import {
  addTotal,
  changeTotal,
  nextPlace,
  placeOf,
  REPORT,
  removeTotal,
  setPlace,
  togglePlace,
  toggleTotal,
} from './edits/totals'
import { measureChoices } from './edits/measures'
import { shownChoices } from './shownChoices'
import { perRow } from './edits/perRow'
import type { Block, DatasetView, FieldView, Report, Total } from '@/api/client'
import { words } from '@/words'

const props = defineProps<{ report: Report; dataset: DatasetView }>()
const emit = defineEmits<{ apply: [name: string, change: (report: Report) => Report] }>()

const text = words.bench.inspector
const edits = words.bench.edits
const levels = computed(() => block(props.report).levels)
const totals = computed(() => block(props.report).totals)
const places = computed(() => [
  ...levels.value.map((level, i) => ({ id: level.id, name: level.name, depth: i + 1 })),
  { id: REPORT, name: text.grand, depth: 0 },
])

function columnLabel(total: Total): string {
  const column = block(props.report).columns.find((c) => c.id === total.column)
  return column?.label || column?.value || total.column
}

const shown = shownChoices()
const beside = shown.filter((choice) => choice.value !== 'value')
const covers = Object.entries(text.covers).map(([value, label]) => ({ value, label }))
const roundings = Object.entries(text.roundings).map(([value, label]) => ({ value, label }))

function show(total: Total, as: string) {
  emit('apply', edits.totals, (report) => setShown(report, total.id, as, props.dataset.dateField))
}

function addBeside(total: Total, as: string) {
  const name = text.besideShort[as] ?? as
  emit('apply', edits.addTotal, (report) => showBeside(report, total.id, as, name, props.dataset.dateField))
}

function changeBlock(what: Partial<Block>) {
  emit('apply', edits.totals, (report) => withBlock(report, what))
}

/** What does not add up, such as a price, can be averaged by what does, such as a quantity. */
function weightedAverages(field: FieldView) {
  const isNumber = field.type === 'INTEGER' || field.type === 'DECIMAL'
  const weights = isNumber && !field.usual ? props.dataset.fields.filter((f) => perRow(f) && f.usual) : []
  return weights.map((weight) => ({
    value: `SUM(${field.value} * ${weight.value}) / SUM(${weight.value}) FILTER (WHERE ${field.value} IS NOT NULL)`,
    label: text.weighted(weight.label),
    advice: undefined as string | undefined,
  }))
}

/** The totals that can be made of what a column shows. */
function choices(columnId: string, current?: string) {
  const value = block(props.report).columns.find((column) => column.id === columnId)?.value
  const fields = props.dataset.fields.filter((f) => f.value === value)
  // Every measure fits a column that is empty in rows.
  const known = fields.length
    ? fields
        .flatMap((field) => field.totals)
        .map((total) => ({ value: total.value, label: total.name, advice: total.advice }))
        .concat(fields.flatMap(weightedAverages))
    : value
      ? ['SUM', 'AVG', 'COUNT', 'MIN', 'MAX'].map((name) => ({
          value: `${name}(${value})`,
          label: name,
          advice: undefined as string | undefined,
        }))
      : measureChoices(props.report, props.dataset).map((measure) => ({
          ...measure,
          advice: undefined as string | undefined,
        }))
  return current && !known.some((choice) => choice.value === current)
    ? [...known, { value: current, label: current, advice: undefined }]
    : known
}

function placeWord(total: Total, at: string): string {
  const place = placeOf(total, at)
  const isLine = levels.value.find((level) => level.id === at)?.header === 'line'
  return isLine && place === 'header' ? text.placesShort.line : text.placesShort[place]
}

function turn(total: Total, at: string) {
  emit('apply', edits.totals, (report) => setPlace(report, total.id, at, nextPlace(report, total, at)))
}

const columns = computed(() =>
  block(props.report).columns.map((column) => ({
    id: column.id,
    label: column.label || column.value || column.id,
  })),
)
</script>

<template>
  <div class="grid">
    <table>
      <thead>
        <tr>
          <th scope="col" />
          <th v-for="place in places" :key="place.id" scope="col">
            <button
              type="button"
              class="head"
              :title="`${place.name}: ${text.everyTotal}`"
              :style="{ '--level': place.depth ? `var(--level-${Math.min(place.depth, 4)})` : 'var(--ink)' }"
              @click="emit('apply', edits.totals, (report) => togglePlace(report, place.id))"
            >
              {{ place.name }}
            </button>
          </th>
        </tr>
      </thead>
      <tbody>
        <template v-for="total in totals" :key="total.id">
          <tr class="measure">
            <th scope="row" :colspan="places.length + 1">
              <div class="named">
                <button
                  type="button"
                  class="row-name"
                  :title="`${columnLabel(total)}: ${text.everywhere}`"
                  @click="emit('apply', edits.totals, (report) => toggleTotal(report, total.id))"
                >
                  {{ columnLabel(total) }}
                </button>
                <Button
                  icon="pi pi-times"
                  text
                  size="small"
                  severity="secondary"
                  :aria-label="`${text.remove}: ${columnLabel(total)}`"
                  @click="emit('apply', edits.removeTotal, (report) => removeTotal(report, total.id))"
                />
              </div>
              <div class="made">
                <Select
                  :model-value="total.value"
                  :options="choices(total.column, total.value)"
                  option-label="label"
                  option-value="value"
                  size="small"
                  :aria-label="`${columnLabel(total)}: ${text.aggregate}`"
                  @update:model-value="
                    (value: string) =>
                      emit('apply', edits.totals, (report) => changeTotal(report, total.id, { value }))
                  "
                >
                  <template #option="{ option }">
                    <span
                      >{{ option.label }} <small v-if="option.advice">{{ option.advice }}</small></span
                    >
                  </template>
                </Select>
                <OneOf
                  :model-value="shownAs(total)"
                  :options="shown"
                  :aria-label="`${columnLabel(total)}: ${text.shownAs}`"
                  @update:model-value="(as: string) => show(total, as)"
                />
                <OneOf
                  :model-value="null"
                  :options="beside"
                  :placeholder="text.besideThis"
                  :aria-label="text.beside(columnLabel(total))"
                  :title="text.beside(columnLabel(total))"
                  @update:model-value="(as: string) => addBeside(total, as)"
                />
              </div>
            </th>
          </tr>
          <tr>
            <td />
            <td v-for="place in places" :key="place.id">
              <button
                type="button"
                class="cell"
                :class="{ on: placeOf(total, place.id) !== 'none' }"
                :aria-label="`${columnLabel(total)}, ${place.name}: ${placeWord(total, place.id)}`"
                @click="turn(total, place.id)"
              >
                {{ placeWord(total, place.id) }}
              </button>
            </td>
          </tr>
        </template>
      </tbody>
    </table>
    <Select
      v-if="columns.length"
      :model-value="null"
      :options="columns"
      option-label="label"
      option-value="id"
      :placeholder="`${text.addTotal} ${text.under} …`"
      :aria-label="text.addTotal"
      size="small"
      fluid
      @update:model-value="
        (column: string) =>
          emit('apply', edits.addTotal, (report) =>
            addTotal(report, column, choices(column)[0]?.value ?? 'COUNT(*)'),
          )
      "
    />
    <div class="whole">
      <InspectorField :label="text.totalsCover">
        <OneOf
          :model-value="block(report).totalsCover ?? 'shown'"
          :options="covers"
          fluid
          :aria-label="text.totalsCover"
          @update:model-value="
            (cover: string) => changeBlock({ totalsCover: cover === 'everything' ? 'everything' : undefined })
          "
        />
      </InspectorField>
      <InspectorField :label="text.rounding">
        <OneOf
          :model-value="block(report).rounding ?? 'printed'"
          :options="roundings"
          fluid
          :aria-label="text.rounding"
          @update:model-value="
            (rounding: string) =>
              changeBlock({ rounding: rounding === 'each-line' ? 'each-line' : undefined })
          "
        />
      </InspectorField>
    </div>
  </div>
</template>

<style scoped>
.grid {
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  width: 100%;
  margin-bottom: 0.75rem;
}
th,
td {
  padding: 1px;
}
th {
  font-weight: 400;
  text-align: left;
  vertical-align: bottom;
}
.measure th {
  padding-top: 0.4rem;
  border-top: 1px solid var(--line);
}
.named {
  display: flex;
  align-items: center;
  gap: 0.35rem;
}
.made {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 4.75rem;
  gap: 0.2rem;
  margin-bottom: 0.2rem;
}
.made > :first-child {
  grid-column: 1 / -1;
}
.whole {
  display: grid;
  gap: 0.5rem;
  margin-top: 0.75rem;
}
button.head,
button.row-name,
button.cell {
  border: 0;
  background: none;
  font: inherit;
  color: inherit;
  cursor: pointer;
  min-height: 26px;
}
/* Words stay whole; a grid that is too wide for its place scrolls. */
button.head,
button.cell {
  font-size: 0.92rem;
  padding: 0.1rem 0.15rem;
}
.row-name {
  overflow-wrap: anywhere;
}
button.head {
  border-bottom: 3px solid var(--level);
  text-align: left;
  width: 100%;
}
.row-name {
  flex: 1;
  text-align: left;
  font-weight: 600 !important;
}
.cell {
  width: 100%;
  border-radius: 3px;
  color: var(--quiet) !important;
}
.cell.on {
  background: var(--accent-soft) !important;
  color: var(--ink) !important;
}
.cell:hover {
  outline: 1px solid var(--accent);
}
small {
  display: block;
  color: var(--quiet);
  max-width: 16rem;
  white-space: normal;
}
</style>
