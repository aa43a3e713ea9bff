import createClient, { type Middleware } from 'openapi-fetch'
import type { components, paths } from './schema'
import { words } from '@/words'

/** A refusal or failure of the server, in words, as RFC 9457 carries it. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly problems: components['schemas']['ProblemView'][] = [],
    /** The newest revision, where somebody saved before. */
    readonly revision?: number,
  ) {
    super(message)
  }

  /** What is wrong with the parts below a place, by their names. */
  below(pointer: string): Record<string, string> {
    return Object.fromEntries(
      this.problems
        .filter((problem) => problem.pointer.startsWith(pointer))
        .map((problem) => [problem.pointer.slice(pointer.length), problem.message]),
    )
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

async function failure(response: Response): Promise<ApiError> {
  const problem = await response.json().catch(() => ({}))
  if (response.status === 401 && !response.url.endsWith('/api/session')) {
    onUnauthorised()
  }
  return new ApiError(
    response.status,
    problem.detail ?? words.failure.unknown,
    problem.problems ?? [],
    problem.revision,
  )
}

const ours: Middleware = {
  onRequest({ request }) {
    if (request.method !== 'GET') {
      request.headers.set('X-XSRF-TOKEN', csrfToken())
    }
  },
  async onResponse({ response }) {
    if (!response.ok) {
      throw await failure(response)
    }
  },
  onError({ error }) {
    return (error as Error).name === 'AbortError' ? (error as Error) : new ApiError(0, words.failure.offline)
  },
}

/** The server, as its OpenAPI description has it: a path, parameter or body that it does not know does not compile. */
export const http = createClient<paths>({ querySerializer: { array: { style: 'form', explode: false } } })
http.use(ours)

/** What a call answers. */
export async function answer<T>(call: Promise<{ data?: T; response: Response }>): Promise<T> {
  return (await call).data as T
}

/** A file, with the name that the server gives it (RFC 6266; the encoded form of RFC 8187). */
export interface NamedFile {
  name: string
  content: Blob
}

/** The file that a call answers, which is asked for with parseAs: 'blob'. */
export async function file(call: Promise<{ data?: Blob; response: Response }>): Promise<NamedFile> {
  const { data, response } = await call
  const encoded = /filename\*=UTF-8''([^;]+)/i.exec(response.headers.get('Content-Disposition') ?? '')?.[1]
  return { name: decodeURIComponent(encoded ?? 'report'), content: data as Blob }
}

/** Signing in and out, which the server's security answers by itself, outside the description. */
export async function security(
  path: '/api/session' | '/api/session/end',
  form?: URLSearchParams,
): Promise<void> {
  const request = new Request(path, {
    method: 'POST',
    headers: { 'X-XSRF-TOKEN': csrfToken() },
    body: form,
  })
  const response = await fetch(request).catch(() => {
    throw new ApiError(0, words.failure.offline)
  })
  if (!response.ok) {
    throw await failure(response)
  }
}
