import type { Answers, AnswerView, PromptView } from '@/api/client'

/** What every component that asks is told. */
export interface PromptProps {
  /** Id of the report. */
  report: string
  prompt: PromptView
  /** To all prompts, of which those above narrow what is offered. */
  answers: Answers
  /** What the answer stands for. */
  resolved?: AnswerView
  /** What is wrong with it. */
  problem?: string
}
