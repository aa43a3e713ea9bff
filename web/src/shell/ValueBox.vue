<script setup lang="ts">
import AutoComplete from 'primevue/autocomplete'
import { nextTick, reactive, ref, useTemplateRef, watch } from 'vue'
import { folded } from './folded'
import { nearest } from './nearest'
import { useNewest } from './useNewest'
import type { FieldValue } from '@/api/client'
import { words } from '@/words'

/**
 * A box in which values are chosen from those there are: part of a name and Enter or Tab takes the one that has it, shows those that have
 * it, or refuses it with the near ones.
 */
const props = defineProps<{
  /** The values that have a text in them. */
  search: (text: string) => Promise<FieldValue[]>
  inputId?: string
  label: string
  placeholder?: string
  many?: boolean
  /** Whether something else than the values offered may be typed, which others judge. */
  free?: boolean
  small?: boolean
  invalid?: boolean
}>()
const values = defineModel<string[]>({ required: true })
const emit = defineEmits<{ namesake: [field: string, code: string] }>()

const text = words.values
const box = useTemplateRef<{ show: () => void; hide: () => void }>('box')
const [offered, search] = useNewest((find) => props.search(find))
/** What is typed and not chosen yet. */
const typed = ref('')
const refused = ref<{ text: string; near: FieldValue[] }>()
/** A name that is chosen and that several have. */
const shared = ref<FieldValue>()

/** What chosen values are called, as far as the lists have told. */
const labels = reactive(new Map<string, string>())
const called = (value: string) => labels.get(value) ?? value

function set(chosen: unknown) {
  typed.value = typeof chosen === 'string' ? chosen : ''
  refused.value = undefined
  if (typeof chosen === 'object' && chosen) {
    take(chosen as FieldValue)
  } else if (!props.many && (props.free || !typed.value)) {
    keep()
  }
}

// What is chosen elsewhere takes the place of what is typed here.
watch(
  () => values.value[0],
  (now) => {
    if (!props.many && now !== typed.value) {
      typed.value = ''
    }
  },
)

/** Takes what was typed as it is. */
function keep() {
  shared.value = undefined
  values.value = typed.value ? [typed.value] : []
}

/** Whoever goes elsewhere leaves what was typed, which others judge. */
function onLeave() {
  if (!props.many && typed.value) {
    keep()
  }
}

function take(value: FieldValue) {
  typed.value = ''
  refused.value = undefined
  labels.set(value.value, value.label)
  shared.value = value.namesakes.length ? value : undefined
  values.value = props.many
    ? [...values.value.filter((other) => other !== value.value), value.value]
    : [value.value]
}

const leave = (value: string) => (values.value = values.value.filter((other) => other !== value))

/** Offers what has a text in it; all there is as long as the box says what is chosen already. */
const offer = (text: string) => search(!props.many && text === values.value[0] ? '' : text)

/** Makes a value of what was typed. */
async function settle(): Promise<void> {
  const sought = typed.value.trim()
  if (!sought) {
    return
  }
  // Searches that typing began may still be answered: this one is its own.
  const found = await search(sought)
  if (typed.value.trim() !== sought) {
    return
  }
  const is = (value: FieldValue) => [value.value, value.label].some((name) => folded(name) === folded(sought))
  const one = found.find(is) ?? (found.length === 1 ? found[0] : undefined)
  if (!one && found.length > 1) {
    box.value?.show()
    return
  }
  await nextTick()
  box.value?.hide()
  if (one) {
    take(one)
  } else if (!props.free) {
    const all = await props.search('').catch(() => [])
    onLeave()
    refused.value = { text: sought, near: nearest(sought, all) }
  }
}

function onKey(event: KeyboardEvent) {
  const input = event.target as HTMLInputElement
  // What the arrows stand on is taken by the list itself.
  const onOption = document.querySelector(`[id="${input.getAttribute('aria-activedescendant')}"]`)
  if (!typed.value.trim() || onOption) {
    return
  }
  if (event.key === 'Enter') {
    event.preventDefault()
    event.stopPropagation()
  }
  void settle()
}
</script>

<template>
  <div class="values" @keydown.enter.capture="onKey" @keydown.tab.capture="onKey">
    <p v-if="many && values.length" class="chosen">
      <button
        v-for="value in values"
        :key="value"
        type="button"
        class="chip"
        :aria-label="words.bench.sentence.remove(called(value))"
        @click="leave(value)"
      >
        {{ called(value) }} ×
      </button>
    </p>
    <AutoComplete
      ref="box"
      :model-value="typed || (many ? '' : (values[0] ?? ''))"
      :suggestions="offered"
      option-label="value"
      :input-id="inputId"
      :placeholder="placeholder"
      :aria-label="inputId ? undefined : label"
      dropdown
      complete-on-focus
      :delay="0"
      fluid
      :size="small ? 'small' : undefined"
      :invalid="invalid || !!refused"
      :empty-search-message="text.none"
      :pt="{ dropdown: { 'aria-label': text.all(label) }, emptyMessage: { role: 'option' } }"
      @complete="(event) => offer(event.query)"
      @update:model-value="set"
      @blur="onLeave"
    >
      <template #option="{ option }">
        <span class="option"
          ><span
            >{{ option.label }}
            <small v-if="option.namesakes.length" class="shared">{{
              text.sharedBy(option.namesakes.length)
            }}</small></span
          ><small>{{ option.rows?.toLocaleString('en-GB') }}</small></span
        >
      </template>
    </AutoComplete>
    <p v-if="refused" class="problem" role="alert">
      {{ text.refused(refused.text) }}
      <template v-if="refused.near.length">
        {{ text.near }}
        <button v-for="value in refused.near" :key="value.value" type="button" @click="take(value)">
          {{ value.label }}
        </button>
      </template>
    </p>
    <div v-if="shared" class="namesakes" role="status">
      <p>{{ text.shared(shared.label, shared.namesakes.length) }}</p>
      <ul>
        <li v-for="one in shared.namesakes" :key="one.code">
          <slot name="namesake" :one="one">
            <button type="button" @click="emit('namesake', one.field, one.code)">
              {{ [one.code, one.about].filter(Boolean).join(' · ') }}
            </button>
          </slot>
        </li>
      </ul>
    </div>
  </div>
</template>

<style scoped>
.option {
  display: flex;
  justify-content: space-between;
  gap: 1rem;
  width: 100%;
}
small {
  color: var(--quiet);
}
p {
  margin: 0.25rem 0 0;
}
.problem {
  color: var(--danger);
}
.chosen {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem;
  margin: 0 0 0.25rem;
}
button.chip {
  border-radius: 12px;
  background: var(--accent-soft);
  color: inherit;
  text-decoration: none;
  padding: 0 0.5rem;
  max-width: 100%;
  overflow: hidden;
  text-overflow: ellipsis;
}
.namesakes {
  color: var(--quiet);
}
ul {
  margin: 0.15rem 0 0;
  padding-left: 1.1rem;
}
button {
  border: 0;
  background: none;
  font: inherit;
  color: var(--accent);
  text-decoration: underline;
  cursor: pointer;
  padding: 0 0.3rem 0 0;
  min-height: 24px;
}
</style>
