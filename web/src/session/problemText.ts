import { ApiError } from '@/api/client'

/** Everything that a refusal says, a line each. */
export function problemText(error: Error): string {
  return error instanceof ApiError && error.problems.length
    ? error.problems.map((problem) => problem.message).join('\n')
    : error.message
}
