<script setup lang="ts">
import Button from 'primevue/button'
import { inject, onMounted, ref, shallowRef, watch } from 'vue'
import { TRIED_ANSWERS } from '../../triedAnswers'
import { api, type PromptView, type Report } from '@/api/client'
import PromptForm from '@/run/prompts/PromptForm.vue'
import { promptsOfDraft } from '@/run/prompts/promptSource'
import { useAnswers } from '@/run/prompts/useAnswers'
import { words } from '@/words'

/** What a reader is asked, as it would be asked: answered here, the page shows what they would see. */
const props = defineProps<{ report: Report }>()

const text = words.bench.inspector.tried
const tried = inject(TRIED_ANSWERS)!
const source = promptsOfDraft(() => props.report)
const { asked, resolved, problems, load } = useAnswers(source)
const prompts = shallowRef<PromptView[]>([])
const failure = ref('')

/** Asks anew what the report asks now; what was tried stays. */
async function ask() {
  try {
    prompts.value = await api.draftPrompts(props.report, {})
    load(prompts.value, { ...tried.answers.value })
    failure.value = ''
  } catch (e) {
    failure.value = (e as Error).message
  }
}
onMounted(ask)
watch(() => JSON.stringify([props.report.prompts, props.report.filters]), ask)

function reset() {
  tried.tryWith({})
  void ask()
}
</script>

<template>
  <section :aria-label="text.title" class="tried">
    <h3>{{ text.title }}</h3>
    <p v-if="failure" class="quiet" role="alert">{{ failure }}</p>
    <template v-else>
      <PromptForm
        v-model="asked"
        :source="source"
        :prompts="prompts"
        :resolved="resolved"
        :problems="problems"
        :running="false"
        count=""
        @run="tried.tryWith({ ...asked })"
      />
      <Button
        v-if="Object.keys(tried.answers.value).length"
        :label="text.reset"
        text
        size="small"
        @click="reset"
      />
    </template>
  </section>
</template>

<style scoped>
.tried {
  border-top: 1px solid var(--line);
  padding-top: 0.6rem;
}
h3 {
  font-size: 1rem;
  margin: 0;
}
.quiet {
  color: var(--quiet);
}
</style>
