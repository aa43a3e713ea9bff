import type { PromptSource } from './promptSource'
import type { Answers, AnswerView, PromptView } from '@/api/client'

/** What every component that asks is told. */
export interface PromptProps {
  source: PromptSource
  prompt: PromptView
  /** To all prompts, of which those above narrow what is offered. */
  answers: Answers
  /** Fiscal years and quarters, where days are asked for. */
  fiscal?: { label: string; days: string }[]
  /** What the answer stands for. */
  resolved?: AnswerView
  /** What is wrong with it. */
  problem?: string
}
