<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { computed } from 'vue'
import type { Command } from './commands'
import { words } from '@/words'

const props = defineProps<{ commands: Command[]; gestures: string[][] }>()
const visible = defineModel<boolean>('visible', { required: true })
const groups = computed(() => {
  const found = new Map<string, Command[]>()
  props.commands
    .filter((command) => command.keys.length)
    .forEach((command) => found.set(command.group, [...(found.get(command.group) ?? []), command]))
  return [...found]
})
</script>

<template>
  <Dialog
    v-model:visible="visible"
    modal
    dismissable-mask
    :header="words.bench.help"
    :style="{ width: 'min(60rem, 94vw)' }"
    :pt="{ content: { tabindex: 0 } }"
  >
    <div class="columns">
      <section v-if="gestures.length">
        <h3>{{ words.bench.gestures.title }}</h3>
        <dl>
          <div v-for="gesture in gestures" :key="gesture[0]">
            <dt>{{ gesture[0] }}</dt>
            <dd>{{ gesture[1] }}</dd>
          </div>
        </dl>
      </section>
      <section v-for="[group, list] in groups" :key="group">
        <h3>{{ group }}</h3>
        <dl>
          <div v-for="command in list" :key="command.id">
            <dt>
              <kbd v-for="key in command.keys" :key="key">{{ key }}</kbd>
            </dt>
            <dd>{{ command.name }}</dd>
          </div>
        </dl>
      </section>
    </div>
    <p class="notices">
      {{ words.notices.lead }}
      <a href="/notices/server.txt" target="_blank" rel="noopener">{{ words.notices.server }}</a> ·
      <a href="/notices/web.md" target="_blank" rel="noopener">{{ words.notices.web }}</a>
    </p>
  </Dialog>
</template>

<style scoped>
.columns {
  columns: 2 24rem;
  column-gap: 2rem;
}
.notices {
  color: var(--quiet);
  margin: 1rem 0 0;
}
section {
  break-inside: avoid;
}
h3 {
  margin: 0.3rem 0;
  font-size: 1rem;
}
dl {
  margin: 0 0 0.8rem;
}
dl div {
  display: grid;
  grid-template-columns: 11rem 1fr;
  gap: 0.5rem;
  padding: 0.15rem 0;
}
dt {
  color: var(--quiet);
}
dd {
  margin: 0;
}
kbd {
  margin-right: 0.3rem;
}
</style>
