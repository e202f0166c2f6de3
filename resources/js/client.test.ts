import { api, Refused, words } from '@/api/client'
import { labelWidth, nameOf } from '@/findings'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'

type Call = [string, { method?: string; headers: Record<string, string>; body?: unknown }]

const answers: { status: number; body: string }[] = []
const asked: Call[] = []

beforeEach(() => {
  answers.length = asked.length = 0
  vi.stubGlobal('document', { cookie: 'XSRF-TOKEN=t%3D1' })
  vi.stubGlobal('fetch', (...call: Call) => {
    asked.push(call)
    const next = answers.shift()
    if (!next) return Promise.reject(new TypeError('refused'))
    return Promise.resolve({ status: next.status, ok: next.status < 300, text: () => Promise.resolve(next.body) })
  })
})
afterEach(() => vi.unstubAllGlobals())

const refusal = async (call: Promise<unknown>): Promise<Refused> => {
  const problem = await call.then(
    () => null,
    (error: unknown) => error,
  )
  expect(problem).toBeInstanceOf(Refused)
  return problem as Refused
}

describe('what is asked of the server', () => {
  it('carries the token of the page and a body as JSON', async () => {
    answers.push({ status: 200, body: '{"job":{"id":3}}' })
    expect(await api.post('jobs/3/edits', { kind: 'copy' })).toEqual({ job: { id: 3 } })
    const [path, how] = asked[0]!
    expect(path).toBe('/api/v1/jobs/3/edits')
    expect(how).toMatchObject({ method: 'POST', body: '{"kind":"copy"}', headers: { 'X-XSRF-TOKEN': 't=1', 'Content-Type': 'application/json' } })
  })
  it('leaves the type of an uploaded form to the browser', async () => {
    answers.push({ status: 201, body: '{}' })
    const form = new FormData()
    await api.post('jobs', form)
    expect(asked[0]![1].body).toBe(form)
    expect(asked[0]![1].headers).not.toHaveProperty('Content-Type')
  })
  it('takes an empty answer for none', async () => {
    answers.push({ status: 204, body: '' })
    expect(await api.delete('jobs/3')).toBeNull()
  })
})

describe('an answer that is no success', () => {
  it("is told in the server's own sentence, with all that it says", async () => {
    answers.push({ status: 409, body: '{"message":"Somebody changed this job.","version":9}' })
    const problem = await refusal(api.patch('jobs/3', {}))
    expect([problem.message, problem.status, problem.body.version]).toEqual(['Somebody changed this job.', 409, 9])
  })
  it('is never a page of somebody else', async () => {
    answers.push({ status: 502, body: '<html><b>Bad gateway</b></html>' })
    expect((await refusal(api.get('jobs'))).message).toBe('The server gave an answer that cannot be read. Try again.')
  })
  it('says so in words where the server has none', async () => {
    answers.push({ status: 500, body: '{"exception":"Boom"}' })
    expect((await refusal(api.get('jobs'))).message).toBe('Something went wrong; nothing was changed.')
    answers.push({ status: 413, body: '' })
    expect((await refusal(api.post('jobs'))).message).toBe('The file is too large.')
  })
  it('names a server that is not there', async () => {
    const problem = await refusal(api.get('jobs'))
    expect([problem.status, problem.message]).toEqual([0, 'The server does not answer; is it still running?'])
  })
  it('that was stopped on purpose stays what it is', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new DOMException('stopped', 'AbortError')))
    await expect(api.get('jobs')).rejects.toMatchObject({ name: 'AbortError' })
  })
  it('for a token that ran out is asked once more with a new one, and only once', async () => {
    answers.push({ status: 419, body: '{}' }, { status: 204, body: '' }, { status: 200, body: '{"ok":true}' })
    expect(await api.post('jobs/3/undo')).toEqual({ ok: true })
    expect(asked.map(([path]) => path)).toEqual(['/api/v1/jobs/3/undo', '/api/v1/token', '/api/v1/jobs/3/undo'])
    answers.push({ status: 419, body: '{}' }, { status: 204, body: '' }, { status: 419, body: '{"message":"Load the page again."}' })
    expect((await refusal(api.post('jobs/3/undo'))).message).toBe('Load the page again.')
    expect(asked).toHaveLength(6)
  })
  it('that is no error at all still has words', () => {
    expect(words(new Error('Too thin.'))).toBe('Too thin.')
    expect(words('odd')).toBe('Something went wrong; nothing was changed.')
  })
})

describe('names of findings', () => {
  it('are words, also for a kind that nobody named yet', () => {
    expect(nameOf('see-through')).toBe('See-through')
    expect(nameOf('external-reference')).toBe('Outside the file')
    expect(nameOf('odd-new-kind')).toBe('Odd new kind')
  })
  it('have room on their label', () => {
    expect(labelWidth('Gap')).toBe(62)
    expect(labelWidth('x'.repeat(30))).toBeGreaterThan(labelWidth('x'.repeat(20)))
  })
})
