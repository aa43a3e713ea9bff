import { computed, inject } from 'vue'
import type { FieldNames } from './findFields'
import { IN_REPORT } from './namedEdits'
import type { DatasetView } from '@/api/client'

/** By what the fields of a dataset are found on the bench. */
export function useFieldNames(dataset: () => DatasetView): FieldNames {
  const inReport = inject(IN_REPORT, () => [])
  const nouns = computed(() => new Map(dataset().tables.map((table) => [table.id, table.noun])))
  return {
    inReport,
    table: (field) => nouns.value.get(field.table) ?? '',
    isUsualDate: (field) => field.id === dataset().dateField,
  }
}
