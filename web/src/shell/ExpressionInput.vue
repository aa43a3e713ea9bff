<script setup lang="ts">
import Textarea from 'primevue/textarea'
import { computed, inject, nextTick, ref, useTemplateRef } from 'vue'
import { FIELD_ID } from '@/bench/inspector/fieldId'
import { completions, type ExpressionName } from '@/shell/completions'
import { words } from '@/words'

/**
 * An expression that is typed, with the names and functions that fit what stands before the caret, by what they are called or by
 * what people call them. In a text it is what stands in braces.
 */
const props = defineProps<{
  names: ExpressionName[]
  invalid?: boolean
  placeholder?: string
  /** Whether expressions stand in braces, in a text around them. */
  inText?: boolean
}>()
const given = defineModel<string | undefined>({ required: true })
const expression = computed({
  get: () => given.value ?? '',
  set: (text) => (given.value = text || undefined),
})

const MOST = 7
const id = inject(FIELD_ID, undefined)
const area = useTemplateRef<{ $el: HTMLTextAreaElement }>('area')
const list = useTemplateRef('list')
const caret = ref(0)
const before = computed(() => expression.value.slice(0, caret.value))
const isOpen = computed(() => !props.inText || before.value.lastIndexOf('{') > before.value.lastIndexOf('}'))
const found = computed(() =>
  isOpen.value ? completions(before.value, props.names) : { typed: '', offers: [] },
)
const offered = computed(() => found.value.offers.slice(0, MOST))

function follow() {
  caret.value = area.value?.$el.selectionStart ?? 0
}

/** Puts a name in place of the word begun; in a function the caret goes to its first gap. */
async function take(text: string) {
  const start = caret.value - found.value.typed.length
  expression.value = expression.value.slice(0, start) + text + expression.value.slice(caret.value)
  const gap = /\((?:DISTINCT |WHERE )?(?=[ ,)])| (?= )/.exec(text)
  const inside = gap ? gap.index + gap[0].length : text.length
  await nextTick()
  const { $el } = area.value!
  $el.focus()
  $el.setSelectionRange(start + inside, start + inside)
  follow()
}

/** Whether the keyboard goes to what is offered. */
const isWithin = (event: FocusEvent) => list.value?.contains(event.relatedTarget as Node | null) ?? false

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
      :placeholder="placeholder"
      auto-resize
      :rows="inText ? 1 : 2"
      fluid
      size="small"
      spellcheck="false"
      autocapitalize="off"
      maxlength="4000"
      @input="follow"
      @keyup="follow"
      @click="follow"
      @keydown.down="step($event, 1)"
      @blur="caret = isWithin($event) ? caret : 0"
    />
    <ul v-if="offered.length" ref="list" :aria-label="words.data.edit.suggestions">
      <li v-for="offer in offered" :key="offer.text">
        <button
          type="button"
          :title="`${offer.text}: ${offer.about}`"
          @click="take(offer.text)"
          @keydown.down="step($event, 1)"
          @keydown.up="step($event, -1)"
          @keydown.esc.stop="area?.$el.focus()"
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
