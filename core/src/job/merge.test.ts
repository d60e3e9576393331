import fc from 'fast-check'
import { fingerprint, mergeDocuments, same } from './merge'

const base = {
  site: { name: 'A', notes: '' },
  rows: [
    { id: 'x', n: 1 },
    { id: 'y', n: 2 },
  ],
  value: { value: 1, basis: 'read' },
}

test('changes in different places are both kept', () => {
  const { merged, conflicts } = mergeDocuments(
    base,
    { ...base, site: { name: 'B', notes: '' } },
    { ...base, site: { name: 'A', notes: 'key with the bosun' } },
  )
  expect(merged.site).toEqual({ name: 'B', notes: 'key with the bosun' })
  expect(conflicts).toEqual([])
})
test('the same place changed twice is listed, and mine stands until somebody chooses', () => {
  const { merged, conflicts } = mergeDocuments(
    base,
    { ...base, value: { value: 2, basis: 'read' } },
    { ...base, value: { value: 3, basis: 'measured' } },
  )
  expect(merged.value).toEqual({ value: 2, basis: 'read' })
  expect(conflicts).toEqual([
    { path: ['value'], mine: { value: 2, basis: 'read' }, theirs: { value: 3, basis: 'measured' } },
  ])
})
test('rows added on both sides are all kept; one removed and untouched goes', () => {
  const { merged } = mergeDocuments(
    base,
    { ...base, rows: [...base.rows, { id: 'mine', n: 3 }] },
    {
      ...base,
      rows: [
        { id: 'y', n: 2 },
        { id: 'theirs', n: 4 },
      ],
    },
  )
  expect(merged.rows.map((row) => row.id).sort()).toEqual(['mine', 'theirs', 'y'])
})
test('a row that one side removed and the other changed is kept and listed: nothing typed is lost', () => {
  const { merged, conflicts } = mergeDocuments(
    base,
    { ...base, rows: [{ id: 'y', n: 2 }] },
    {
      ...base,
      rows: [
        { id: 'x', n: 9 },
        { id: 'y', n: 2 },
      ],
    },
  )
  expect(merged.rows.find((row) => row.id === 'x')?.n).toBe(9)
  expect(conflicts).toHaveLength(1)
})
const json = fc.jsonValue({ maxDepth: 3 })
test('nobody else changed anything: mine comes out; I changed nothing: theirs does', () =>
  fc.assert(
    fc.property(json, json, (was, now) => {
      expect(mergeDocuments(was, now, was).merged).toEqual(now)
      expect(mergeDocuments(was, was, now).merged).toEqual(now)
    }),
  ))
test('a fingerprint does not mind the order of keys and does mind the content', () => {
  expect(fingerprint({ a: 1, b: [1, 2] })).toBe(fingerprint({ b: [1, 2], a: 1 }))
  expect(fingerprint({ a: 1 })).not.toBe(fingerprint({ a: 2 }))
  expect(same({ a: 1, b: 2 }, { b: 2, a: 1 })).toBe(true)
})
