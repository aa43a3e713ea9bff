<script setup lang="ts">
import Button from 'primevue/button'
import { ref } from 'vue'
import { api, type Unreadable } from '@/api/client'
import InspectorField from '@/bench/inspector/InspectorField.vue'
import TextInput from '@/bench/inspector/TextInput.vue'
import { problemText } from '@/session/problemText'
import { words } from '@/words'

/** Documents on record that cannot be read, each with its faults, to be mended in place. Nothing stands here where all can. */
const text = words.sources
const documents = ref<Unreadable[]>([])
const open = ref<Unreadable>()
const content = ref<string>()
const problem = ref('')

async function load() {
  documents.value = await api.unreadable().catch(() => [])
}

async function mend(document: Unreadable) {
  problem.value = ''
  content.value = await api.unreadableText(document.kind, document.id)
  open.value = document
}

async function putBack() {
  problem.value = ''
  try {
    await api.repair(open.value!.kind, open.value!.id, content.value ?? '')
    open.value = undefined
    await load()
  } catch (e) {
    problem.value = problemText(e as Error)
  }
}

void load()
</script>

<template>
  <section v-if="documents.length" class="unreadable" :aria-label="text.unreadable">
    <h2>{{ text.unreadable }}</h2>
    <p class="quiet">{{ text.unreadableLead }}</p>
    <ul>
      <li v-for="document in documents" :key="document.kind + document.id">
        <strong>{{ text.unreadableKinds[document.kind] }} {{ document.title }}</strong>
        <Button :label="text.mend(document.title)" text size="small" @click="mend(document)" />
        <p v-for="fault in document.problems" :key="fault.pointer + fault.message" class="problem">
          {{ fault.pointer }} {{ fault.message }}
        </p>
      </li>
    </ul>
    <form v-if="open" @submit.prevent="putBack">
      <InspectorField :label="text.document"
        ><TextInput v-model="content" long class="document"
      /></InspectorField>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <Button type="submit" :label="text.putBack" size="small" />
      <Button :label="text.leave" text severity="secondary" size="small" @click="open = undefined" />
    </form>
  </section>
</template>

<style scoped>
.unreadable {
  max-width: 46rem;
  margin-top: 1.5rem;
}
h2 {
  font-size: 1.1rem;
  margin: 0;
}
.quiet {
  color: var(--quiet);
}
.problem {
  color: var(--danger);
  margin: 0.25rem 0;
  white-space: pre-line;
  overflow-wrap: anywhere;
}
.document {
  font-family: monospace;
}
</style>
