<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref, watch } from 'vue'
import SpreadBars from './SpreadBars.vue'
import { api, type DatasetView, type FieldDetail, type FieldView } from '@/api/client'
import { words } from '@/words'

/** All that is known of one field's values. */
const props = defineProps<{ dataset: DatasetView; field?: FieldView }>()
const emit = defineEmits<{ rows: [value: string]; edit: []; close: [] }>()

const text = words.data
const detail = ref<FieldDetail>()
const problem = ref('')
const home = computed(() => props.dataset.tables.find((table) => table.id === props.field?.table))
const most = computed(() => detail.value?.frequent[0]?.rows ?? 1)
const facts = computed(() => {
  const { field } = props
  const seen = detail.value
  const { profile } = text
  if (!field) {
    return []
  }
  const known: [string, string | undefined][] = [
    [profile.name, field.id],
    [profile.source, field.entry.source && `${home.value?.source}.${field.entry.source}`],
    [profile.format, field.entry.format],
    [profile.shownAs, props.dataset.fields.find((name) => name.id === field.entry.lookup)?.label],
    [profile.order, field.entry.order?.join(', ')],
  ]
  const measured: [string, string | undefined][] = seen
    ? [
        [profile.rows, text.rows(seen.rows, text.rowNoun.one, text.rowNoun.other)],
        [
          profile.blank,
          seen.blank ? `${text.number(seen.blank)} (${text.share(seen.blank, seen.rows)})` : '0',
        ],
        [profile.empty, seen.emptyTexts ? text.number(seen.emptyTexts) : undefined],
        [profile.distinct, text.number(seen.distinct)],
        [profile.smallest, seen.smallest],
        [profile.largest, seen.largest],
      ]
    : []
  return [...known, ...measured].filter((fact): fact is [string, string] => Boolean(fact[1]))
})

watch(
  () => [props.dataset.id, props.field?.id] as const,
  async ([dataset, field]) => {
    problem.value = ''
    detail.value = undefined
    // A measure has no value in a row, so there is nothing to profile.
    if (!field || props.field?.made === 'MEASURE') {
      return
    }
    try {
      const found = await api.fieldProfile(dataset, field)
      if (field === props.field?.id) {
        detail.value = found
      }
    } catch (e) {
      problem.value = (e as Error).message
    }
  },
  { immediate: true },
)
</script>

<template>
  <section class="panel" :aria-label="field ? text.profile.title(field.label) : text.aboutField">
    <p v-if="!field" class="quiet">{{ text.pick }}</p>
    <template v-else>
      <header>
        <h2>{{ field.label }}</h2>
        <Button
          icon="pi pi-pencil"
          text
          severity="secondary"
          :aria-label="text.edit.field(field.label)"
          :title="text.edit.field(field.label)"
          @click="emit('edit')"
        />
        <Button
          icon="pi pi-times"
          text
          severity="secondary"
          :aria-label="text.profile.close"
          :title="text.profile.close"
          @click="emit('close')"
        />
      </header>
      <p class="quiet">{{ text.kind(field) }}</p>
      <p v-if="field.description">{{ field.description }}</p>
      <template v-if="field.entry.formula">
        <h3>{{ text.profile.formula }}</h3>
        <code>{{ field.entry.formula }}</code>
      </template>
      <p v-if="problem" role="alert">{{ problem }}</p>
      <dl>
        <div v-for="[name, value] in facts" :key="name">
          <dt>{{ name }}</dt>
          <dd>{{ value }}</dd>
        </div>
      </dl>
      <template v-if="detail">
        <p v-if="detail.rows && !detail.distinct" class="quiet">{{ text.profile.onlyBlank }}</p>
        <template v-if="detail.bars.length">
          <h3>{{ text.profile.spread }}</h3>
          <SpreadBars :bars="detail.bars" />
        </template>
        <template v-if="detail.frequent.length">
          <h3>{{ text.profile.frequent }}</h3>
          <ol>
            <li v-for="value in detail.frequent" :key="value.value">
              <button
                type="button"
                :title="text.profile.rowsWith(value.label)"
                @click="emit('rows', value.value)"
              >
                <span class="value">{{ value.label || text.profile.emptyText }}</span>
                <span class="count">{{ text.number(value.rows ?? 0) }}</span>
                <span class="share" :style="{ width: `${(100 * (value.rows ?? 0)) / most}%` }" />
              </button>
            </li>
          </ol>
        </template>
      </template>
    </template>
  </section>
</template>

<style scoped>
header {
  display: flex;
  justify-content: space-between;
  align-items: start;
}
h2 {
  font-size: 1.15rem;
  margin: 0.2rem 0;
  overflow-wrap: anywhere;
  flex: 1;
}
h3 {
  font-size: 1rem;
  margin: 1rem 0 0.3rem;
}
p {
  margin: 0.2rem 0;
  overflow-wrap: anywhere;
}
.quiet {
  color: var(--quiet);
}
code {
  font: inherit;
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
dl {
  margin: 0.6rem 0 0;
}
dl div {
  display: flex;
  justify-content: space-between;
  gap: 0.75rem;
  padding: 0.12rem 0;
}
dt {
  color: var(--quiet);
  flex: none;
}
dd {
  margin: 0;
  text-align: right;
  overflow-wrap: anywhere;
  font-variant-numeric: tabular-nums;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
button:not(.p-button) {
  position: relative;
  width: 100%;
  display: flex;
  justify-content: space-between;
  gap: 0.5rem;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
  padding: 0.2rem 0.25rem 0.35rem;
}
button:not(.p-button):hover {
  background: var(--bench);
}
.value {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.count {
  font-variant-numeric: tabular-nums;
}
.share {
  position: absolute;
  left: 0;
  bottom: 1px;
  height: 3px;
  border-radius: 2px;
  background: var(--level-1);
}
</style>
