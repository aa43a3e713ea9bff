import { api } from '@/api/client'
import { begin } from '@/bench/newReport'
import { words } from '@/words'
import { randomId } from '@/shell/randomId'

/**
 * Begins an empty report on a dataset. It goes on record with its first change, so that one that is left at once leaves no trace.
 *
 * @returns its id
 */
export async function makeReport(datasetId: string): Promise<string> {
  // The bench's code, which few need from the start.
  const { emptyReport } = await import('@/bench/edits/report')
  const dataset = await api.dataset(datasetId)
  const id = `r-${randomId().slice(0, 13)}`
  begin(emptyReport(id, words.bench.untitled, datasetId, dataset.counts))
  return id
}
