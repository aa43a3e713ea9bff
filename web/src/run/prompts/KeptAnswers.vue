<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import ToggleSwitch from 'primevue/toggleswitch'
import { computed, onMounted, ref } from 'vue'
import { api, type Answers, type KeptAnswers } from '@/api/client'
import { vFocus } from '@/shell/focus'
import { useSession } from '@/session/useSession'
import { words } from '@/words'

/** Answers under a name: taken from a list, or kept from what is answered now. */
const props = defineProps<{ report: string }>()
const asked = defineModel<Answers>({ required: true })

const text = words.run.kept
const session = useSession()
const kept = ref<KeptAnswers[]>([])
const naming = ref(false)
const name = ref('')
const forAll = ref(false)
const problem = ref('')
const isAuthor = computed(() => session.person?.role !== 'READER')
const options = computed(() =>
  kept.value.map((one) => ({ ...one, label: one.mine && !one.forAll ? one.name : text.forAllOf(one.name) })),
)
/** What a report does not ask any more is let go. */
const stillAsked = (answers: Answers) =>
  Object.fromEntries(Object.entries(answers).filter(([prompt]) => prompt in asked.value))
/** Those that are answered now. */
const chosen = computed(() =>
  options.value.find((one) =>
    Object.entries(stillAsked(one.answers)).every(
      ([prompt, answer]) => (asked.value[prompt] ?? '') === answer,
    ),
  ),
)

onMounted(async () => {
  kept.value = await api.keptAnswers(props.report).catch(() => [])
})

function take(id: number) {
  const answers = kept.value.find((one) => one.id === id)?.answers ?? {}
  asked.value = { ...asked.value, ...stillAsked(answers) }
}

async function keep() {
  problem.value = ''
  try {
    kept.value = await api.keepAnswers(props.report, name.value, forAll.value, { ...asked.value })
    naming.value = false
    name.value = ''
  } catch (e) {
    problem.value = (e as Error).message
  }
}

async function discard(id: number) {
  await api.discardAnswers(props.report, id).catch(() => {})
  kept.value = kept.value.filter((one) => one.id !== id)
}
</script>

<template>
  <div class="kept">
    <Select
      v-if="options.length"
      :model-value="chosen?.id"
      :options="options"
      option-label="label"
      option-value="id"
      :placeholder="text.choose"
      :aria-label="text.choose"
      size="small"
      fluid
      @update:model-value="take"
    />
    <div v-if="naming" class="naming">
      <InputText
        v-model="name"
        v-focus
        :aria-label="text.name"
        :placeholder="text.name"
        size="small"
        fluid
        @keydown.enter.prevent="keep"
        @keydown.esc.stop="naming = false"
      />
      <label v-if="isAuthor" class="switch"><ToggleSwitch v-model="forAll" /> {{ text.forAll }}</label>
      <Button :label="text.keep" size="small" outlined :disabled="!name.trim()" @click="keep" />
    </div>
    <div v-else class="tools">
      <Button :label="text.begin" icon="pi pi-bookmark" text size="small" @click="naming = true" />
      <Button
        v-if="chosen?.mine"
        :label="text.discard(chosen.name)"
        icon="pi pi-times"
        text
        size="small"
        @click="discard(chosen.id)"
      />
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
.kept {
  display: grid;
  gap: 0.3rem;
  margin-top: 0.6rem;
}
.naming {
  display: grid;
  gap: 0.3rem;
  justify-items: start;
}
.tools {
  display: flex;
  flex-wrap: wrap;
}
.switch {
  display: flex;
  gap: 0.4rem;
  align-items: center;
}
.problem {
  margin: 0;
  color: var(--danger);
}
</style>
