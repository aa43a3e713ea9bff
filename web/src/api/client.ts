import type { components } from './schema'
import { words } from '@/words'

export type Session = components['schemas']['SessionView']
export type ReportLine = components['schemas']['ReportLine']
export type ReportView = components['schemas']['ReportView']
export type PromptView = components['schemas']['PromptView']
export type AnswerView = components['schemas']['AnswerView']
export type RunView = components['schemas']['RunView']
export type PageView = components['schemas']['PageView']
export type OutlineEntry = components['schemas']['Entry']
export type ProblemView = components['schemas']['ProblemView']
export type Answers = Record<string, string>

/** A refusal or failure of the server, in words, as RFC 9457 carries it. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly problems: ProblemView[] = [],
  ) {
    super(message)
  }
}

type Unauthorised = () => void
let onUnauthorised: Unauthorised = () => {}

/** Says what happens when a session has ended. */
export function whenUnauthorised(action: Unauthorised): void {
  onUnauthorised = action
}

/** The token changes at sign-in, so it is read anew for every call. */
function csrfToken(): string {
  const cookie = document.cookie.split('; ').find((part) => part.startsWith('XSRF-TOKEN='))
  return cookie ? decodeURIComponent(cookie.substring('XSRF-TOKEN='.length)) : ''
}

async function call(method: string, path: string, body?: BodyInit, type?: string): Promise<Response> {
  const headers: Record<string, string> = {}
  if (method !== 'GET') {
    headers['X-XSRF-TOKEN'] = csrfToken()
  }
  if (type) {
    headers['Content-Type'] = type
  }
  let response: Response
  try {
    response = await fetch(path, { method, headers, body })
  } catch {
    throw new ApiError(0, words.failure.offline)
  }
  if (!response.ok) {
    throw await failure(response)
  }
  return response
}

async function failure(response: Response): Promise<ApiError> {
  const problem = await response.json().catch(() => ({}))
  if (response.status === 401 && !response.url.endsWith('/api/session')) {
    onUnauthorised()
  }
  return new ApiError(response.status, problem.detail ?? words.failure.unknown, problem.problems ?? [])
}

async function get<T>(path: string): Promise<T> {
  return (await call('GET', path)).json() as Promise<T>
}

async function post<T>(path: string, body: unknown): Promise<T> {
  return (await call('POST', path, JSON.stringify(body), 'application/json')).json() as Promise<T>
}

const id = encodeURIComponent

/** The server's interface. */
export const api = {
  session: () => get<Session>('/api/session'),
  signIn: (name: string, password: string) =>
    call('POST', '/api/session', new URLSearchParams({ name, password })),
  signOut: () => call('POST', '/api/session/end'),
  reports: () => get<ReportLine[]>('/api/reports'),
  report: (report: string) => get<ReportView>(`/api/reports/${id(report)}`),
  resolve: (report: string, answers: Answers) =>
    post<AnswerView[]>(`/api/reports/${id(report)}/answers`, { answers }),
  startRun: (report: string, answers: Answers) => post<RunView>('/api/runs', { report, answers }),
  run: (run: string) => get<RunView>(`/api/runs/${id(run)}`),
  cancelRun: (run: string) => call('DELETE', `/api/runs/${id(run)}`),
  page: (run: string, number: number) => get<PageView>(`/api/runs/${id(run)}/pages/${number}`),
  outline: (run: string, below: number) => get<OutlineEntry[]>(`/api/runs/${id(run)}/outline?below=${below}`),
  file: async (run: string, format: string) =>
    (await call('GET', `/api/runs/${id(run)}/file?format=${format}`)).blob(),
  events: (run: string) => new EventSource(`/api/runs/${id(run)}/events`),
}
