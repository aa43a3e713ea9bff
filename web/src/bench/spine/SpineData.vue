<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { offered, perRow } from '../edits/perRow'
import { found, type FoundField } from '../findFields'
import { useFieldNames } from '../useFieldNames'
import type { DatasetView, FieldView } from '@/api/client'
import { words } from '@/words'

const props = defineProps<{ dataset: DatasetView; open: boolean }>()
const emit = defineEmits<{ column: [field: FieldView]; level: [field: FoundField] }>()

const isOpen = ref(props.open)
const sought = ref('')
const names = useFieldNames(() => props.dataset)
const shown = computed(() => found(offered(props.dataset.fields), sought.value, names))
const noun = (table: string) => props.dataset.tables.find((t) => t.id === table)?.noun ?? table
</script>

<template>
  <section>
    <header>
      <h2>{{ words.bench.spine.data }}</h2>
      <button type="button" class="dataset" :aria-expanded="isOpen" @click="isOpen = !isOpen">
        <span>{{ dataset.label }}</span>
        <i :class="isOpen ? 'pi pi-angle-up' : 'pi pi-angle-down'" aria-hidden="true" />
      </button>
    </header>
    <div v-if="isOpen">
      <InputText
        v-model="sought"
        size="small"
        fluid
        :placeholder="words.bench.fields.find"
        :aria-label="words.bench.fields.find"
        @keydown.enter.prevent="shown[0] && emit('column', shown[0])"
      />
      <ul>
        <li v-for="field in shown" :key="field.id">
          <button
            type="button"
            class="field"
            :aria-label="words.bench.fields.column(field.label)"
            :title="`${words.bench.types[field.type]}, ${words.bench.fields.table(noun(field.table))}${field.description ? ` · ${field.description}` : ''}${field.entry.formula ? ` · ${field.entry.formula}` : ''}`"
            @click="emit('column', field)"
          >
            {{ field.label }}
            <small v-if="!perRow(field)">{{ words.bench.fields.measure }}</small>
          </button>
          <Button
            v-if="perRow(field)"
            icon="pi pi-sitemap"
            text
            size="small"
            severity="secondary"
            class="level"
            :aria-label="words.bench.fields.level(field.label)"
            :title="words.bench.fields.level(field.label)"
            @click="emit('level', field)"
          />
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
header {
  display: flex;
  align-items: baseline;
  gap: 0.5rem;
}
h2 {
  font-size: 1rem;
  margin: 0;
}
.dataset {
  flex: 1;
  min-width: 0;
  display: flex;
  justify-content: space-between;
  align-items: center;
  border: 0;
  background: none;
  font: inherit;
  color: var(--quiet);
  cursor: pointer;
  padding: 0.2rem 0;
}
ul {
  list-style: none;
  margin: 0.3rem 0 0;
  padding: 0;
  max-height: 14rem;
  overflow-y: auto;
}
li {
  display: flex;
  align-items: center;
}
.field {
  flex: 1;
  min-width: 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  padding: 0.15rem 0.35rem;
  min-height: 24px;
  cursor: pointer;
  border-radius: 3px;
}
small {
  color: var(--quiet);
  margin-left: 0.3rem;
}
.field:hover {
  background: var(--accent-soft);
}
.level {
  width: 26px;
  height: 24px;
  padding: 0;
}
</style>
