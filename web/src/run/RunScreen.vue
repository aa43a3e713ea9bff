<script setup lang="ts">
import Button from 'primevue/button'
import ProgressBar from 'primevue/progressbar'
import { computed, onMounted, onUnmounted, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import GroupOutline from './GroupOutline.vue'
import PageNavigation from './PageNavigation.vue'
import PeriodPrompt from './PeriodPrompt.vue'
import { saveFile } from './saveFile'
import { useAnswers } from './useAnswers'
import { useRun } from './useRun'
import { api, ApiError, type PageView, type ReportView } from '@/api/client'
import PaperPage from '@/paper/PaperPage.vue'
import { PIXEL } from '@/paper/geometry'
import { words } from '@/words'

const props = defineProps<{ id: string }>()
const route = useRoute()
const router = useRouter()

const report = shallowRef<ReportView>()
const page = shallowRef<PageView>()
const number = ref(1)
const failure = ref('')
const exporting = ref(false)
const announcement = ref('')
const zoom = ref(1)
const desk = useTemplateRef('desk')
const { asked, resolved, problems, isRight, load: loadAnswers } = useAnswers(props.id)
const { run, problem: runProblem, start, cancel, isOver } = useRun(props.id)

const done = computed(() => run.value?.state === 'DONE')
const running = computed(() => run.value !== undefined && !isOver(run.value))

onMounted(async () => {
  window.addEventListener('keydown', onKey)
  try {
    report.value = await api.report(props.id)
    document.title = `${report.value.title} · Grammatus`
    loadAnswers(report.value, route.query)
    number.value = Math.max(1, Number.parseInt(String(route.query.page ?? '1'), 10) || 1)
    await runReport(number.value)
  } catch (e) {
    failure.value = (e as Error).message
  }
})
onUnmounted(() => window.removeEventListener('keydown', onKey))

async function runReport(openAt = 1) {
  failure.value = ''
  number.value = openAt
  try {
    await start(asked.value)
    await rememberInAddress()
  } catch (e) {
    failure.value = (e as Error).message
    if (e instanceof ApiError) {
      problems.value = Object.fromEntries(
        e.problems.map((p) => [p.pointer.replace('/answers/', ''), p.message]),
      )
    }
  }
}

/** The newest page asked for wins; the old one stays until it is there. */
watch([run, number], async ([current, wanted]) => {
  if (current?.state !== 'DONE') {
    return
  }
  if (wanted > current.pages) {
    number.value = current.pages
    return
  }
  try {
    const found = await api.page(current.id, wanted)
    if (run.value?.id === current.id && number.value === wanted) {
      if (page.value === undefined) {
        fitWidth(found)
      }
      page.value = found
      desk.value?.scrollTo({ top: 0 })
      await rememberInAddress()
    }
  } catch (e) {
    failure.value = (e as Error).message
  }
})

function rememberInAddress() {
  return router.replace({
    query: { ...asked.value, page: number.value > 1 ? String(number.value) : undefined },
  })
}

function fitWidth(sheet = page.value) {
  if (sheet && desk.value) {
    const room = desk.value.clientWidth - 150
    zoom.value = Math.min(1.6, Math.max(0.4, room / (sheet.width * PIXEL)))
  }
}

async function download() {
  if (!run.value || !report.value) {
    return
  }
  exporting.value = true
  announcement.value = words.run.exporting
  try {
    saveFile(await api.file(run.value.id, 'pdf'), `${props.id}.pdf`)
    announcement.value = words.run.exported(`${props.id}.pdf`)
  } catch (e) {
    announcement.value = ''
    failure.value = (e as Error).message
  } finally {
    exporting.value = false
  }
}

function onKey(event: KeyboardEvent) {
  const inField =
    event.target instanceof Element &&
    event.target.closest('input, textarea, [role=combobox], [role=listbox]')
  if (inField || event.ctrlKey || event.altKey || event.metaKey || !done.value) {
    return
  }
  const pages = run.value?.pages ?? 1
  const moves: Record<string, number> = {
    ArrowLeft: number.value - 1,
    ArrowRight: number.value + 1,
    Home: 1,
    End: pages,
  }
  const target = moves[event.key]
  if (target !== undefined) {
    event.preventDefault()
    number.value = Math.min(Math.max(1, target), pages)
  }
}
</script>

<template>
  <div class="screen">
    <aside class="side">
      <RouterLink to="/reports" class="back"
        ><i class="pi pi-angle-left" aria-hidden="true" />{{ words.run.back }}</RouterLink
      >
      <template v-if="report">
        <h1>{{ report.title }}</h1>
        <form @submit.prevent="runReport()">
          <h2 class="visually-hidden">{{ words.run.prompts }}</h2>
          <PeriodPrompt
            v-for="prompt in report.prompts"
            :key="prompt.name"
            v-model="asked[prompt.name]!"
            :prompt="prompt"
            :resolved="resolved[prompt.name]"
            :problem="problems[prompt.name]"
          />
          <div class="actions">
            <Button type="submit" :label="words.run.run" icon="pi pi-play" :disabled="!isRight" />
            <Button
              v-if="running"
              :label="words.run.cancel"
              severity="secondary"
              outlined
              @click="cancel()"
            />
          </div>
        </form>
        <section v-if="run && done" class="outline" :aria-label="words.run.groups">
          <h2>{{ words.run.groups }}</h2>
          <div class="scroll" tabindex="0">
            <GroupOutline :run="run.id" @open="(target) => (number = target)" />
          </div>
        </section>
      </template>
    </aside>

    <main class="stage">
      <div class="tools">
        <PageNavigation v-if="run && done" v-model="number" :pages="run.pages" />
        <span class="spring" />
        <template v-if="page">
          <Button
            icon="pi pi-minus"
            :aria-label="words.run.zoomOut"
            :title="words.run.zoomOut"
            text
            severity="secondary"
            @click="zoom = Math.max(0.4, zoom - 0.1)"
          />
          <Button
            :label="`${Math.round(zoom * 100)} %`"
            :title="words.run.fitWidth"
            text
            severity="secondary"
            @click="fitWidth()"
          />
          <Button
            icon="pi pi-plus"
            :aria-label="words.run.zoomIn"
            :title="words.run.zoomIn"
            text
            severity="secondary"
            @click="zoom = Math.min(2.5, zoom + 0.1)"
          />
        </template>
        <Button
          :label="words.run.export"
          icon="pi pi-download"
          outlined
          :disabled="!done"
          :loading="exporting"
          @click="download"
        />
      </div>

      <div v-if="running && run" class="progress" role="status">
        <span>{{ words.run.states[run.state] }} · {{ words.run.rowsRead(run.rowsRead) }}</span>
        <ProgressBar mode="indeterminate" :aria-label="words.run.running" />
      </div>
      <div v-if="failure || runProblem" class="failure" role="alert">{{ failure || runProblem }}</div>
      <div v-else-if="run?.state === 'FAILED'" class="failure" role="alert">
        <strong>{{ words.run.states.FAILED }}.</strong>
        <ul>
          <li v-for="p in run.problems" :key="p.pointer + p.message">{{ p.message }}</li>
        </ul>
      </div>
      <div v-else-if="run?.state === 'CANCELLED'" class="failure" role="alert">
        {{ words.run.states.CANCELLED }}.
      </div>
      <ul v-if="done && run && run.problems.length" class="notices">
        <li v-for="p in run.problems" :key="p.pointer + p.message">{{ p.message }}</li>
      </ul>

      <div
        ref="desk"
        class="desk"
        :class="{ stale: running }"
        tabindex="0"
        role="region"
        :aria-label="words.run.pages"
      >
        <PaperPage v-if="page" :page="page" :zoom="zoom" />
      </div>

      <footer v-if="run && done" class="foot">
        <span class="funnel">
          <span
            v-for="step in words.run.funnel(run.rowsRead, run.rowsKept, run.groups, run.pages)"
            :key="step"
            >{{ step }}</span
          >
        </span>
        <dl :aria-label="words.run.grandTotal">
          <dt class="name">{{ words.run.grandTotal }}</dt>
          <dd class="visually-hidden" />
          <template v-for="total in run.grandTotals" :key="total.label">
            <dt>{{ total.label }}</dt>
            <dd>{{ total.figure || '–' }}</dd>
          </template>
        </dl>
      </footer>
      <p class="visually-hidden" aria-live="polite">{{ announcement }}</p>
    </main>
  </div>
</template>

<style scoped>
.screen {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 272px minmax(0, 1fr);
}
.side {
  background: var(--panel);
  border-right: 1px solid var(--line);
  padding: 0.75rem 1rem;
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.back {
  display: inline-flex;
  align-items: center;
  gap: 0.25rem;
  text-decoration: none;
}
h1 {
  font-size: 1.2rem;
  line-height: 1.25;
  margin: 0.5rem 0 1rem;
  overflow-wrap: anywhere;
}
h2 {
  font-size: 1rem;
  margin: 0 0 0.35rem;
}
.actions {
  display: flex;
  gap: 0.5rem;
  margin: 0.9rem 0 0;
}
.outline {
  margin-top: 1.25rem;
  padding-top: 0.75rem;
  border-top: 1px solid var(--line);
  display: flex;
  flex-direction: column;
  min-height: 0;
  flex: 1;
}
.scroll {
  overflow-y: auto;
  margin-right: -0.5rem;
  padding-right: 0.5rem;
}
.stage {
  display: flex;
  flex-direction: column;
  min-height: 0;
  min-width: 0;
}
.tools {
  display: flex;
  align-items: center;
  gap: 0.25rem;
  padding: 0.4rem 1rem;
  background: var(--panel);
  border-bottom: 1px solid var(--line);
  min-height: 46px;
}
.spring {
  flex: 1;
}
.progress {
  padding: 0.5rem 1rem;
  display: grid;
  gap: 0.35rem;
}
.failure {
  margin: 0.75rem 1rem 0;
  padding: 0.6rem 0.9rem;
  color: var(--danger);
  background: var(--danger-soft);
  border-left: 3px solid var(--danger);
}
.failure ul {
  margin: 0.25rem 0 0;
  padding-left: 1.1rem;
}
.notices {
  margin: 0.5rem 1rem 0;
  padding-left: 1.1rem;
  color: var(--quiet);
}
.desk {
  flex: 1;
  min-height: 0;
  overflow: auto;
  padding: 1rem 1.5rem 2rem 0.5rem;
}
.desk.stale {
  opacity: 0.5;
}
.foot {
  display: flex;
  justify-content: space-between;
  gap: 1.5rem;
  padding: 0.45rem 1rem;
  background: var(--panel);
  border-top: 1px solid var(--line);
  white-space: nowrap;
  overflow: hidden;
}
.funnel {
  color: var(--quiet);
}
.funnel span + span::before {
  content: ' · ';
}
dl {
  display: flex;
  gap: 0.5rem;
  margin: 0;
  align-items: baseline;
}
dt {
  color: var(--quiet);
}
dt.name {
  color: var(--ink);
  font-weight: 600;
}
dd {
  margin: 0 0.5rem 0 0;
  font-weight: 600;
  font-variant-numeric: tabular-nums;
}
@media (max-width: 900px) {
  .screen {
    grid-template-columns: 220px minmax(0, 1fr);
  }
  .funnel {
    display: none;
  }
}
</style>
