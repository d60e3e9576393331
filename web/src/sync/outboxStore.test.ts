import 'fake-indexeddb/auto'
import { IDBFactory } from 'fake-indexeddb'
import { openDB } from 'idb'
import type { Outgoing } from './outbox'
import { OutboxStore } from './outboxStore'

const entry = (id: string): Outgoing => ({
  id,
  jobId: 'job',
  kind: 'record',
  record: {
    id,
    at: '2026-05-12T10:00:00Z',
    by: 'A. Fitter',
    body: { kind: 'snag', what: 'A drip', place: '' },
  } as unknown as Extract<Outgoing, { kind: 'record' }>['record'],
})
const idsIn = async (store: OutboxStore) => (await store.all()).map(({ id }) => id)

beforeEach(() => {
  globalThis.indexedDB = new IDBFactory()
})

test('what is kept is there for the next page, in the order it was made', async () => {
  const store = new OutboxStore()
  for (const id of ['b', 'a', 'c']) await store.add(entry(id))
  expect(await idsIn(new OutboxStore())).toEqual(['b', 'a', 'c'])
})

test('what was delivered is taken away, and is not sent again by the next page', async () => {
  const store = new OutboxStore()
  const seq = await store.add(entry('a'))
  await store.add(entry('b'))
  await store.delete(seq)
  expect(await idsIn(new OutboxStore())).toEqual(['b'])
})

test('what was said of an entry is kept with it', async () => {
  const store = new OutboxStore()
  const seq = await store.add(entry('a'))
  await store.put({ ...entry('a'), seq, refused: 'Frozen.' })
  expect(await new OutboxStore().all()).toMatchObject([{ id: 'a', refused: 'Frozen.' }])
})

test('a queue of the first version comes along whole and in its order', async () => {
  const old = await openDB('hestian', 1, {
    upgrade: (db) => void db.createObjectStore('outgoing', { keyPath: 'seq' }),
  })
  for (const [seq, id] of [
    [1_700_000_000_001, 'first'],
    [1_700_000_000_002, 'second'],
  ] as const)
    await old.add('outgoing', { ...entry(id), seq })
  old.close()
  expect(await idsIn(new OutboxStore())).toEqual(['first', 'second'])
})
