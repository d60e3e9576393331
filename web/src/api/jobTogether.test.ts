import type { JobRecord, JobState } from '@hestian/core'
import { blankDocument } from '@hestian/core'
import { together, withRecord, withSample } from './jobTogether'

const record = (id: string): JobRecord => ({
  ...{ id, at: '2026-11-20T10:00:00Z', by: 'a' },
  body: { kind: 'snag-done', snag: 'record-snag' },
})
const state = (
  saveNumber: number,
  records: readonly string[],
  at_ms: readonly number[] = [],
): JobState => ({
  ...{ id: 'job', number: '1', saveNumber, frozen: null, importedAt: null, revisions: [] },
  document: blankDocument({ name: 'A', address: '', practice: 'uk-ireland' }),
  records: records.map(record),
  samples: at_ms.length > 0 ? { test: at_ms.map((at) => ({ at_ms: at, gauge_Pa: 2000 })) } : {},
})
const ids = (of: JobState) => of.records.map(({ id }) => id)

test('a record stored while an older answer was on its way stays', () => {
  const shown = withRecord(state(1, ['one']), record('two'))
  expect(ids(together(state(2, ['one']), shown))).toEqual(['one', 'two'])
  expect(together(state(2, ['one']), shown).saveNumber).toBe(2)
})
test('what both have stands once, in the order of the server', () => {
  expect(ids(together(state(2, ['one', 'two', 'three']), state(1, ['two', 'one'])))).toEqual([
    'one',
    'two',
    'three',
  ])
})
test('samples heard after those that were read stay, and none is doubled', () => {
  const got = together(state(1, [], [1, 2, 3]), state(1, [], [2, 3, 4, 5]))
  expect(got.samples.test?.map(({ at_ms }) => at_ms)).toEqual([1, 2, 3, 4, 5])
})
test('the first answer is taken as it is', () => {
  expect(together(state(1, ['one']), undefined)).toEqual(state(1, ['one']))
})

test('a reading is put in its place by time, and one that is there changes nothing', () => {
  const reading = (at_ms: number) => ({ at_ms, gauge_Pa: 2000 })
  const got = [5, 3, 7, 3, 4].reduce(
    (known, at) => withSample(known, 'test', reading(at)),
    state(1, []),
  )
  expect(got.samples.test?.map(({ at_ms }) => at_ms)).toEqual([3, 4, 5, 7])
  expect(withSample(got, 'test', reading(5))).toBe(got)
})
