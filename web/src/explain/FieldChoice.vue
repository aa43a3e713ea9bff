<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { folded } from '@/shell/folded'
import { words } from '@/words'

/** Which fields rows are shown with, out of all of their dataset. */
const props = defineProps<{ offered: { id: string; label: string }[]; chosen: boolean }>()
const ids = defineModel<string[]>({ required: true })
const emit = defineEmits<{ usual: [] }>()

const text = words.why
const sought = ref('')
const found = computed(() =>
  props.offered.filter((field) => folded(field.label).includes(folded(sought.value))),
)

const toggle = (id: string, shown: boolean) =>
  (ids.value = shown ? [...ids.value, id] : ids.value.filter((other) => other !== id))
</script>

<template>
  <details class="choice">
    <summary>{{ text.fieldsShown(ids.length, offered.length) }}</summary>
    <div class="ways">
      <InputText v-model="sought" size="small" :placeholder="text.findField" :aria-label="text.findField" />
      <Button :label="text.everyField" text size="small" @click="ids = offered.map((field) => field.id)" />
      <Button v-if="chosen" :label="text.usualFields" text size="small" @click="emit('usual')" />
    </div>
    <ul :aria-label="text.fields">
      <li v-for="field in found" :key="field.id">
        <label
          ><input
            type="checkbox"
            :checked="ids.includes(field.id)"
            :disabled="ids.length === 1 && ids.includes(field.id)"
            @change="toggle(field.id, ($event.target as HTMLInputElement).checked)"
          />
          {{ field.label }}</label
        >
      </li>
    </ul>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
  min-height: 24px;
  width: max-content;
}
.choice {
  margin-bottom: 0.5rem;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  margin: 0.3rem 0;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
  max-height: 11rem;
  overflow: auto;
}
label {
  display: flex;
  gap: 0.4rem;
  align-items: center;
  min-height: 24px;
}
</style>
