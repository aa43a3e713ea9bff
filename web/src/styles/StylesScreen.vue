<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Textarea from 'primevue/textarea'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import StyleForm from './StyleForm.vue'
import StylePreview from './StylePreview.vue'
import { useStyleDraft } from './useStyleDraft'
import { useStyles } from './useStyles'
import { useUnsaved } from '@/shell/useUnsaved'
import { words } from '@/words'

/** House styles: how the pages of all reports look, changed here and seen on a report before they are saved. */
const props = defineProps<{ id?: string }>()
const router = useRouter()
const text = words.styles
const { styles, load: loadStyles } = useStyles()
const draft = useStyleDraft()
const { style, whole, isNew, isChanged, problem, problems, newer, revisions, isShipped } = draft
const announced = ref('')
const taken = computed(() => styles.value.map((one) => one.id))
const day = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' })
useUnsaved(() => isChanged.value)

const problemAt = (path: string) =>
  Object.entries(problems.value).find(([at]) => at === path || at.startsWith(`${path}/`))?.[1]

watch(
  [() => props.id, styles],
  ([id]) => {
    const wanted = id || styles.value[0]?.id
    if (wanted && wanted !== style.value?.id) {
      announced.value = ''
      void draft.load(wanted)
    }
  },
  { immediate: true },
)
void loadStyles().catch((e: Error) => (problem.value = e.message))

const show = (id: string) => router.push({ name: 'styles', params: { id } })

async function save() {
  const wasNew = isNew.value
  if (!(await draft.save(taken.value))) {
    return
  }
  const { id, name } = style.value!
  await loadStyles()
  await draft.load(id)
  announced.value = text.saved(name)
  if (wasNew) {
    await show(id)
  }
}
</script>

<template>
  <main class="styles">
    <nav class="list" :aria-label="text.title">
      <h1>{{ text.title }}</h1>
      <p class="quiet">{{ text.lead }}</p>
      <ul>
        <li v-for="(one, i) in styles" :key="one.id">
          <button
            type="button"
            :class="{ chosen: one.id === style?.id }"
            :aria-current="one.id === style?.id || undefined"
            @click="show(one.id)"
          >
            <strong>{{ one.name }}</strong>
            <span>{{ one.description }}</span>
            <small>{{ i === 0 ? text.usual : text.revision(one.revision) }}</small>
          </button>
        </li>
      </ul>
    </nav>
    <div v-if="style && whole" class="page">
      <StylePreview :styled="style" />
    </div>
    <aside v-if="style && whole" :aria-label="style.name">
      <label class="field"
        >{{ text.name }}
        <InputText v-model="style.name" maxlength="80" size="small" fluid />
      </label>
      <label class="field"
        >{{ text.about }}
        <Textarea v-model="style.description" maxlength="500" rows="2" size="small" fluid />
      </label>
      <p v-if="problem" class="problem" role="alert">
        {{ newer ? text.newer : problem }}
        <Button v-if="newer" :label="text.load" text size="small" @click="draft.load(style.id)" />
      </p>
      <p v-if="announced && !isChanged" role="status">{{ announced }}</p>
      <p v-else-if="isChanged" class="quiet">{{ text.unsaved }}</p>
      <div class="tools">
        <Button :label="text.save" size="small" :disabled="!isChanged" @click="save" />
        <Button v-if="isChanged && !isNew" :label="text.discard" text size="small" @click="draft.discard" />
        <Button
          v-if="!isNew"
          :label="text.copy"
          icon="pi pi-copy"
          text
          size="small"
          @click="draft.copy(taken)"
        />
      </div>
      <StyleForm v-model="style" :whole="whole" :problem="problemAt" />
      <details v-if="revisions.length" class="revisions" open>
        <summary>{{ text.revisions }}</summary>
        <ul>
          <li v-for="one in revisions" :key="one.number">
            {{ text.revisionBy(one.number, one.author, day.format(new Date(one.savedAt))) }}
            <Button :label="text.take" text size="small" @click="draft.takeUp(one.number)" />
          </li>
          <li v-if="isShipped">
            {{ text.shipped }}
            <Button
              :label="text.take"
              :aria-label="`${text.take}: ${text.shipped}`"
              text
              size="small"
              @click="draft.takeUp(0)"
            />
          </li>
        </ul>
      </details>
    </aside>
  </main>
</template>

<style scoped>
.styles {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 15rem minmax(0, 1fr) 24rem;
}
.list,
aside {
  background: var(--panel);
  overflow: auto;
  padding: 0.9rem 1rem;
}
.list {
  border-right: 1px solid var(--line);
}
aside {
  border-left: 1px solid var(--line);
}
.page {
  overflow: auto;
  padding: 0.9rem 1.1rem;
  background: var(--bench);
}
h1 {
  font-size: 1.15rem;
  margin: 0;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
.list button {
  display: grid;
  gap: 0.15rem;
  width: 100%;
  text-align: left;
  padding: 0.5rem 0.6rem;
  border: 0;
  border-left: 3px solid transparent;
  background: none;
  color: inherit;
  font: inherit;
  cursor: pointer;
}
.list button.chosen {
  border-left-color: var(--accent);
  background: var(--accent-soft);
}
.quiet,
small {
  color: var(--quiet);
}
.field {
  display: grid;
  gap: 0.2rem;
  margin-bottom: 0.6rem;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  margin-bottom: 0.75rem;
}
.problem {
  color: var(--danger);
}
.revisions summary {
  padding: 0.5rem 0;
  font-weight: 600;
  cursor: pointer;
}
@media (max-width: 900px) {
  .styles {
    display: block;
    overflow: auto;
  }
}
</style>
