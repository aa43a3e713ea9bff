<script setup lang="ts">
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import InputText from 'primevue/inputtext'
import { computed, nextTick, ref, useId, watch } from 'vue'
import { answerOf, chosenOf } from '../prompts/chosenValues'
import type { FieldValue } from '@/api/client'
import { useNewest } from '@/shell/useNewest'
import { words } from '@/words'

/** The values of a field with how many rows each would keep, to be ticked; none ticked keeps all. */
const props = defineProps<{
  label: string
  /** The run among whose rows they are counted; a newer one counts anew. */
  run: string
  search: (find: string) => Promise<FieldValue[]>
  problem?: string
}>()
const emit = defineEmits<{ ready: [] }>()
/** As answers are written; empty for all. */
const asked = defineModel<string>({ required: true })

/** More values than these are looked for by a part of their name. */
const FEW = 8
const text = words.narrow
const id = useId()
const find = ref('')
const [found, search] = useNewest((find) => props.search(find))
const isLong = ref(false)
const chosen = computed(() => chosenOf(asked.value))

watch(
  [() => props.run, find],
  async () => {
    const values = await search(find.value)
    isLong.value ||= values.length > FEW
    await nextTick()
    emit('ready')
  },
  { immediate: true },
)

/** What is ticked and counted nowhere stands first, so that it can be let go. */
const listed = computed(() => {
  const gone = find.value
    ? []
    : chosen.value.values.filter((value) => found.value.every((one) => one.value !== value))
  return [...gone.map((value) => ({ value, label: value, rows: 0 })), ...found.value]
})
const isTicked = (value: string) => chosen.value.values.includes(value) !== chosen.value.except

function tick(value: string) {
  const { values, except } = chosen.value
  const others = values.filter((other) => other !== value)
  asked.value = answerOf({ values: others.length < values.length ? others : [...values, value], except })
}

function turn() {
  asked.value = answerOf({ ...chosen.value, except: !chosen.value.except })
}
</script>

<template>
  <fieldset>
    <legend>{{ label }}</legend>
    <InputText
      v-if="isLong"
      v-model="find"
      :placeholder="text.find(label)"
      :aria-label="text.find(label)"
      type="search"
      size="small"
      fluid
    />
    <div class="values">
      <label v-for="(one, i) in listed" :key="one.value" :for="`${id}-${i}`">
        <Checkbox
          :model-value="isTicked(one.value)"
          :input-id="`${id}-${i}`"
          :aria-label="text.rows(one.label, one.rows ?? 0)"
          binary
          size="small"
          @update:model-value="tick(one.value)"
        />
        <span class="name" :title="one.label">{{ one.label }}</span>
        <small>{{ one.rows?.toLocaleString('en-GB') }}</small>
      </label>
      <p v-if="!listed.length" class="quiet" role="status">{{ text.nothing }}</p>
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div v-if="chosen.values.length" class="tools">
      <Button :label="text.all" text size="small" @click="asked = ''" />
      <Button :label="text.turn" :title="text.turnHint" text size="small" @click="turn" />
    </div>
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  min-width: 0;
}
legend {
  font-weight: 600;
  padding: 0;
  margin-bottom: 0.25rem;
  max-width: calc(100% - 2rem);
  overflow-wrap: anywhere;
}
.values {
  max-height: 11rem;
  overflow-y: auto;
  margin-top: 0.25rem;
}
label {
  display: flex;
  align-items: center;
  gap: 0.45rem;
  min-height: 26px;
  padding: 0 0.2rem;
  cursor: pointer;
}
label:hover {
  background: var(--accent-soft);
}
.name {
  flex: 1;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
small,
.quiet {
  color: var(--quiet);
}
small {
  font-variant-numeric: tabular-nums;
}
p {
  margin: 0.25rem 0 0;
}
.problem {
  color: var(--danger);
}
</style>
