<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import Select from 'primevue/select'
import { onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { api, type HouseStyle, type Report, type ReportLine } from '@/api/client'
import { usePreview } from '@/bench/usePreview'
import PageNavigation from '@/run/PageNavigation.vue'
import PaperPage from '@/paper/PaperPage.vue'
import { useZoom } from '@/paper/useZoom'
import { words } from '@/words'

/** A report in a style that is being changed, before it is saved. */
const props = defineProps<{ styled: HouseStyle }>()
const text = words.styles
const reports = shallowRef<ReportLine[]>([])
const chosen = ref<string>()
const definition = shallowRef<Report>()
const { page, problems, failure, stale, show, turn } = usePreview()
const room = useTemplateRef<HTMLElement>('room')
const { width } = useElementSize(room)
const { zoom, fitWidth } = useZoom(page, () => width.value)

onMounted(async () => {
  reports.value = await api.reports().catch(() => [])
  chosen.value = reports.value[0]?.id
})

watch(chosen, async (id) => {
  definition.value = id ? (await api.editing(id).catch(() => undefined))?.definition : undefined
  await render()
  fitWidth()
})
watch(
  () => props.styled,
  () => void render(),
  { deep: true },
)
watch(width, fitWidth)

async function render() {
  if (definition.value) {
    await show(definition.value, {}, page.value?.number ?? 1, undefined, props.styled)
  }
}

defineExpose({ problems })
</script>

<template>
  <div class="shown">
    <label for="previewed">{{ text.previewOf }}</label>
    <Select
      v-model="chosen"
      input-id="previewed"
      :options="reports"
      option-label="title"
      option-value="id"
      filter
      size="small"
    />
    <PageNavigation
      v-if="page"
      :model-value="page.number"
      :pages="page.of"
      @update:model-value="(number: number) => turn(number)"
    />
  </div>
  <p v-if="failure" class="problem" role="alert">{{ failure }}</p>
  <p
    v-for="one in problems.filter(({ severity }) => severity === 'ERROR')"
    :key="one.pointer + one.message"
    class="problem"
    role="alert"
  >
    {{ one.message }}
  </p>
  <section ref="room" class="room" tabindex="0" :aria-label="text.preview" :class="{ stale }">
    <PaperPage v-if="page" :page="page" :zoom="zoom" />
    <p v-else>{{ text.noPreview }}</p>
  </section>
</template>

<style scoped>
.shown {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.5rem;
  padding-bottom: 0.75rem;
}
.room {
  min-width: 0;
  overflow: auto;
}
.stale {
  opacity: 0.5;
}
.problem {
  color: var(--danger);
  margin: 0 0 0.5rem;
}
</style>
