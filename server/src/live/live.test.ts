import { setTimeout as wait } from 'node:timers/promises'
import type { LiveEvent } from '@hestian/core'
import { blankDocument } from '@hestian/core'
import { Bench, cookieOf } from '../app/app.testing'

let bench: Bench
let base: string
beforeEach(async () => {
  bench = new Bench()
  await bench.open()
  await bench.newJob()
  base = await bench.app.http.listen({ port: 0, host: '127.0.0.1' })
})
afterEach(() => bench.end())

interface Heard {
  readonly id: string | undefined
  readonly event: LiveEvent
}

/** A page that listens to a job: what it heard, and how it leaves. */
async function listen(jobId: string, last?: string) {
  const end = new AbortController()
  const response = await fetch(`${base}/api/jobs/${jobId}/live`, {
    signal: end.signal,
    headers: {
      cookie: await cookieOf(bench.app, undefined, new URL(base).host),
      ...(last ? { 'last-event-id': last } : {}),
    },
  })
  const heard: Heard[] = []
  let text = ''
  const reading = (async () => {
    const decoder = new TextDecoder()
    for await (const chunk of response.body as unknown as AsyncIterable<Uint8Array>) {
      text += decoder.decode(chunk, { stream: true })
      for (let at = text.indexOf('\n\n'); at >= 0; at = text.indexOf('\n\n')) {
        const block = text.slice(0, at)
        text = text.slice(at + 2)
        const data = /^data: (.*)$/m.exec(block)?.[1]
        if (data)
          heard.push({ id: /^id: (.*)$/m.exec(block)?.[1], event: JSON.parse(data) as LiveEvent })
      }
    }
  })().catch(() => undefined)
  return {
    response,
    heard,
    /** Waits for so many events, not for a time. */
    until: async (count: number) => {
      for (let i = 0; i < 400 && heard.length < count; i++) await wait(5)
      expect(heard).toHaveLength(count)
    },
    /** Settled when the server ends the stream. */
    over: reading,
    leave: async () => {
      end.abort()
      await reading
    },
  }
}
const record = (n: number) =>
  bench.send('POST', '/jobs/job-one/records', bench.reading(`reading-0${n}`, n))
const idOf = ({ event }: Heard) => (event.kind === 'record' ? event.record.id : event.kind)

test('a record, a sample and a save are heard as they are stored, each under an id of its own', async () => {
  const page = await listen('job-one')
  expect(page.response.headers.get('content-type')).toBe('text/event-stream')
  await record(1)
  await record(2)
  const document = blankDocument({ name: 'B', address: '', practice: 'uk-ireland' })
  await bench.send('PUT', '/jobs/job-one/draft', { document, saveNumber: 1, by: 'lead' })
  await page.until(3)
  expect(page.heard.map(idOf)).toEqual(['reading-01', 'reading-02', 'job'])
  expect(new Set(page.heard.map((one) => one.id)).size).toBe(3)
  await page.leave()
})

test('what is refused or sent again is not told', async () => {
  const page = await listen('job-one')
  await record(1)
  await record(1)
  await bench.send('POST', '/jobs/job-one/records', bench.reading('reading-01', 7))
  await record(2)
  await page.until(2)
  expect(page.heard.map(idOf)).toEqual(['reading-01', 'reading-02'])
  await page.leave()
})

test('whoever is signed out hears no more within a beat', async () => {
  const page = await listen('job-one')
  await bench.app.sessions.endAll({ personId: 'lead' })
  await page.over
  expect((await bench.app.http.inject('/api/jobs/job-one/live')).statusCode).toBe(401)
}, 20_000)

test('another job hears nothing of it', async () => {
  await bench.newJob('job-two')
  const other = await listen('job-two')
  await record(1)
  await bench.send('POST', '/jobs/job-two/records', bench.reading('reading-09', 9))
  await other.until(1)
  expect(other.heard.map(idOf)).toEqual(['reading-09'])
  await other.leave()
})

test('after a break a page that names the last it heard is told what came since, once and in order', async () => {
  const page = await listen('job-one')
  await record(1)
  await page.until(1)
  await page.leave()
  await record(2)
  await record(3)
  const again = await listen('job-one', page.heard[0]?.id)
  await record(4)
  await again.until(3)
  expect(again.heard.map(idOf)).toEqual(['reading-02', 'reading-03', 'reading-04'])
  await again.leave()
})

test.each([
  ['an event of a server that has ended since', 'aaaaaaaa-1'],
  ['something that is no id', 'x'.repeat(200)],
])('%s: everything is to be read again', async (_, last) => {
  await record(1)
  const page = await listen('job-one', last)
  await page.until(1)
  expect(page.heard[0]?.event).toEqual({ kind: 'again' })
  await page.leave()
})

test('what lies further back than is kept is to be read again', async () => {
  const { hub } = bench.app
  const seen: string[] = []
  const leave = hub.listen('job-one', ({ id }) => seen.push(id))
  for (let i = 0; i < 320; i++) hub.tell('job-one', { kind: 'job', saveNumber: i, frozen: null })
  leave()
  expect(hub.since('job-one', seen[0] ?? '')).toBeUndefined()
  expect(hub.since('job-one', seen[319] ?? '')).toEqual([])
  expect(hub.since('job-one', seen[300] ?? '')).toHaveLength(19)
})

test('a job that is not there has no stream, and says so', async () => {
  const response = await fetch(`${base}/api/jobs/nowhere/live`, {
    headers: { cookie: await cookieOf(bench.app, undefined, new URL(base).host) },
  })
  expect(response.status).toBe(404)
  expect(await response.json()).toMatchObject({ code: 'no-such-job' })
})
