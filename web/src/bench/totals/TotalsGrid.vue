<script setup lang="ts">
import Menu from 'primevue/menu'
import type { MenuItem } from 'primevue/menuitem'
import { computed, ref, useTemplateRef } from 'vue'
import { parts } from '../edits/report'
import { useAskEdit, useOffers } from '../namedEdits'
import { shownAs } from '../edits/shown'
import { placeOf, REPORT } from '../edits/totals'
import { shownChoices } from './shownChoices'
import { totalChoices } from './totalChoices'
import { useGridKeys } from './useGridKeys'
import type { DatasetView, Report, ReportEdit, Total } from '@/api/client'
import { words } from '@/words'

/** The totals of a table: its measures down, its levels across. Each cell is changed where it stands. */
const props = defineProps<{ report: Report; dataset: DatasetView }>()
const text = words.bench.inspector
const edits = words.bench.edits
const grid = useTemplateRef('grid')
const menu = useTemplateRef('menu')
const offered = ref<MenuItem[]>([])
const keys = useGridKeys(grid)
const levels = computed(() => parts(props.report).levels)
const totals = computed(() => parts(props.report).totals)
const places = computed(() => [
  ...levels.value.map((level, i) => ({ id: level.id, name: level.name, depth: i + 1 })),
  { id: REPORT, name: text.grand, depth: 0 },
])
const shown = shownChoices()
const ask = useAskEdit()
const offers = useOffers()
const change = (edit: ReportEdit, name = edits.totals) => void ask(name, edit)

function columnLabel(total: Total): string {
  const column = parts(props.report).columns.find((c) => c.id === total.column)
  return column?.label || column?.value || total.column
}

const madeOf = (total: Total) =>
  totalChoices(offers.value, total.column, total.value).find((c) => c.value === total.value)?.label
const shownLabel = (total: Total) => shown.find((choice) => choice.value === shownAs(total))?.label

function placeWord(total: Total, at: string): string {
  const place = placeOf(total, at)
  const isLine = levels.value.find((level) => level.id === at)?.header === 'line'
  return isLine && place === 'header' ? text.placesShort.line : text.placesShort[place]
}

const turn = (total: Total, at: string) => change({ edit: 'turn-total', total: total.id, at })

function offer(event: MouseEvent, items: MenuItem[]) {
  offered.value = items
  menu.value?.toggle(event)
}

function offerMade(event: MouseEvent, total: Total) {
  const choices = totalChoices(offers.value, total.column, total.value)
  offer(
    event,
    choices.map((choice) => ({
      label: choice.label,
      advice: choice.advice,
      command: () => change({ edit: 'set-total', total: total.id, value: choice.value }),
    })),
  )
}

function offerShown(event: MouseEvent, total: Total) {
  offer(
    event,
    shown.map(({ value, label }) => ({
      label,
      command: () =>
        change({ edit: 'show-total-as', total: total.id, as: value, date: props.dataset.dateField }),
    })),
  )
}

function offerBeside(event: MouseEvent, total: Total) {
  offer(
    event,
    shown
      .filter((choice) => choice.value !== 'value')
      .map(({ value, label }) => ({
        label,
        command: () =>
          change(
            {
              edit: 'show-beside-total',
              total: total.id,
              as: value,
              name: text.besideShort[value] ?? value,
              date: props.dataset.dateField,
            },
            edits.addTotal,
          ),
      })),
  )
}

defineExpose({ enter: keys.enter })
</script>

<template>
  <table ref="grid" role="grid" :aria-label="words.bench.spine.totals" @keydown="keys.onKey">
    <thead>
      <tr role="row">
        <th scope="col">{{ text.measure }}</th>
        <th scope="col">{{ text.aggregate }}</th>
        <th scope="col">{{ text.shownAs }}</th>
        <th v-for="place in places" :key="place.id" scope="col" role="columnheader">
          <button
            type="button"
            class="head"
            tabindex="-1"
            :title="`${place.name}: ${text.everyTotal}`"
            :style="{ '--level': place.depth ? `var(--level-${Math.min(place.depth, 4)})` : 'var(--ink)' }"
            @click="change({ edit: 'toggle-totals-at', at: place.id })"
          >
            {{ place.name }}
          </button>
        </th>
        <td />
      </tr>
    </thead>
    <tbody>
      <tr v-for="(total, i) in totals" :key="total.id" role="row">
        <th scope="row" role="rowheader">
          <button
            type="button"
            class="name"
            :tabindex="i ? -1 : 0"
            :title="`${columnLabel(total)}: ${text.everywhere}`"
            @click="change({ edit: 'toggle-total', total: total.id })"
          >
            {{ columnLabel(total) }}
          </button>
        </th>
        <td role="gridcell">
          <button
            type="button"
            tabindex="-1"
            aria-haspopup="menu"
            :aria-label="`${columnLabel(total)}: ${text.aggregate}: ${madeOf(total)}`"
            @click="offerMade($event, total)"
          >
            {{ madeOf(total) }}
          </button>
        </td>
        <td role="gridcell">
          <button
            type="button"
            tabindex="-1"
            aria-haspopup="menu"
            :aria-label="`${columnLabel(total)}: ${text.shownAs}: ${shownLabel(total)}`"
            @click="offerShown($event, total)"
          >
            {{ shownLabel(total) }}
          </button>
        </td>
        <td v-for="place in places" :key="place.id" role="gridcell">
          <button
            type="button"
            class="place"
            tabindex="-1"
            :class="{ on: placeOf(total, place.id) !== 'none' }"
            :aria-label="`${columnLabel(total)}, ${place.name}: ${placeWord(total, place.id)}`"
            @click="turn(total, place.id)"
          >
            {{ placeWord(total, place.id) }}
          </button>
        </td>
        <td role="gridcell" class="ends">
          <button
            type="button"
            tabindex="-1"
            aria-haspopup="menu"
            :aria-label="text.beside(columnLabel(total))"
            :title="text.beside(columnLabel(total))"
            @click="offerBeside($event, total)"
          >
            <i class="pi pi-plus" aria-hidden="true" />
          </button>
          <button
            type="button"
            tabindex="-1"
            :aria-label="`${text.remove}: ${columnLabel(total)}`"
            :title="text.remove"
            @click="change({ edit: 'remove-total', total: total.id }, edits.removeTotal)"
          >
            <i class="pi pi-times" aria-hidden="true" />
          </button>
        </td>
      </tr>
    </tbody>
  </table>
  <Menu ref="menu" :model="offered" popup class="offered">
    <template #itemicon="{ item }">
      <small v-if="item.advice">{{ item.advice }}</small>
    </template>
  </Menu>
</template>

<style scoped>
table {
  border-collapse: collapse;
}
th,
td {
  padding: 0 1px;
  text-align: left;
  font-weight: 400;
  white-space: nowrap;
  border-top: 1px solid var(--line);
}
thead th,
thead td {
  border-top: 0;
  vertical-align: bottom;
  color: var(--quiet);
  font-size: 0.92rem;
  padding: 0 0.4rem;
}
button {
  border: 0;
  background: none;
  font: inherit;
  color: inherit;
  cursor: pointer;
  min-height: 26px;
  padding: 0.1rem 0.4rem;
  border-radius: 3px;
  text-align: left;
  max-width: 15rem;
  overflow: hidden;
  text-overflow: ellipsis;
}
button:hover {
  outline: 1px solid var(--accent);
}
.head {
  border-bottom: 3px solid var(--level);
  border-radius: 0;
  color: var(--ink);
}
.name {
  font-weight: 600;
}
.place {
  width: 100%;
  color: var(--quiet);
}
.place.on {
  background: var(--accent-soft);
  color: var(--ink);
}
.ends {
  color: var(--quiet);
}
</style>
