import { computed, ref, watch } from 'vue'
import type { LocationQuery } from 'vue-router'
import { answerOf, chosenOf } from './chosenValues'
import type { PromptSource } from './promptSource'
import type { AnswerView, Answers, PromptView } from '@/api/client'

/** The answers to prompts as written, with what the server says they stand for. */
export function useAnswers(source: PromptSource) {
  const asked = ref<Answers>({})
  const resolved = ref<Record<string, AnswerView>>({})
  const problems = ref<Record<string, string>>({})
  const isRight = computed(() => Object.keys(problems.value).length === 0)
  const looked = ref(true)
  /** Whether the answers as they stand were looked at, and nothing is wrong with them. */
  const isSettled = computed(() => looked.value && isRight.value)
  let prompts: PromptView[] = []
  /** The answers that the form had before. */
  let before: Answers = {}
  let newest = 0

  /** Answers from the address come before the report's defaults. */
  function load(all: PromptView[], query: LocationQuery) {
    prompts = all
    resolved.value = Object.fromEntries(prompts.map((p) => [p.name, p.answer]))
    asked.value = Object.fromEntries(
      prompts.map((p) => [p.name, typeof query[p.name] === 'string' ? String(query[p.name]) : p.asked]),
    )
    before = { ...asked.value }
  }

  /** The same answers without choices that those which were changed above leave no rows for. */
  async function fitting(answers: Answers): Promise<Answers> {
    const first = prompts.findIndex((prompt) => (answers[prompt.name] ?? '') !== (before[prompt.name] ?? ''))
    const fitting = { ...answers }
    for (const prompt of first < 0 ? [] : prompts.slice(first + 1)) {
      const many = prompt.type === 'CHOICES'
      const text = fitting[prompt.name] ?? ''
      if (text && (many || prompt.type === 'CHOICE')) {
        const chosen = many ? chosenOf(text) : { values: [text], except: false }
        const there = (await source.choices(prompt.name, fitting, '', chosen.values)).map((one) => one.value)
        const values = chosen.values.filter((value) => there.includes(value))
        fitting[prompt.name] = many ? answerOf({ ...chosen, values }) : (values[0] ?? '')
      }
    }
    return fitting
  }

  watch(
    asked,
    async (answers) => {
      const mine = ++newest
      looked.value = false
      const kept = await fitting(answers).catch(() => ({ ...answers }))
      const found = await source.resolve(kept).catch(() => [])
      if (mine !== newest) {
        return
      }
      resolved.value = Object.fromEntries(found.map((answer) => [answer.name, answer]))
      problems.value = Object.fromEntries(
        found.flatMap(({ name, problem }) => (problem ? [[name, problem]] : [])),
      )
      // What was typed stands in addresses as it was understood.
      for (const { name, asked, problem } of found) {
        if (answers[name] !== undefined && !problem) {
          answers[name] = asked === '' ? (kept[name] ?? '') : asked
        }
      }
      before = { ...answers }
      looked.value = true
    },
    { deep: true },
  )

  return { asked, resolved, problems, isRight, isSettled, load }
}
