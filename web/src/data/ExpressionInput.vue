<script setup lang="ts">
import Textarea from 'primevue/textarea'
import { computed, inject, nextTick, ref, useTemplateRef } from 'vue'
import { FIELD_ID } from '@/bench/inspector/fieldId'
import { folded } from '@/shell/folded'
import { words } from '@/words'

/** An expression that is typed, with the names and functions that fit what stands before the caret. */
const props = defineProps<{ names: { id: string; label: string }[]; invalid?: boolean }>()
const expression = defineModel<string>({ required: true })

const MOST = 7
const id = inject(FIELD_ID, undefined)
const area = useTemplateRef<{ $el: HTMLTextAreaElement }>('area')
const list = useTemplateRef('list')
const caret = ref(0)
const word = computed(() => /[A-Za-z_][A-Za-z0-9_]*$/.exec(expression.value.slice(0, caret.value))?.[0] ?? '')
const offered = computed(() => {
  const typed = folded(word.value)
  if (!typed) {
    return []
  }
  const names = props.names.map((name) => ({ text: name.id, about: name.label }))
  const functions = Object.entries(words.data.functions).map(([text, about]) => ({ text, about }))
  const fits = (text: string) => folded(text).includes(typed)
  const begins = (text: string) => (folded(text).startsWith(typed) ? 0 : 1)
  return [...names, ...functions]
    .filter((offer) => (fits(offer.text) || fits(offer.about)) && folded(offer.text) !== typed)
    .sort((a, b) => begins(a.text) - begins(b.text))
    .slice(0, MOST)
})

function follow() {
  caret.value = area.value?.$el.selectionStart ?? 0
}

/** Puts a name in place of the word begun; in a function the caret goes to its first gap. */
async function take(text: string) {
  const start = caret.value - word.value.length
  expression.value = expression.value.slice(0, start) + text + expression.value.slice(caret.value)
  const gap = /\((?:DISTINCT |WHERE )?(?=[ ,)])| (?= )/.exec(text)
  const inside = gap ? gap.index + gap[0].length : text.length
  await nextTick()
  const { $el } = area.value!
  $el.focus()
  $el.setSelectionRange(start + inside, start + inside)
  follow()
}

function step(event: KeyboardEvent, by: number) {
  const options = [...(list.value?.querySelectorAll('button') ?? [])]
  const next = options.indexOf(document.activeElement as HTMLButtonElement) + by
  if (options.length) {
    event.preventDefault()
    ;(options[next] ?? area.value!.$el).focus()
  }
}
</script>

<template>
  <div class="expression">
    <Textarea
      :id="id"
      ref="area"
      v-model="expression"
      :invalid="invalid"
      auto-resize
      rows="3"
      fluid
      size="small"
      spellcheck="false"
      autocapitalize="off"
      maxlength="4000"
      @input="follow"
      @keyup="follow"
      @click="follow"
      @keydown.down="step($event, 1)"
    />
    <ul v-if="offered.length" ref="list" :aria-label="words.data.edit.suggestions">
      <li v-for="offer in offered" :key="offer.text">
        <button
          type="button"
          :title="offer.about"
          @click="take(offer.text)"
          @keydown.down="step($event, 1)"
          @keydown.up="step($event, -1)"
        >
          <span>{{ offer.text }}</span>
          <small>{{ offer.about }}</small>
        </button>
      </li>
    </ul>
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0.2rem 0 0;
  padding: 0.2rem;
  border: 1px solid var(--line);
  border-radius: 4px;
}
button {
  display: flex;
  justify-content: space-between;
  gap: 0.6rem;
  width: 100%;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  padding: 0.15rem 0.35rem;
  border-radius: 3px;
  cursor: pointer;
}
button:hover,
button:focus {
  background: var(--accent-soft);
}
span {
  white-space: nowrap;
}
/* An explanation may be long: it is cut, and does not push the panel aside. */
small {
  color: var(--quiet);
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
