import { changed, moved } from './report'
import type { Prompt, Report } from '@/api/client'

/** Whether a prompt's answer is two ends, each with a name in expressions. */
export const hasEnds = (prompt: Prompt) => ['period', 'number-range', 'text-range'].includes(prompt.type)

export function changePrompt(report: Report, id: string, change: Partial<Prompt>): Report {
  return { ...report, prompts: changed(report.prompts, id, change) }
}

export function movePrompt(report: Report, id: string, before: number): Report {
  return { ...report, prompts: moved(report.prompts, id, before) }
}
