import { computed, ref, shallowRef } from 'vue'
import { freeId, type DatasetDefinition } from '../dictionary'
import {
  api,
  ApiError,
  type DatasetDocument,
  type DatasetView,
  type EffectView,
  type JoinBody,
} from '@/api/client'
import { words } from '@/words'
import { randomId } from '@/shell/randomId'

export interface Noun {
  one: string
  other: string
}

/** What a table is called that joins. */
export interface TableLine {
  id: string
  noun: Noun
  source?: string
  table: string
  key: string[]
  /** Whose it is, where the dataset is built on another. */
  inherited?: string
}

/**
 * A dataset while its tables are chosen. The server makes each step; every step can be undone until the dataset is kept.
 *
 * @param existing id of the dataset that is changed; none makes a new one
 */
export function useComposition(existing: string | undefined) {
  const text = words.compose
  const definition = shallowRef<DatasetDefinition>()
  const past = shallowRef<DatasetDefinition[]>([])
  const bases = shallowRef<DatasetView[]>([])
  const problem = ref('')
  const busy = ref(false)
  const effect = ref<EffectView>()
  let revision = 0

  const tables = computed<TableLine[]>(() => [
    ...(definition.value?.tables ?? []).map((table) => ({ ...table })),
    ...bases.value.flatMap((base) =>
      base.tables.map((table) => ({
        id: table.id,
        noun: { one: table.one, other: table.noun },
        table: table.source,
        key: [],
        inherited: base.label,
      })),
    ),
  ])
  const tableOf = (id: string) => tables.value.find((table) => table.id === id)
  const grain = computed(() => definition.value && tableOf(definition.value.grain))

  /** Does one thing at a time and says why where it fails. */
  async function doing<T>(work: () => Promise<T>): Promise<T | undefined> {
    busy.value = true
    problem.value = ''
    try {
      return await work()
    } catch (e) {
      const faults = e instanceof ApiError ? e.problems : []
      problem.value = faults.length ? faults.map((fault) => fault.message).join('; ') : (e as Error).message
      return undefined
    } finally {
      busy.value = false
    }
  }

  function become(next: DatasetDefinition) {
    if (definition.value) {
      past.value = [...past.value, definition.value]
    }
    definition.value = next
    effect.value = undefined
  }

  async function loadBases() {
    const ids = definition.value?.builtOn ?? []
    bases.value = await Promise.all(ids.map((id) => api.dataset(id)))
  }

  const load = () =>
    doing(async () => {
      const opened = await api.datasetEditing(existing!)
      revision = opened.revision
      definition.value = opened.definition
      await loadBases()
    })

  const start = (from: { source?: string; table?: string; dataset?: string }) =>
    doing(async () => {
      const made = await api.startDataset({ id: 'new-dataset', ...from })
      become(made.definition)
      await loadBases()
    })

  const step = (work: (now: DatasetDefinition) => Promise<DatasetDocument>) =>
    doing(async () => {
      become((await work(definition.value!)).definition)
      return true
    })

  const join = (plan: JoinBody) => step((now) => api.makeJoin(now, plan))
  const takeOut = (table: string) => step((now) => api.removeTable(now, table))

  /** Changes that need nobody's help. */
  function change(next: Partial<DatasetDefinition>) {
    if (definition.value) {
      become({ ...definition.value, ...next })
    }
  }

  const keep = (join: string, kept: 'all' | 'matched') =>
    change({ joins: definition.value!.joins.map((j) => (j.id === join ? { ...j, keep: kept } : j)) })

  const call = (table: string, noun: Noun) =>
    change({ tables: definition.value!.tables.map((t) => (t.id === table ? { ...t, noun } : t)) })

  function undo() {
    const before = past.value.at(-1)
    if (before) {
      past.value = past.value.slice(0, -1)
      definition.value = before
      void doing(loadBases)
    }
  }

  /** @returns the kept dataset's id */
  const save = () =>
    doing(async () => {
      const now = definition.value!
      if (!now.label.trim()) {
        throw new Error(text.unlabelled)
      }
      if (!existing) {
        const made = { ...now, id: newId(now) }
        await api.addDataset(made)
        return made.id
      }
      if (!effect.value) {
        const found = await api.datasetEffect(existing, now)
        if (found.broken.length || found.others || found.datasets.length) {
          effect.value = found
          return undefined
        }
      }
      try {
        await api.saveDataset(existing, now, revision)
      } catch (e) {
        throw e instanceof ApiError && e.status === 409 ? new Error(text.changed) : e
      }
      return existing
    })

  /** Called after its label; a few signs more make sure that no other has it. */
  const newId = (now: DatasetDefinition) =>
    `${freeId({ ...now, fields: [], calculated: [], measures: [], tables: [], joins: [] }, now.label).replace(/_/g, '-')}-${randomId().slice(0, 4)}`

  return {
    definition,
    tables,
    tableOf,
    grain,
    past,
    problem,
    busy,
    effect,
    load,
    start,
    join,
    takeOut,
    keep,
    call,
    change,
    undo,
    save,
  }
}
