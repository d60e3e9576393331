import 'fake-indexeddb/auto'
import { IDBFactory } from 'fake-indexeddb'
import type { JobRecord } from '@hestian/core'
import type { Outgoing } from './outbox'
import { Outbox } from './outbox'

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
const entry = (id: string): Outgoing => ({
  kind: 'record',
  id: `record-${id}`,
  jobId: 'job',
  record: record(id),
})

type Reply = 'away' | 'stored' | 'refused' | 'broken'
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
        status: answer === 'stored' ? 201 : answer === 'refused' ? 400 : 502,
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
