<script setup lang="ts">
import Button from 'primevue/button'
import Textarea from 'primevue/textarea'
import ToggleSwitch from 'primevue/toggleswitch'
import { computed, ref } from 'vue'
import { answerOf, chosenOf } from './chosenValues'
import PromptFrame from './PromptFrame.vue'
import type { FieldValue } from '@/api/client'
import { vFocus } from '@/shell/focus'
import ValueBox from '@/shell/ValueBox.vue'
import { words } from '@/words'
import type { PromptProps } from './promptProps'

/** Asks for any number of values: chosen one by one, pasted as a list, or all but some. */
const props = defineProps<PromptProps>()
/** The answer as written; empty for all. */
const asked = defineModel<string>({ required: true })

/** As many as the server offers at once. */
const MOST_OFFERED = 200
const text = words.run.values
const chosen = computed(() => chosenOf(asked.value))
const pasting = ref<string>()
/** Those of a pasted list that no row has. */
const unknown = ref<string[]>([])

function set(values: string[], except = chosen.value.except) {
  asked.value = answerOf({ values, except })
}

/** Takes a list in, by key or by name; what is not there is told, and stays to be mended. */
async function takeIn() {
  const wanted = chosenOf(pasting.value ?? '').values
  const choices = (find: string) =>
    props.source.choices(props.prompt.name, props.answers, find).catch(() => [])
  const first = await choices('')
  const found: string[] = []
  const missing: string[] = []
  for (const value of wanted) {
    const is = (known: FieldValue) => [known.value, known.label].includes(value)
    // A list that is given in full is asked once; of a longer one, each is sought that its first part has not.
    const one = first.find(is) ?? (first.length < MOST_OFFERED ? undefined : (await choices(value)).find(is))
    if (one) {
      found.push(one.value)
    } else {
      missing.push(value)
    }
  }
  unknown.value = missing
  pasting.value = missing.length ? missing.join('\n') : undefined
  set([...new Set([...chosen.value.values, ...found])])
}
</script>

<template>
  <PromptFrame :prompt="prompt" :problem="problem">
    <ValueBox
      :model-value="chosen.values"
      :search="(find) => props.source.choices(prompt.name, answers, find)"
      :input-id="`answer-${prompt.name}`"
      :label="prompt.label"
      :placeholder="chosen.values.length ? '' : words.run.choose"
      :invalid="!!problem"
      many
      @update:model-value="(values: string[]) => set(values)"
    >
      <template #namesake="{ one }">{{ [one.code, one.about].filter(Boolean).join(' · ') }}</template>
    </ValueBox>
    <div class="tools">
      <label v-if="chosen.values.length" class="switch">
        <ToggleSwitch
          :model-value="chosen.except"
          @update:model-value="(except: boolean) => set(chosen.values, except)"
        />
        {{ text.allBut }}
      </label>
      <Button v-if="chosen.values.length" :label="text.all" text size="small" @click="asked = ''" />
      <Button
        v-if="pasting === undefined"
        :label="text.paste"
        icon="pi pi-clipboard"
        text
        size="small"
        @click="pasting = ''"
      />
    </div>
    <template v-if="pasting !== undefined">
      <Textarea
        v-model="pasting"
        v-focus
        :aria-label="text.pasteHere"
        :placeholder="text.pasteHere"
        rows="4"
        fluid
      />
      <p v-if="unknown.length" class="problem" role="alert">{{ text.unknown(unknown.length) }}</p>
      <Button :label="text.takeIn" size="small" outlined :disabled="!pasting.trim()" @click="takeIn" />
    </template>
  </PromptFrame>
</template>

<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 0.6rem;
  align-items: center;
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
