<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { ref, watch } from 'vue'
import { api, type WhyAbsent } from '@/api/client'
import { words } from '@/words'

/** Asks which filter drops the rows of a value, such as those of an order that is missed. */
const props = defineProps<{
  run: string
  block: string
  /** Those by which a thing may be told, the likeliest first. */
  fields: { id: string; label: string }[]
  /** Whether a filter that drops rows can be gone to. */
  leads?: boolean
}>()
const emit = defineEmits<{ select: [filter: string] }>()

const text = words.why.absent
const isOpen = ref(false)
const field = ref('')
const value = ref('')
const found = ref<WhyAbsent>()
const problem = ref('')

watch(
  () => props.fields.map((one) => one.id).join(),
  () => {
    field.value = props.fields[0]?.id ?? ''
    found.value = undefined
  },
  { immediate: true },
)

async function look() {
  problem.value = ''
  found.value = undefined
  try {
    found.value = await api.whyAbsent(props.run, props.block, field.value, value.value)
  } catch (e) {
    problem.value = (e as Error).message
  }
}
</script>

<template>
  <div class="absent">
    <button type="button" class="ask" :aria-expanded="isOpen" @click="isOpen = !isOpen">
      {{ text.ask }}
    </button>
    <form v-if="isOpen" @submit.prevent="look">
      <Select
        v-model="field"
        :aria-label="text.field"
        :options="fields"
        option-label="label"
        option-value="id"
        size="small"
        fluid
      />
      <InputText v-model="value" :aria-label="text.value" :placeholder="text.value" size="small" fluid />
      <Button type="submit" :label="text.look" size="small" outlined :disabled="!value.trim()" />
      <div v-if="found" role="status" class="found">
        <p v-if="!found.counted">{{ text.notCounted }}</p>
        <p v-else-if="found.found === 0">{{ text.nowhere }}</p>
        <template v-else>
          <p>{{ text.found(found.noun) }} {{ text.kept(found.kept, found.found) }}</p>
          <component
            :is="leads ? 'button' : 'p'"
            v-for="drop in found.drops"
            :key="drop.filter"
            :type="leads ? 'button' : undefined"
            @click="emit('select', drop.filter)"
          >
            {{ text.drops(drop.rows, drop.words) }}
          </component>
        </template>
      </div>
      <p v-if="problem" role="alert" class="problem">{{ problem }}</p>
    </form>
  </div>
</template>

<style scoped>
.absent {
  padding: 0 0.35rem;
}
form {
  display: grid;
  gap: 0.3rem;
  margin: 0.2rem 0 0.5rem;
}
p {
  margin: 0;
}
button.ask,
.found button {
  border: 0;
  background: none;
  font: inherit;
  color: var(--accent);
  cursor: pointer;
  padding: 0.15rem 0;
  min-height: 24px;
  text-align: left;
}
.problem {
  color: var(--danger);
}
</style>
