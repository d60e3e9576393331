import { practices } from '../../practice/practices'
import { house } from '../../solve/house.testing'
import { solve } from '../../solve/solve'
import { showIn } from '../../units/format'
import type { TableRow as SegmentRow } from '../segmentRows'
import { segmentRows, segmentsFromRows } from './gasRows'

const { appliances } = house()
let count = 0
const read = (rows: readonly SegmentRow[]) =>
  segmentsFromRows(rows, {
    appliances,
    material: 'copper-en1057',
    unit: 'm',
    newId: () => `n${(count += 1)}`,
    from: 'Pasted',
  })
const good: SegmentRow[] = [
  { Pipe: 'A', From: 'meter', Length: '6,5 m', Elbows: '2', Size: '28 mm' },
  { Pipe: 'B', From: 'a', Length: '12 ft', 'Ends at': 'boiler' },
]
const says = (...rows: SegmentRow[]) => {
  const result = read(rows)
  return result.ok ? [] : result.says
}

test('rows become pipes, whatever the unit and the case of a name', () => {
  const result = read(good)
  expect(result).toMatchObject({
    ok: true,
    segments: [
      {
        name: 'A',
        from: 'meter',
        elbows: 2,
        branchTees: 0,
        size: '28 mm',
        length_m: { value: 6.5, basis: 'read', from: 'Pasted' },
      },
      { name: 'B', size: null, applianceId: 'boiler', material: 'copper-en1057' },
    ],
  })
  expect(result.ok && result.segments[1]?.from).toBe(result.ok && result.segments[0]?.id)
})
test('out and in again is the same tree', () => {
  const show = showIn(practices['uk-ireland'].units)
  const document = house()
  const again = segmentsFromRows(segmentRows(document, show), {
    appliances: document.appliances,
    material: 'copper-en1057',
    unit: 'm',
    newId: () => 'a',
    from: '',
  })
  expect(again).toMatchObject({
    ok: true,
    segments: document.gas.segments.map(
      ({ name, elbows, branchTees, material, size, applianceId }) => ({
        name,
        elbows,
        branchTees,
        material,
        size,
        applianceId,
      }),
    ),
  })
})
test.each<[string, SegmentRow[], RegExp]>([
  ['no name', [{ From: 'meter', Length: '1 m' }], /Row 1: it has no name/],
  [
    'a name twice',
    [good[0] as SegmentRow, { Pipe: 'a', From: 'meter', Length: '1 m' }],
    /another pipe has this name/,
  ],
  [
    'from nowhere',
    [{ Pipe: 'A', From: 'Z', Length: '1 m' }],
    /leaves from “Z”, which is no pipe here. Accepted: meter/,
  ],
  [
    'a ring',
    [
      { Pipe: 'A', From: 'B', Length: '1 m' },
      { Pipe: 'B', From: 'A', Length: '1 m' },
    ],
    /part of a ring/,
  ],
  ['no length', [{ Pipe: 'A', From: 'meter', Length: '' }], /length “”. Nothing is written here/],
  ['a length of nothing', [{ Pipe: 'A', From: 'meter', Length: '0 m' }], /length is nothing/],
  ['a length two ways', [{ Pipe: 'A', From: 'meter', Length: '1,250 m' }], /can be read two ways/],
  [
    'a size that is not made',
    [{ Pipe: 'A', From: 'meter', Length: '1 m', Size: '27 mm' }],
    /27 mm is not a size of Copper, EN 1057. Accepted: 10 mm/,
  ],
  [
    'a material nobody knows',
    [{ Pipe: 'A', From: 'meter', Length: '1 m', Material: 'glass' }],
    /“glass” is no material here/,
  ],
  [
    'an appliance that is not there',
    [{ Pipe: 'A', From: 'meter', Length: '1 m', 'Ends at': 'Oven' }],
    /“Oven”, which is not on Rating plates/,
  ],
  [
    'a load on a branch',
    [
      { Pipe: 'A', From: 'meter', Length: '1 m', 'Ends at': 'Boiler' },
      { Pipe: 'B', From: 'A', Length: '1 m' },
    ],
    /a pipe of its own/,
  ],
  [
    'half an elbow',
    [{ Pipe: 'A', From: 'meter', Length: '1 m', Elbows: '1.5' }],
    /Elbows “1.5”: a whole number/,
  ],
])('%s gets a sentence', (_, rows, sentence) => expect(says(...rows).join(' ')).toMatch(sentence))
test('every row that is wrong is named, not the first alone', () =>
  expect(
    says({ Pipe: 'A', From: 'x', Length: '1 m' }, { Pipe: 'B', From: 'meter', Length: 'far' }),
  ).toHaveLength(2))
test('nothing pasted says which columns are wanted', () =>
  expect(says()[0]).toContain('Pipe, From, Length'))

test('on the page too, a length of nothing and a load on a branch get their sentence', () => {
  const job = house()
  const [first] = job.gas.segments
  if (!first) throw new Error('no pipe')
  const none = solve({
    ...job,
    gas: { ...job.gas, segments: [{ ...first, length_m: { value: 0, basis: 'read', from: '' } }] },
  }).gas
  expect(none.applies && none.missing.map((gap) => gap.what)).toEqual([
    expect.stringContaining('a length of nothing'),
  ])
  const branched = solve({
    ...job,
    gas: {
      ...job.gas,
      segments: [first, { ...first, id: 'b', name: 'Further', from: first.id, applianceId: null }],
    },
  }).gas
  expect(branched.applies && branched.findings.map((finding) => finding.id)).toContain(
    'gas-load-on-branch',
  )
})
