import { t } from '@/words/words'
/** One page of a longer list. */
export interface Paged<One> {
  data: One[]
  links: { next: string | null }
}

/** An answer that was no success, in the server's own sentence. */
export class Refused extends Error {
  constructor(
    message: string,
    readonly status: number,
    readonly body: Record<string, unknown>,
  ) {
    super(message)
  }
}

/** The token that the server gave this page; a change without it is refused. */
export function pageToken(cookies: string): string {
  const found = cookies.split('; ').find((one) => one.startsWith('XSRF-TOKEN='))
  return found === undefined ? '' : decodeURIComponent(found.slice('XSRF-TOKEN='.length))
}

/** Tells this page from others that are open: a preview only takes the place of one of the same page. */
const PAGE = Math.random().toString(36).slice(2)

/** The step of touching up that this page works on: what it asks and changes is the result, not the source. */
let touchUp = ''
export function workOn(step: string | null) {
  touchUp = step ?? ''
}

/** Whether this page is one that leads in: whoever is there is not known yet. */
export const isAtDoor = (path = location.pathname) => /^\/(sign-in$|password\/)/.test(path)

/** What is done where the server does not know, or does not know any more, who is at this page. */
let onSignedOut = () => {}
export function whenSignedOut(then: () => void) {
  onSignedOut = then
}

async function call<T>(method: string, path: string, body?: unknown, signal?: AbortSignal, again = false): Promise<T> {
  const form = body instanceof FormData
  let response: Response
  try {
    response = await fetch(`/api/v1/${path}`, {
      method,
      headers: { Accept: 'application/json', 'X-XSRF-TOKEN': pageToken(document.cookie), 'X-Page': PAGE, ...(touchUp !== '' ? { 'X-Touch-Up': touchUp } : {}), ...(body !== undefined && !form ? { 'Content-Type': 'application/json' } : {}) },
      body: body === undefined ? undefined : form ? body : JSON.stringify(body),
      signal,
    })
  } catch (problem) {
    if (problem instanceof DOMException && problem.name === 'AbortError') throw problem
    throw new Refused(t('The server does not answer; is it still running?'), 0, {})
  }
  if (response.status === 419 && !again) {
    // The page lay open longer than its token holds: any answer brings a new one.
    await fetch('/api/v1/token', { headers: { Accept: 'application/json' }, signal })
    return call<T>(method, path, body, signal, true)
  }
  if (response.status === 401) onSignedOut()
  const text = await response.text()
  let data: unknown = null
  try {
    data = text === '' ? null : JSON.parse(text)
  } catch {
    throw new Refused(t('The server gave an answer that cannot be read. Try again.'), response.status, {})
  }
  if (!response.ok) {
    const fields = (data ?? {}) as Record<string, unknown>
    const words = typeof fields.message === 'string' ? fields.message : t('Something went wrong; nothing was changed.')
    throw new Refused(response.status === 413 ? t('The file is too large.') : words, response.status, fields)
  }
  return data as T
}

/** Whether a change did not reach a server that works: it can be sent again. */
export function isAway(problem: unknown): boolean {
  return problem instanceof Refused && [0, 502, 503, 504].includes(problem.status)
}

export const api = {
  get: <T>(path: string, signal?: AbortSignal) => call<T>('GET', path, undefined, signal),
  post: <T>(path: string, body: unknown = {}, signal?: AbortSignal) => call<T>('POST', path, body, signal),
  put: <T>(path: string, body: unknown) => call<T>('PUT', path, body),
  patch: <T>(path: string, body: unknown) => call<T>('PATCH', path, body),
  delete: (path: string) => call<null>('DELETE', path),
}

export function words(problem: unknown): string {
  return problem instanceof Error ? problem.message : t('Something went wrong; nothing was changed.')
}
