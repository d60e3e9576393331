import 'fake-indexeddb/auto'
import { IDBFactory } from 'fake-indexeddb'
import type { JobRecord } from '@hestian/core'
import type { Outgoing } from './outbox'
import { mostTries, Outbox } from './outbox'

const record = (id: string): JobRecord => ({
  id: `record-${id}`,
  at: '2026-11-25T09:00:00.000Z',
  by: 'isla',
  body: {
    kind: 'looked',
    field: 'survey.looked.freezing',
    answer: 'no',
    basis: 'measured',
    from: 'Seen',
  },
})
const entry = (id: string, jobId = 'job'): Outgoing => ({
  kind: 'record',
  id: `record-${id}`,
  jobId,
  record: record(id),
})

type Reply = 'away' | 'stored' | 'refused' | 'broken' | number
let sent: string[]
const boxes: Outbox[] = []
const open = async () => {
  const box = new Outbox()
  boxes.push(box)
  await box.open()
  return box
}
afterEach(() => {
  for (const box of boxes.splice(0)) box.close()
})

let reply: (url: string, body: string) => Reply

beforeEach(() => {
  globalThis.indexedDB = new IDBFactory()
  sent = []
  reply = () => 'stored'
  Object.assign(globalThis, {
    addEventListener: () => undefined,
    fetch: async (url: string, { body }: { body: string }) => {
      const answer = reply(url, body)
      if (answer === 'away') throw new TypeError('fetch failed')
      sent.push((JSON.parse(body) as JobRecord).id)
      const json =
        answer === 'refused' ? { code: 'not-understood', says: 'That cannot be understood.' } : {}
      return {
        ok: answer === 'stored',
        status:
          typeof answer === 'number' ? answer : { stored: 201, refused: 400, broken: 502 }[answer],
        json: async () => json,
      }
    },
  })
})

test('what is recorded goes out in its order, each once', async () => {
  const box = await open()
  for (const id of ['a', 'b', 'c', 'b']) void box.add(entry(id))
  expect(await box.flush()).toBe(true)
  expect(sent).toEqual(['record-a', 'record-b', 'record-c'])
  expect(box.snapshot()).toEqual([])
})

test('what was typed on a job goes before what was done there; another job waits for nothing', async () => {
  const box = await open()
  const leave = box.restsOn('job', async () => {
    await new Promise((resolve) => setTimeout(resolve, 30))
    sent.push('the draft')
  })
  await box.add(entry('elsewhere', 'other'))
  await box.add(entry('a'))
  expect(await box.flush()).toBe(true)
  expect(sent).toEqual(['record-elsewhere', 'the draft', 'record-a'])
  leave()
  await box.add(entry('b'))
  await box.flush()
  expect(sent.slice(3)).toEqual(['record-b'])
})

test('what was delivered leaves the queue only after the page, told of it, had its turn', async () => {
  const box = await open()
  const stillThere: boolean[] = []
  box.onDelivered = () => {
    // A page shows its answers a turn after it was told of them.
    setTimeout(() => stillThere.push(box.snapshot().some(({ id }) => id === 'record-a')), 0)
  }
  await box.add(entry('a'))
  await box.flush('job')
  expect(stillThere).toEqual([true])
  expect(box.snapshot()).toEqual([])
})
test('without a server it waits, survives the page, and goes out in order from the next one', async () => {
  reply = () => 'away'
  const box = await open()
  for (const id of ['a', 'b']) await box.add(entry(id))
  expect(await box.flush()).toBe(false)
  expect(box.snapshot().map((one) => one.id)).toEqual(['record-a', 'record-b'])
  reply = () => 'stored'
  box.close()
  const after = await open()
  await after.add(entry('c'))
  expect(await after.flush()).toBe(true)
  expect(sent.filter((id, i) => sent.indexOf(id) === i)).toEqual([
    'record-a',
    'record-b',
    'record-c',
  ])
})

test('what is turned down keeps its sentence, holds nothing else up, and is dropped by a person only', async () => {
  reply = (_, body) => (body.includes('record-b') ? 'refused' : 'stored')
  const box = await open()
  for (const id of ['a', 'b', 'c']) await box.add(entry(id))
  await box.flush()
  expect(sent).toContain('record-c')
  expect(box.snapshot()).toMatchObject([{ id: 'record-b', refused: 'That cannot be understood.' }])
  await box.drop('record-b')
  expect(box.snapshot()).toEqual([])
})

test('a gateway that answers for a server that is not there counts as away, not as a refusal', async () => {
  reply = () => 'broken'
  const box = await open()
  await box.add(entry('a'))
  expect(await box.flush()).toBe(false)
  expect(box.snapshot()[0]?.refused).toBeUndefined()
})

describe('something else answers, or the server fails', () => {
  const flushed = async (box: Outbox, times: number) => {
    for (let i = 0; i < times; i++) await box.flush()
  }
  test.each([
    [401, /sign-in/],
    [413, /so large/],
    [404, /not the server/],
    [500, /not the server/],
  ])(
    '%d is tried a few times, then said, and not tried by itself any more',
    async (status, says) => {
      reply = () => status
      const box = await open()
      await box.add(entry('a'))
      await flushed(box, mostTries)
      expect(box.snapshot()[0]).toMatchObject({ notSent: expect.stringMatching(says) as string })
      const tried = sent.length
      await box.flush()
      expect(sent).toHaveLength(tried)
    },
  )
  test('it holds up what comes after it on its own job, and no other job', async () => {
    reply = (url, body) => (url.includes('job-one') && body.includes('record-a') ? 401 : 'stored')
    const box = await open()
    await box.add(entry('a', 'job-one'))
    await box.add(entry('b', 'job-one'))
    await box.add(entry('c', 'job-two'))
    await flushed(box, mostTries)
    expect(sent).toContain('record-c')
    expect(sent).not.toContain('record-b')
    expect(await box.flush('job-two')).toBe(true)
    expect(await box.flush('job-one')).toBe(false)
  })
  test('tried again by a person it goes, and what waited behind it too, in order', async () => {
    reply = () => 401
    const box = await open()
    for (const id of ['a', 'b']) await box.add(entry(id))
    await flushed(box, mostTries)
    reply = () => 'stored'
    sent = []
    await box.tryAgain('record-a')
    expect(sent).toEqual(['record-a', 'record-b'])
    expect(box.snapshot()).toEqual([])
  })
  test('put aside it lets the others pass, survives the page, and is not lost', async () => {
    reply = (_, body) => (body.includes('record-a') ? 401 : 'stored')
    const box = await open()
    for (const id of ['a', 'b']) await box.add(entry(id))
    await flushed(box, mostTries)
    await box.putAside('record-a')
    expect(sent).toContain('record-b')
    box.close()
    const after = await open()
    expect(after.snapshot()).toMatchObject([{ id: 'record-a', aside: true }])
  })
})

test('the order does not hang on the clock: set back, it sends the older first all the same', async () => {
  reply = () => 'away'
  const box = await open()
  const clock = jest.spyOn(Date, 'now').mockReturnValue(5e12)
  await box.add(entry('first'))
  clock.mockReturnValue(1e12)
  await box.add(entry('second'))
  clock.mockRestore()
  box.close()
  reply = () => 'stored'
  const after = await open()
  await after.flush()
  expect(sent).toEqual(['record-first', 'record-second'])
})

test('a browser without room says so, and what was recorded still goes while the page lives', async () => {
  reply = () => 'away'
  const box = await open()
  const full = jest.spyOn(IDBObjectStore.prototype, 'add').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError')
  })
  await box.add(entry('a'))
  full.mockRestore()
  expect(box.isFull()).toBe(true)
  await box.flush()
  reply = () => 'stored'
  await box.flush()
  expect(sent).toEqual(['record-a'])
})

test('an answer that was lost on the way is sent again under the same id', async () => {
  let first = true
  reply = () => {
    const lost = first
    first = false
    return lost ? 'away' : 'stored'
  }
  const box = await open()
  await box.add(entry('a'))
  await box.flush()
  await box.flush()
  expect(sent).toEqual(['record-a'])
})

test('without a store in the browser the queue lives as long as the page', async () => {
  Object.assign(globalThis, {
    indexedDB: {
      open: () => {
        throw new Error('private window')
      },
    },
  })
  const box = await open()
  await box.add(entry('a'))
  await box.flush()
  expect(sent).toEqual(['record-a'])
})
