<script setup lang="ts">
import Button from 'primevue/button'
import { ref } from 'vue'
import { words } from '@/words'

/** One part in the spine. */
export interface SpineItem {
  id: string
  label: string
  /** What else there is to say: a count, an order. */
  detail?: string
  /** How deep it stands inside others. */
  depth?: number
  off?: boolean
  selected?: boolean
  fixed?: boolean
}

const props = defineProps<{ title: string; items: SpineItem[]; empty?: string; level?: boolean }>()
const emit = defineEmits<{
  select: [id: string, event: MouseEvent | KeyboardEvent]
  remove: [id: string]
  toggle: [id: string]
  move: [id: string, before: number]
}>()

const dragged = ref<string>()
const over = ref<number>()

function drop(before: number) {
  if (dragged.value !== undefined) {
    emit('move', dragged.value, before)
  }
  dragged.value = undefined
  over.value = undefined
}

function nudge(event: KeyboardEvent, index: number, step: -1 | 1) {
  if (!event.ctrlKey) {
    return
  }
  event.preventDefault()
  event.stopPropagation()
  const id = props.items[index]!.id
  emit('move', id, step > 0 ? Math.min(props.items.length, index + 2) : Math.max(0, index - 1))
}
</script>

<template>
  <section class="section">
    <header>
      <h2>{{ title }}</h2>
      <slot name="add" />
    </header>
    <ul v-if="items.length">
      <li
        v-for="(item, i) in items"
        :key="item.id"
        :class="{ selected: item.selected, off: item.off, over: over === i }"
        :style="item.depth ? { '--depth': item.depth } : undefined"
        :draggable="!item.fixed"
        @dragstart="dragged = item.id"
        @dragend="((dragged = undefined), (over = undefined))"
        @dragover.prevent="over = i"
        @drop.prevent="drop(i)"
      >
        <span v-if="level" class="depth" :style="{ '--level': `var(--level-${Math.min(i + 1, 4)})` }" />
        <button
          type="button"
          class="item"
          :aria-pressed="item.selected"
          :title="item.detail ? `${item.label}: ${item.detail}` : item.label"
          @click="emit('select', item.id, $event)"
          @keydown.up="nudge($event, i, -1)"
          @keydown.down="nudge($event, i, 1)"
        >
          <span class="name">{{ item.label }}</span>
          <small v-if="item.detail">{{ item.detail }}</small>
        </button>
        <span v-if="!item.fixed" class="tools">
          <Button
            :icon="item.off ? 'pi pi-eye-slash' : 'pi pi-eye'"
            :aria-label="item.off ? words.bench.spine.on(item.label) : words.bench.spine.off(item.label)"
            :title="item.off ? words.bench.spine.on(item.label) : words.bench.spine.off(item.label)"
            text
            size="small"
            severity="secondary"
            class="tool"
            @click="emit('toggle', item.id)"
          />
          <Button
            icon="pi pi-times"
            :aria-label="words.bench.spine.remove(item.label)"
            :title="words.bench.spine.remove(item.label)"
            text
            size="small"
            severity="secondary"
            class="tool"
            @click="emit('remove', item.id)"
          />
        </span>
      </li>
    </ul>
    <p v-else-if="empty" class="empty">{{ empty }}</p>
    <slot />
    <div
      v-if="dragged"
      class="end"
      @dragover.prevent="over = items.length"
      @drop.prevent="drop(items.length)"
    />
  </section>
</template>

<style scoped>
header {
  display: flex;
  align-items: center;
  min-height: 28px;
}
h2 {
  font-size: 1rem;
  margin: 0;
  flex: 1;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  align-items: center;
  border-radius: 3px;
  min-height: 26px;
  border-top: 2px solid transparent;
  position: relative;
  padding-left: calc(var(--depth, 0) * 0.9rem);
}
li.over {
  border-top-color: var(--accent);
}
li.selected {
  background: var(--accent-soft);
}
.off .item {
  color: var(--quiet);
  text-decoration: line-through;
}
.depth {
  flex: none;
  width: 6px;
  height: 16px;
  margin-left: 2px;
  border: 1.5px solid var(--level);
  border-right: 0;
  border-radius: 5px 0 0 5px;
}
.item {
  flex: 1;
  min-width: 0;
  display: flex;
  gap: 0.4rem;
  align-items: baseline;
  justify-content: space-between;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  padding: 0.2rem 0.35rem;
  min-height: 24px;
  cursor: pointer;
}
.name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
small {
  color: var(--quiet);
  white-space: nowrap;
  flex: none;
  max-width: 60%;
  overflow: hidden;
  text-overflow: ellipsis;
}
.tool {
  width: 24px;
  height: 24px;
  padding: 0;
  flex: none;
}
/* Over the end of the text, which has the whole row while nobody points at it. */
.tools {
  position: absolute;
  right: 0;
  display: flex;
  border-radius: 3px;
  background: var(--panel);
  opacity: 0;
}
li.selected .tools {
  background: var(--accent-soft);
}
li:hover .tools,
li:focus-within .tools,
.off .tools {
  opacity: 1;
}
.empty {
  color: var(--quiet);
  margin: 0 0 0.2rem 0.35rem;
}
.end {
  height: 10px;
}
</style>
