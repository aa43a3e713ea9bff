import { computed, ref, shallowRef } from 'vue'
import { calledAnew } from './styleEdits'
import { api, ApiError, type HouseStyle, type StyleRevision, type WholeStyle } from '@/api/client'
import { words } from '@/words'

/** A house style as it is being changed. */
export function useStyleDraft() {
  const style = ref<HouseStyle>()
  const whole = shallowRef<WholeStyle>()
  const revisions = shallowRef<StyleRevision[]>([])
  const saved = shallowRef<HouseStyle>()
  const base = ref(0)
  /** Whether it comes along, so that it can be had as it was at first. */
  const isShipped = ref(false)
  /** Whether it is not there yet, but like another. */
  const isNew = ref(false)
  const problem = ref('')
  const newer = ref(false)
  /** In words, by pointer into the style's document. */
  const problems = ref<Record<string, string>>({})
  const isChanged = computed(() => isNew.value || JSON.stringify(style.value) !== JSON.stringify(saved.value))

  async function load(id: string) {
    forget()
    try {
      const found = await api.style(id)
      style.value = found.definition
      saved.value = found.definition
      whole.value = found.whole
      revisions.value = found.revisions
      base.value = found.revision
      isShipped.value = found.shipped
      isNew.value = false
    } catch (e) {
      problem.value = (e as Error).message
    }
  }

  function forget() {
    problem.value = ''
    problems.value = {}
    newer.value = false
  }

  /** Goes on with a style like this one. */
  function copy(taken: string[]) {
    style.value = calledAnew(style.value!, words.styles.copyName(style.value!.name), taken)
    isNew.value = true
    revisions.value = []
  }

  /** Saves it; returns whether that went well. */
  async function save(taken: string[]): Promise<boolean> {
    forget()
    try {
      if (isNew.value) {
        style.value = calledAnew(style.value!, style.value!.name, taken)
        await api.addStyle(style.value)
      } else {
        await api.saveStyle(style.value!.id, style.value!, base.value)
      }
      return true
    } catch (e) {
      problem.value = e instanceof ApiError ? (e.problems[0]?.message ?? e.message) : (e as Error).message
      if (e instanceof ApiError) {
        newer.value = e.status === 409
        problems.value = e.below('/look/')
      }
      return false
    }
  }

  /** Takes up an earlier state, to be looked at and saved. */
  async function takeUp(revision: number) {
    try {
      style.value = await api.styleRevision(style.value!.id, revision)
    } catch (e) {
      problem.value = (e as Error).message
    }
  }

  const discard = () => (style.value = saved.value)

  return {
    style,
    whole,
    revisions,
    isShipped,
    isNew,
    isChanged,
    problem,
    problems,
    newer,
    load,
    copy,
    save,
    takeUp,
    discard,
  }
}
