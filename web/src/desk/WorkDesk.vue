<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed } from 'vue'
import PanelEdge from './PanelEdge.vue'
import type { Folds } from './useFolds'

/**
 * What is worked on in the middle, and a panel to fold away and to widen at each side. On a narrow screen the panels lie over the work.
 */
const props = defineProps<{
  folds: Folds
  /** What the panels are called. */
  left: string
  right?: string
}>()

const leftOpen = computed(() => props.folds.isOpen('left'))
const rightOpen = computed(() => props.right !== undefined && props.folds.isOpen('right'))
const columns = computed(() => {
  const { left, right } = props.folds.width.value
  return props.folds.isNarrow.value
    ? 'minmax(0, 1fr)'
    : `${leftOpen.value ? `${left}px` : '0'} minmax(0, 1fr) ${rightOpen.value ? `${right}px` : '0'}`
})

useEventListener(document, 'keydown', (event: KeyboardEvent) => {
  if (event.key === 'Escape' && !event.defaultPrevented && props.folds.isNarrow.value) {
    props.folds.uncover()
  }
})
</script>

<template>
  <div class="work-desk" :class="{ narrow: folds.isNarrow.value }" :style="{ gridTemplateColumns: columns }">
    <aside v-show="leftOpen" class="panel left" :aria-label="left">
      <slot name="left" />
      <PanelEdge v-if="!folds.isNarrow.value" side="left" :folds="folds" :label="left" />
    </aside>
    <div class="middle">
      <slot />
    </div>
    <aside v-if="right" v-show="rightOpen" class="panel right" :aria-label="right">
      <PanelEdge v-if="!folds.isNarrow.value" side="right" :folds="folds" :label="right" />
      <slot name="right" />
    </aside>
  </div>
</template>

<style scoped>
.work-desk {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-rows: minmax(0, 1fr);
  position: relative;
}
.panel {
  position: relative;
  background: var(--panel);
  min-height: 0;
  min-width: 0;
  display: grid;
  grid-column: 1;
}
.left {
  border-right: 1px solid var(--line);
}
.right {
  border-left: 1px solid var(--line);
  grid-column: 3;
}
.middle {
  grid-column: 2;
  display: flex;
  flex-direction: column;
  min-height: 0;
  min-width: 0;
}
.narrow .middle {
  grid-column: 1;
  grid-row: 1;
}
.narrow .panel {
  position: absolute;
  inset: 0 auto 0 0;
  width: min(22rem, 92vw);
  z-index: 5;
  box-shadow: 0 0 2rem rgb(0 0 0 / 35%);
}
.narrow .right {
  inset: 0 0 0 auto;
}
</style>
