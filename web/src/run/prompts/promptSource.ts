import { api, type Answers, type AnswerView, type FieldValue, type Report } from '@/api/client'

/** Where what is asked is answered from: a report as it is kept, or one that is being edited. */
export interface PromptSource {
  /** Says what answers stand for. */
  resolve: (answers: Answers) => Promise<AnswerView[]>
  /** What can be chosen at a prompt, given the answers above it; of some values alone, those that still can. */
  choices: (prompt: string, answers: Answers, find: string, only?: string[]) => Promise<FieldValue[]>
}

export const promptsOfReport = (id: string): PromptSource => ({
  resolve: (answers) => api.resolve(id, answers),
  choices: (prompt, answers, find, only) => api.choices(id, prompt, answers, find, only),
})

/** @param definition as it is now */
export const promptsOfDraft = (definition: () => Report): PromptSource => ({
  resolve: async (answers) => (await api.draftPrompts(definition(), answers)).map((prompt) => prompt.answer),
  choices: (prompt, answers, find, only) => api.draftChoices(definition(), prompt, answers, find, only),
})
