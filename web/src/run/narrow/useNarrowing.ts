import { useDebounceFn } from '@vueuse/core'
import { computed, ref, shallowRef, watch, type Ref } from 'vue'
import type { useView } from '../useView'
import { api, type AnswerView, type NarrowableField, type RunView } from '@/api/client'
import { words } from '@/words'

/** A field as it is narrowed by, or may be. */
export interface Narrowed {
  /** As addresses call it: its id, behind a block's and a point where that block alone is narrowed. */
  handle: string
  label: string
  field: NarrowableField
  /** What it is narrowed to, as answers are written; nothing for all. */
  values: string
  /** What that stood for in the run that is shown. */
  answer?: AnswerView
}

/** Whoever ticks several values, or types a range, waits for one run. */
const PAUSE_MILLIS = 300
/** What no period is called. */
const ALL = 'all'

/** Which fields a reader narrows a run by, and to what. */
export function useNarrowing(
  run: Readonly<Ref<RunView | undefined>>,
  looked: ReturnType<typeof useView>,
  act: { run: () => void; reveal: () => void },
) {
  const fields = shallowRef<NarrowableField[]>([])
  const answers = shallowRef(new Map<string, AnswerView>())
  /** The fields that were opened and are not narrowed by yet. */
  const opened = ref<string[]>([])
  /** The field that is to take the focus as soon as it is there. */
  const revealed = ref<string>()

  const inBlock = (field: NarrowableField) => `${field.block}.${field.field}`
  const handles = (field: NarrowableField) => [...(field.first ? [field.field] : []), inBlock(field)]
  const find = (handle: string) => fields.value.find((field) => handles(field).includes(handle))
  const hasSeveral = () => new Set(fields.value.map((field) => field.block)).size > 1

  watch(
    () => (run.value?.state === 'DONE' ? run.value.id : undefined),
    async (id) => {
      const found = id && (await api.narrowable(id).catch(() => undefined))
      if (found && id === run.value?.id) {
        fields.value = found.fields
        answers.value = new Map(
          found.narrowed.map((one) => [one.block ? `${one.block}.${one.field}` : one.field, one.answer]),
        )
      }
    },
  )

  const shown = computed<Narrowed[]>(() => {
    const beside = fields.value.filter((field) => field.beside && field.first).map((field) => field.field)
    return [...new Set([...beside, ...looked.narrowed.value, ...opened.value])].flatMap((handle) => {
      const field = find(handle)
      return field
        ? [
            {
              handle,
              label:
                handle === field.field
                  ? field.label
                  : words.narrow.in(field.label, field.title ?? field.block),
              field,
              values: looked.narrowedTo(handle),
              answer: answers.value.get(handle),
            },
          ]
        : []
    })
  })

  /** The fields that may be narrowed by and are not shown yet. */
  const others = computed(() =>
    fields.value.filter((field) => field.first && shown.value.every((one) => one.handle !== field.field)),
  )

  const runSoon = useDebounceFn(act.run, PAUSE_MILLIS)

  /** Shows what a field may be narrowed to. */
  function open(handle: string) {
    opened.value = [...new Set([...opened.value, handle])]
    revealed.value = handle
    act.reveal()
  }

  /** The field that was opened has taken the focus. */
  const reach = () => (revealed.value = undefined)

  function narrowTo(handle: string, values: string) {
    // What was ticked last stays where it is, even where nothing is ticked any more.
    opened.value = [...new Set([...opened.value, handle])]
    const wanted = values === ALL ? '' : values
    if (wanted !== looked.narrowedTo(handle)) {
      looked.narrowTo(handle, wanted)
      void runSoon()
    }
  }

  /** Shows a field no more, and all of its values. */
  function stop(handle: string) {
    opened.value = opened.value.filter((other) => other !== handle)
    if (looked.narrowedTo(handle)) {
      looked.narrowTo(handle, '')
      act.run()
    }
  }

  /** The commands that open what a column or level may be narrowed to. */
  function commands(part: string) {
    return fields.value
      .filter((field) => field.parts.includes(part))
      .flatMap((field) => {
        const label = words.narrow.of(field.label)
        return hasSeveral()
          ? [
              { label: label + words.why.reaches.block, command: () => open(inBlock(field)) },
              { label: label + words.why.reaches.report, command: () => open(field.field) },
            ]
          : [{ label, command: () => open(field.field) }]
      })
  }

  /** The fields of the first block, by which a reader may look for what is not there. */
  const tellers = computed(() =>
    fields.value
      .filter((field) => field.block === fields.value[0]!.block && field.parts.length > 0)
      .map(({ field, label }) => ({ id: field, label })),
  )
  const firstBlock = computed(() => fields.value[0]?.block ?? '')

  return { shown, others, tellers, firstBlock, revealed, reach, open, narrowTo, stop, commands }
}

export type Narrowing = ReturnType<typeof useNarrowing>
