import { api } from '@/api/client'
import { words } from '@/words'

/**
 * Makes an empty report on a dataset.
 *
 * @returns its id
 */
export async function makeReport(datasetId: string): Promise<string> {
  // The bench's code, which few need from the start.
  const { emptyReport } = await import('@/bench/edits/report')
  const dataset = await api.dataset(datasetId)
  const id = `r-${crypto.randomUUID().slice(0, 13)}`
  return (await api.addReport(emptyReport(id, words.bench.untitled, datasetId, dataset.counts))).id
}
