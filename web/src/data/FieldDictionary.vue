<script setup lang="ts">
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import type { DatasetProfile, DatasetView, FieldView } from '@/api/client'
import { folded } from '@/shell/folded'
import { words } from '@/words'

/** The dataset's fields by home table, each with what it is and what its values are like. */
const props = defineProps<{ dataset: DatasetView; profile?: DatasetProfile; chosen?: string }>()
/** Ids of fields that are to be changed together. */
const ticked = defineModel<string[]>('ticked', { required: true })
const emit = defineEmits<{ choose: [id: string]; add: [made: 'CALCULATED' | 'MEASURE'] }>()

const text = words.data
const sought = ref('')
const fits = (name: string) => folded(name).includes(folded(sought.value))
const groups = computed(() => {
  const { fields } = props.dataset
  const described = (list: FieldView[]) =>
    list
      .filter((field) => fits(field.label) || fits(field.id))
      .map((field) => ({
        ...field,
        seen: props.profile?.fields.find((f) => f.id === field.id),
        missing: props.profile?.missing.find((f) => f.id === field.id)?.reason,
      }))
  const tables = props.dataset.tables.map((table) => {
    const rows = props.profile?.tables.find((t) => t.id === table.id)?.rows
    const { one, other } = text.rowNoun
    return {
      id: table.id,
      adds: undefined,
      title:
        rows === undefined ? text.capital(table.noun) : text.home(table.noun, text.rows(rows, one, other)),
      fields: described(fields.filter((f) => f.made === 'READ' && f.table === table.id)),
    }
  })
  const made = (id: 'MEASURE' | 'CALCULATED', title: string) => ({
    id,
    title,
    adds: id,
    fields: described(fields.filter((f) => f.made === id)),
  })
  return [made('MEASURE', text.measures), made('CALCULATED', text.calculated), ...tables].filter(
    (group) => group.fields.length || (group.adds && !sought.value),
  )
})

/** ↑ and ↓ go through the fields as through a list. */
function step(event: KeyboardEvent, by: number) {
  const all = [...document.querySelectorAll<HTMLElement>('.dictionary .entry')]
  const next = all[all.indexOf(event.currentTarget as HTMLElement) + by]
  if (next) {
    event.preventDefault()
    next.focus()
  }
}
</script>

<template>
  <div class="dictionary" tabindex="0" role="region" :aria-label="text.fields">
    <table>
      <thead>
        <tr>
          <th scope="col" class="field">
            {{ text.dictionary.field }}
            <InputText
              v-model="sought"
              size="small"
              type="search"
              :placeholder="text.filter"
              :aria-label="text.filter"
            />
          </th>
          <th scope="col">{{ text.dictionary.kind }}</th>
          <th scope="col">{{ text.dictionary.samples }}</th>
          <th scope="col" class="number">{{ text.dictionary.distinct }}</th>
          <th scope="col" class="number">{{ text.dictionary.blank }}</th>
        </tr>
      </thead>
      <tbody v-for="group in groups" :key="group.id">
        <tr class="home">
          <th scope="rowgroup" colspan="5">
            {{ group.title }}
            <Button
              v-if="group.adds"
              icon="pi pi-plus"
              text
              size="small"
              :aria-label="text.edit.add[group.adds]"
              :title="text.edit.add[group.adds]"
              @click="emit('add', group.adds)"
            />
          </th>
        </tr>
        <tr v-for="field in group.fields" :key="field.id" :class="{ chosen: field.id === chosen }">
          <th scope="row">
            <Checkbox
              v-model="ticked"
              :value="field.id"
              size="small"
              :aria-label="text.edit.tick(field.label)"
              :title="text.edit.tick(field.label)"
            />
            <button
              type="button"
              class="entry"
              :aria-pressed="field.id === chosen"
              :title="field.description ?? field.label"
              @click="emit('choose', field.id)"
              @keydown.down="step($event, 1)"
              @keydown.up="step($event, -1)"
            >
              {{ field.label }}
            </button>
          </th>
          <td class="kind">{{ text.kind(field) }}</td>
          <td v-if="field.missing" class="missing" colspan="3">{{ field.missing }}</td>
          <td v-else-if="field.entry.formula" class="formula" :title="field.entry.formula">
            {{ field.entry.formula }}
          </td>
          <td v-else class="samples" :title="field.seen?.samples.join(', ')">
            {{ field.seen?.samples.map((s) => s || text.profile.emptyText).join(', ') }}
          </td>
          <td v-if="!field.missing" class="number">{{ field.seen && text.number(field.seen.distinct) }}</td>
          <td v-if="!field.missing" class="number">
            {{ field.seen && text.share(field.seen.blank, field.seen.rows) }}
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="!groups.length" class="none">{{ text.noField(sought) }}</p>
  </div>
</template>

<style scoped>
.dictionary {
  flex: 1;
  min-height: 0;
  overflow: auto;
  background: var(--panel);
  border: 1px solid var(--line);
  border-bottom: 0;
  border-radius: 4px 4px 0 0;
}
table {
  border-collapse: collapse;
  width: 100%;
  table-layout: fixed;
}
thead th {
  position: sticky;
  top: 0;
  z-index: 1;
  background: var(--panel);
  border-bottom: 1px solid var(--line);
  text-align: left;
  font-weight: 600;
  white-space: nowrap;
}
th,
td {
  padding: 0.25rem 0.6rem;
}
thead th:nth-child(1) {
  width: 31%;
}
thead th:nth-child(2) {
  width: 25%;
}
thead th:nth-child(4) {
  width: 5.6rem;
}
thead th:nth-child(5) {
  width: 4.6rem;
}
.field :deep(input) {
  width: calc(100% - 3.4rem);
  margin-left: 0.4rem;
}
.home :deep(button) {
  width: 26px;
  height: 24px;
  padding: 0;
}
.home th {
  text-align: left;
  padding-top: 0.7rem;
  font-weight: 600;
  color: var(--level-2);
}
tbody tr:not(.home):hover {
  background: var(--bench);
}
tbody tr.chosen {
  background: var(--accent-soft);
}
tbody th[scope='row'] {
  text-align: left;
  padding: 0 0 0 0.6rem;
}
tbody th[scope='row'] :deep(.p-checkbox) {
  vertical-align: middle;
}
.missing {
  color: var(--danger);
}
.entry {
  width: calc(100% - 1.6rem);
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
  padding: 0.25rem 0.6rem;
  min-height: 26px;
  overflow-wrap: anywhere;
}
.kind,
.samples,
.formula {
  color: var(--quiet);
}
.samples,
.formula {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.number {
  text-align: right !important;
  font-variant-numeric: tabular-nums;
}
.none {
  color: var(--quiet);
  padding: 0 0.6rem;
}
</style>
