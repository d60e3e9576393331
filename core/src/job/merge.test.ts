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

describe('the order of rows', () => {
  const piece = (id: string, n = 1) => ({ id, n })
  const was = { pieces: [piece('pipe'), piece('bend'), piece('end')] }
  const ids = (merged: typeof was) => merged.pieces.map((one) => one.id)
  test('a row put in second by one side stays second when the other side edits a row', () => {
    const mine = {
      pieces: [piece('pipe'), piece('tundish'), piece('bend'), piece('end')],
    }
    const theirs = { pieces: [piece('pipe'), piece('bend', 2), piece('end')] }
    for (const [a, b] of [[mine, theirs] as const, [theirs, mine] as const]) {
      const { merged, conflicts } = mergeDocuments(was, a, b)
      expect(ids(merged)).toEqual(['pipe', 'tundish', 'bend', 'end'])
      expect(merged.pieces[2]?.n).toBe(2)
      expect(conflicts).toEqual([])
    }
  })
  test('a row moved by one side and one put in by the other both survive', () => {
    const moved = { pieces: [piece('end'), piece('pipe'), piece('bend')] }
    const longer = { pieces: [piece('pipe'), piece('bend'), piece('trap'), piece('end')] }
    for (const [a, b] of [[moved, longer] as const, [longer, moved] as const]) {
      const { merged, conflicts } = mergeDocuments(was, a, b)
      expect(ids(merged)).toEqual(['end', 'pipe', 'bend', 'trap'])
      expect(conflicts).toEqual([])
    }
  })
  test('rows that both sides moved differently are asked about', () => {
    const { merged, conflicts } = mergeDocuments(
      was,
      { pieces: [piece('bend'), piece('pipe'), piece('end')] },
      { pieces: [piece('pipe'), piece('end'), piece('bend')] },
    )
    expect(ids(merged)).toEqual(['bend', 'pipe', 'end'])
    expect(conflicts).toEqual([
      { path: ['pieces', 'order'], mine: 'bend, pipe, end', theirs: 'pipe, end, bend' },
    ])
  })
  test('with any edits of two hands no row is lost, none stands twice, and who moved nothing changes no order', () => {
    const rows = fc.uniqueArray(fc.constantFrom('a', 'b', 'c', 'd', 'e', 'f', 'g'))
    fc.assert(
      fc.property(rows, rows, rows, (base, mine, theirs) => {
        const doc = (list: readonly string[]) => ({ pieces: list.map((id) => piece(id)) })
        const merged = ids(mergeDocuments(doc(base), doc(mine), doc(theirs)).merged)
        expect(new Set(merged).size).toBe(merged.length)
        const removed = base.filter((id) => !mine.includes(id) || !theirs.includes(id))
        const all = new Set([...mine, ...theirs].filter((id) => !removed.includes(id)))
        expect(new Set(merged)).toEqual(all)
        const alone = ids(mergeDocuments(doc(base), doc(base), doc(theirs)).merged)
        expect(alone).toEqual(theirs)
      }),
    )
  })
})
