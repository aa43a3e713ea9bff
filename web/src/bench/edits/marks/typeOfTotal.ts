import type { DatasetView } from '@/api/client'

const OF_ONE = /^(?:MIN|MAX|FIRST|LAST)\s*\(\s*([a-z_]\w*)\s*\)$/i

/** The type of a figure over many rows: that of its field where it is one value of it, that of a measure by its name, else a number. */
export function typeOfTotal(value: string, dataset: DatasetView): string {
  const name = OF_ONE.exec(value.trim())?.[1] ?? value.trim()
  return dataset.fields.find((field) => field.id === name)?.type ?? 'DECIMAL'
}
