<script setup lang="ts">
import { ref, watch } from 'vue'
import { api, type OutlineEntry } from '@/api/client'
import { onTreeFocus, onTreeKey } from '@/shell/tree'
import { words } from '@/words'

const props = defineProps<{ run: string; below?: string }>()
const emit = defineEmits<{ open: [entry: OutlineEntry] }>()

const entries = ref<OutlineEntry[]>()
const expanded = ref(new Set<string>())

watch(
  () => props.run,
  async (run) => {
    expanded.value = new Set()
    const found = await api.outline(run, props.below).catch(() => [])
    if (run === props.run) {
      entries.value = found
    }
  },
  { immediate: true },
)

function toggle(entry: OutlineEntry) {
  const next = new Set(expanded.value)
  if (!next.delete(entry.group)) {
    next.add(entry.group)
  }
  expanded.value = next
}
</script>

<template>
  <p v-if="below === undefined && entries?.length === 0" class="none">{{ words.run.noGroups }}</p>
  <ul
    v-else
    :class="{ inner: below !== undefined }"
    :role="below === undefined ? 'tree' : 'group'"
    :aria-label="below === undefined ? words.run.groups : undefined"
    @keydown="below === undefined && onTreeKey($event)"
    @focusin="below === undefined && onTreeFocus($event)"
  >
    <li
      v-for="(entry, i) in entries"
      :key="entry.group"
      role="treeitem"
      :tabindex="below === undefined && i === 0 ? 0 : -1"
      :aria-expanded="entry.children ? expanded.has(entry.group) : undefined"
      :aria-label="`${entry.label}, ${words.run.onPage(entry.page)}`"
      @keydown.enter.stop.prevent="emit('open', entry)"
      @tree-toggle.stop="entry.children && toggle(entry)"
    >
      <div class="entry" :class="{ title: entry.depth === 0 }">
        <button
          v-if="entry.children"
          class="toggle"
          type="button"
          tabindex="-1"
          :aria-label="`${expanded.has(entry.group) ? words.run.collapse : words.run.expand}: ${entry.label}`"
          @click="toggle(entry)"
        >
          <i
            :class="expanded.has(entry.group) ? 'pi pi-angle-down' : 'pi pi-angle-right'"
            aria-hidden="true"
          />
        </button>
        <span v-else class="toggle" />
        <span class="label" :title="`${entry.label} · ${entry.counts}`" @click="emit('open', entry)">
          {{ entry.label }}
        </span>
        <span class="page" aria-hidden="true">{{ entry.page }}</span>
      </div>
      <GroupOutline
        v-if="expanded.has(entry.group)"
        :run="run"
        :below="entry.group"
        @open="(inner: OutlineEntry) => emit('open', inner)"
      />
    </li>
  </ul>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
.entry.title {
  font-weight: 600;
}
.inner {
  margin-left: 0.75rem;
  border-left: 1px solid var(--line);
}
.entry {
  display: flex;
  align-items: center;
}
button {
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  cursor: pointer;
  padding: 0;
}
.toggle {
  width: 24px;
  height: 25px;
  flex: none;
}
li:focus-visible {
  outline: none;
}
li:focus-visible > .entry {
  outline: 2px solid var(--accent);
}
.label {
  cursor: pointer;
  flex: 1;
  min-width: 0;
  text-align: left;
  min-height: 25px;
  padding: 0.2rem 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.label:hover {
  color: var(--accent);
  text-decoration: underline;
}
.page {
  color: var(--quiet);
  font-variant-numeric: tabular-nums;
  padding-left: 0.5rem;
}
.none {
  color: var(--quiet);
  margin: 0;
}
</style>
