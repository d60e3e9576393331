import { upgradeFile } from './edits'
import type { RecordBody, RecordKind } from './records'
import { readStoredRecord, recordKinds, recordSays } from './records'
import stored from './upgrades/fixtures/records.json'

const record = (body: unknown) => ({
  id: 'record-one',
  at: '2026-05-12T09:00:00.000Z',
  by: 'maren-oduya',
  body,
})
const kinds = recordKinds.map((one) => one.kind)
const byKind = new Map(stored.map((body) => [body.kind as RecordKind, body]))

test('one record of every kind stands among the stored ones', () => {
  expect([...byKind.keys()].sort()).toEqual([...kinds].sort())
})

describe.each(kinds)('a stored %s', (kind) => {
  test('is read back as it was stored', () => {
    const read = readStoredRecord(record(byKind.get(kind)))
    expect(read).toEqual({ ok: true, record: record(byKind.get(kind)) })
  })
  test('is said in a line of its own, with no name of a field in it', () => {
    const says = recordSays(byKind.get(kind) as unknown as RecordBody)
    expect(says).toMatch(/^[A-Z].{4,}/)
    expect(says).not.toMatch(/undefined|\bnull\b|_[A-Z]|survey\./)
  })
  test.each(Object.keys(byKind.get(kind) ?? {}).filter((key) => key !== 'kind'))(
    'is refused by the name of the value where %s is damaged',
    (key) => {
      const read = readStoredRecord(record({ ...byKind.get(kind), [key]: { damaged: true } }))
      expect(read.ok).toBe(false)
      expect(read.ok ? '' : read.says).toContain(`body.${key}`)
    },
  )
})

test('a sheet proven, as it was called before, is a sheet checked', () => {
  const before = { kind: 'prove-sheet', sheet: 'gas', restsOn: 'v1:abc' }
  expect(readStoredRecord(record(before))).toEqual({
    ok: true,
    record: record({ ...before, kind: 'sheet-checked' }),
  })
  expect(upgradeFile({ records: [record(before)] })).toMatchObject({
    records: [{ body: { kind: 'sheet-checked' } }],
  })
})

test.each([
  ['a kind that none is', { kind: 'rumour' }],
  ['no body', null],
  ['a body that is a list', []],
])('%s is refused', (_, body) => {
  expect(readStoredRecord(record(body)).ok).toBe(false)
})

test('a record without a time, a person or an id is refused', () => {
  const whole = record(byKind.get('snag'))
  for (const key of ['at', 'by', 'id'])
    expect(readStoredRecord({ ...whole, [key]: '' })).toMatchObject({
      ok: false,
      says: expect.stringContaining(key) as string,
    })
})

test('the words of a line are those of the trade', () => {
  const said = (kind: RecordKind) => recordSays(byKind.get(kind) as unknown as RecordBody)
  expect(said('reading')).toBe('Reading: Cold main, static, 3.2 bar')
  expect(said('looked')).toMatch(/^Seen: .+, yes$/)
  expect(said('step')).toBe('A step, 1.2 bar')
  expect(said('test-ended')).toBe('A test at its end')
})
