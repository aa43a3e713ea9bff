import { onMounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, type DatasetLine, type DatasetProfile, type DatasetView } from '@/api/client'

/** The datasets there are, and the one looked at; without one the first is opened. */
export function useDataset(id: () => string | undefined) {
  const router = useRouter()
  const datasets = ref<DatasetLine[]>([])
  const dataset = ref<DatasetView>()
  const profile = ref<DatasetProfile>()
  const problem = ref('')
  /** When the rows were read that are shown. */
  const readAt = ref<string>()

  /** @param keep whether what is shown stays until the new is there */
  async function load(wanted: string | undefined, keep = false) {
    if (!keep) {
      dataset.value = undefined
      profile.value = undefined
    }
    problem.value = ''
    if (!wanted) {
      return
    }
    try {
      const found = await api.dataset(wanted)
      if (wanted !== id()) {
        return
      }
      dataset.value = found
      const measured = await api.datasetProfile(wanted)
      const reading = await api.readingOf(wanted)
      if (wanted === id()) {
        profile.value = measured
        readAt.value = reading.readAt
      }
    } catch (e) {
      problem.value = (e as Error).message
    }
  }

  onMounted(async () => {
    try {
      datasets.value = await api.datasets()
    } catch (e) {
      problem.value = (e as Error).message
    }
  })
  watch(
    [id, datasets],
    ([wanted, list]) => {
      if (!wanted && list[0]) {
        void router.replace({ name: 'data', params: { id: list[0].id } })
      }
    },
    { immediate: true },
  )
  watch(id, (wanted) => load(wanted), { immediate: true })

  async function readAgain() {
    try {
      await api.readAgain(id()!)
    } catch (e) {
      problem.value = (e as Error).message
    }
    await load(id(), true)
  }

  return { datasets, dataset, profile, problem, readAt, reload: () => load(id(), true), readAgain }
}
