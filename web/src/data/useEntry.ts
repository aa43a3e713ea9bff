import { computed, onUnmounted, ref, watch, type Ref } from 'vue'
import {
  entryAt,
  entryOf,
  freeId,
  withChange,
  withEntry,
  withoutEntry,
  type DatasetDefinition,
  type Details,
  type Made,
} from './dictionary'
import { api, ApiError, type CheckView, type EffectView, type UsesView } from '@/api/client'
import { words } from '@/words'

const PAUSE_MILLIS = 300

/** What is edited: an entry that is there, or a new one. */
export interface Edited {
  dataset: string
  made: Made
  id?: string
}

/** A refusal with the entries that it is about, such as one that uses what is to be deleted. */
function inWords(failure: Error, document: DatasetDefinition | undefined): string {
  const problems = failure instanceof ApiError ? failure.problems : []
  const about = (pointer: string) => (document && entryAt(document, pointer)?.label) ?? pointer
  return problems.length
    ? [...new Set(problems.map((fault) => `${about(fault.pointer)}: ${fault.message}`))].join('; ')
    : failure.message
}

/** What is not as it was before. */
function changesOf(now: Details, before: Details): Partial<Details> {
  const isNew = ([key, value]: [string, unknown]) =>
    JSON.stringify(value) !== JSON.stringify(before[key as keyof Details])
  return Object.fromEntries(Object.entries(now).filter(isNew))
}

/**
 * An entry of a dataset's dictionary while it is edited: checked as it is typed, saved into the newest state of the dataset, so that two
 * people who edit different entries do not get in each other's way.
 *
 * @param start what is filled in already, besides what the entry has
 */
export function useEntry(edited: Edited, details: Ref<Details>, start: Partial<Details> = {}) {
  const text = words.data.edit
  const opened = ref<DatasetDefinition>()
  const check = ref<CheckView>()
  const effect = ref<EffectView>()
  const problem = ref('')
  const saving = ref(false)
  const isNew = edited.id === undefined
  const made = edited.made === 'MEASURE' ? 'MEASURE' : 'CALCULATED'
  let waiting: ReturnType<typeof setTimeout> | undefined
  let latest = 0

  /** The name that expressions call it by, where it is to be another. */
  const name = ref(edited.id)
  const uses = ref<UsesView>()

  /** The entry as it was when it was opened, to tell whether something was typed since. */
  const first = ref(JSON.stringify(details.value))
  const isChanged = computed(() => JSON.stringify(details.value) !== first.value || name.value !== edited.id)

  const id = computed(() => edited.id ?? (opened.value && freeId(opened.value, details.value.label)) ?? '')

  /** As it is kept: lines of an order that are still empty are none. */
  const kept = (): Details => ({ ...details.value, order: details.value.order?.filter(Boolean) })

  const applied = (definition: DatasetDefinition, at: string, entry = kept()) =>
    isNew ? withEntry(definition, made, at, entry) : withChange(definition, at, entry)

  async function load() {
    try {
      opened.value = (await api.datasetEditing(edited.dataset)).definition
      const entry = edited.id && entryOf(opened.value, edited.id)
      if (entry) {
        const { label, description, format, unit } = entry
        const found: Details = {
          label,
          description,
          format,
          unit,
          role: 'role' in entry ? entry.role : undefined,
          value: 'value' in entry ? entry.value : undefined,
          order: 'order' in entry && Array.isArray(entry.order) ? entry.order : undefined,
          direction: 'order' in entry && typeof entry.order === 'string' ? entry.order : undefined,
          lookup: 'lookup' in entry ? entry.lookup : undefined,
          hidden: 'hidden' in entry ? entry.hidden : undefined,
          ...start,
        }
        // What was typed while it was still on its way stays.
        const typed = changesOf(details.value, JSON.parse(first.value) as Details)
        first.value = JSON.stringify(found)
        details.value = { ...found, ...typed }
      }
    } catch (e) {
      problem.value = (e as Error).message
    }
  }

  async function checkNow() {
    const { value, label } = details.value
    if (edited.made === 'READ' || !opened.value || !value?.trim()) {
      check.value = undefined
      return
    }
    const asked = ++latest
    // Without a label yet, the expression can be judged all the same.
    const at = id.value
    const definition = applied(opened.value, at, { ...kept(), label: label.trim() || edited.made })
    try {
      const found = await api.checkDataset(edited.dataset, definition, at)
      if (asked === latest) {
        check.value = found
      }
    } catch (e) {
      problem.value = (e as Error).message
    }
  }

  watch(name, () => (uses.value = undefined))
  watch(
    [details, opened],
    () => {
      clearTimeout(waiting)
      effect.value = undefined
      waiting = setTimeout(() => void checkNow(), PAUSE_MILLIS)
    },
    { deep: true },
  )
  onUnmounted(() => clearTimeout(waiting))

  /** Why the newest state cannot take the change, where it cannot. */
  function obstacle(newest: DatasetDefinition): string | undefined {
    if (!edited.id) {
      return undefined
    }
    const now = entryOf(newest, edited.id)
    if (!now) {
      return text.gone(details.value.label)
    }
    const then = entryOf(opened.value!, edited.id)
    return JSON.stringify(now) === JSON.stringify(then) ? undefined : text.changed(now.label)
  }

  /** @returns the entry's id once it is saved; nothing where something stands against it */
  async function put(change: (newest: DatasetDefinition, at: string) => DatasetDefinition) {
    saving.value = true
    problem.value = ''
    let next: DatasetDefinition | undefined
    try {
      const { definition, revision } = await api.datasetEditing(edited.dataset)
      problem.value = obstacle(definition) ?? ''
      if (problem.value) {
        return undefined
      }
      const at = edited.id ?? freeId(definition, details.value.label)
      next = change(definition, at)
      if (!effect.value) {
        const found = await api.datasetEffect(edited.dataset, next)
        if (found.broken.length || found.others || found.datasets.length) {
          effect.value = found
          return undefined
        }
      }
      await api.saveDataset(edited.dataset, next, revision)
      return at
    } catch (e) {
      problem.value = inWords(e as Error, next)
      return undefined
    } finally {
      saving.value = false
    }
  }

  async function save() {
    if (!details.value.label.trim()) {
      problem.value = text.unlabelled
      return undefined
    }
    const renaming = edited.id && name.value && name.value !== edited.id
    if (renaming && !uses.value) {
      uses.value = await api.fieldUses(edited.dataset, edited.id!).catch((e: Error) => {
        problem.value = e.message
        return undefined
      })
      return undefined
    }
    const saved = await put((newest, at) => applied(newest, at))
    return saved && renaming ? rename(saved, name.value!) : saved
  }

  /** Everything that uses the entry follows its new name. */
  async function rename(from: string, to: string) {
    saving.value = true
    try {
      const { revision } = await api.datasetEditing(edited.dataset)
      await api.renameField(edited.dataset, from, to, revision)
      return to
    } catch (e) {
      problem.value = (e as Error).message
      return undefined
    } finally {
      saving.value = false
    }
  }

  const remove = () => put((newest, at) => withoutEntry(newest, at))

  void load()
  return { id, name, isChanged, uses, check, effect, problem, saving, save, remove }
}
