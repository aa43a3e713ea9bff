import { computed, ref, watch } from 'vue'
import type { LocationQuery } from 'vue-router'
import { api, ApiError, type AnswerView, type Answers, type ReportView } from '@/api/client'

/** The answers to a report's prompts as written, with what the server says they stand for. */
export function useAnswers(report: string) {
  const asked = ref<Answers>({})
  const resolved = ref<Record<string, AnswerView>>({})
  const problems = ref<Record<string, string>>({})
  const isRight = computed(() => Object.keys(problems.value).length === 0)
  let newest = 0

  /** Answers from the address come before the report's defaults. */
  function load(view: ReportView, query: LocationQuery) {
    resolved.value = Object.fromEntries(view.prompts.map((p) => [p.name, p.answer]))
    asked.value = Object.fromEntries(
      view.prompts.map((p) => [p.name, typeof query[p.name] === 'string' ? String(query[p.name]) : p.asked]),
    )
  }

  watch(
    asked,
    async (answers) => {
      const mine = ++newest
      try {
        const found = await api.resolve(report, answers)
        if (mine === newest) {
          resolved.value = Object.fromEntries(found.map((answer) => [answer.name, answer]))
          problems.value = {}
          // What was typed stands in addresses as it was understood.
          for (const answer of found) {
            if (answers[answer.name] !== undefined && answer.asked !== '') {
              answers[answer.name] = answer.asked
            }
          }
        }
      } catch (e) {
        if (mine === newest && e instanceof ApiError) {
          problems.value = Object.fromEntries(
            e.problems.map((p) => [p.pointer.replace('/answers/', ''), p.message]),
          )
        }
      }
    },
    { deep: true },
  )

  return { asked, resolved, problems, isRight, load }
}
