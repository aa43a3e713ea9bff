import { computed, shallowReactive, watch, type Ref } from 'vue'
import { api, type DatasetView, type Report } from '@/api/client'

/** The datasets of a report's blocks besides its own, fetched as they come to be used. */
export function useBlockDatasets(
  report: Readonly<Ref<Report | undefined>>,
  main: Readonly<Ref<DatasetView | undefined>>,
) {
  const others = shallowReactive(new Map<string, DatasetView>())
  const asked = new Set<string>()

  watch(
    report,
    (now) => {
      for (const { dataset } of now?.blocks ?? []) {
        if (dataset && dataset !== now!.dataset && !asked.has(dataset)) {
          asked.add(dataset)
          // One that is gone is among the problems of the report.
          void api.dataset(dataset).then(
            (view) => others.set(dataset, view),
            () => asked.delete(dataset),
          )
        }
      }
    },
    { immediate: true },
  )

  /** The dataset of an id; the report's own where none is named, or as long as it is on its way. */
  const of = (id: string | undefined) => (id && others.get(id)) || main.value
  const datasets = computed(() => [...(main.value ? [main.value] : []), ...others.values()])
  return { datasets, of }
}
