/** @jest-environment jsdom */
import { z } from 'zod'
import { away } from './away'
import { ApiError, call } from './client'
import { keptHeader } from './keptHeader'

/** What the next request is answered: status, body, headers; or nothing at all. */
let answer: { status: number; body: string; headers?: Record<string, string> } | 'nothing'
beforeEach(() => {
  away.set(undefined)
  AbortSignal.timeout = () => new AbortController().signal
  globalThis.fetch = jest.fn(async () => {
    if (answer === 'nothing') throw new TypeError('fetch failed')
    const { status, body, headers = {} } = answer
    return {
      ok: status < 300,
      status,
      headers: { get: (name: string) => headers[name] ?? null },
      text: async () => body,
    } as unknown as Response
  })
})

const Thing = z.object({ name: z.string() })
const refusal = (work: Promise<unknown>): Promise<ApiError> =>
  work.then(
    () => Promise.reject(new Error('it was granted')),
    (error: unknown) => error as ApiError,
  )

test('what answers by the contract comes back as it is', async () => {
  answer = { status: 200, body: '{"name":"club"}' }
  expect(await call('GET', '/thing', Thing)).toEqual({ name: 'club' })
  expect(await call('GET', '/thing', async () => Thing)).toEqual({ name: 'club' })
})

test('what answers something else is not taken for the thing', async () => {
  answer = { status: 200, body: '{"name":7}' }
  await expect(call('GET', '/thing', Thing)).rejects.toThrow()
  answer = { status: 200, body: 'a page of a sign-in' }
  await expect(call('GET', '/thing', Thing)).rejects.toThrow()
})

test('a refusal carries its code, its sentence, and what stands there now', async () => {
  answer = {
    status: 409,
    body: '{"code":"stale-save","says":"Somebody saved.","current":{"saveNumber":4}}',
  }
  const refused = await refusal(call('PUT', '/thing', Thing, {}))
  expect(refused).toBeInstanceOf(ApiError)
  expect(refused).toMatchObject({
    code: 'stale-save',
    message: 'Somebody saved.',
    current: { saveNumber: 4 },
  })
})

test.each([
  ['nothing answers', 'nothing' as const],
  ['something that is not this server answers', { status: 502, body: '<html>' }],
  ['a refusal in words that are none of ours', { status: 400, body: '{"code":"odd","says":"?"}' }],
])('%s: away, and what was typed is kept', async (_, given) => {
  answer = given
  const refused = await refusal(call('GET', '/thing', Thing))
  expect(refused.code).toBe('offline')
  expect(refused.message).toContain('What you typed is kept here')
})

describe('a copy the service worker kept', () => {
  const kept = {
    status: 200,
    body: '{"name":"club"}',
    headers: { [keptHeader]: 'Sat, 28 Nov 2026 04:00:00 GMT' },
  }
  test('is shown as one, with its time, until the server answers again', async () => {
    answer = kept
    expect(await call('GET', '/thing', Thing)).toEqual({ name: 'club' })
    expect(away.since()).toBe('Sat, 28 Nov 2026 04:00:00 GMT')
    answer = { status: 200, body: '{"name":"club"}' }
    await call('GET', '/thing', Thing)
    expect(away.since()).toBeUndefined()
  })
  test('never takes the place of what is shown already', async () => {
    answer = kept
    const refused = await refusal(call('GET', '/thing', Thing, undefined, { takesKept: false }))
    expect(refused.code).toBe('offline')
    expect(away.since()).toBe('Sat, 28 Nov 2026 04:00:00 GMT')
  })
})
