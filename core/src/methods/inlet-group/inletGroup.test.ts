import type { InletKind } from './inletGroup'
import { inletWords, judgeInlet, usualInlet } from './inletGroup'

const group = (kinds: readonly InletKind[], turned: readonly InletKind[] = []) =>
  kinds.map((kind, i) => ({ id: `${i}`, kind, reversed: turned.includes(kind) }))
const faults = (
  kinds: readonly InletKind[],
  wanted: readonly InletKind[] = [],
  turned: readonly InletKind[] = [],
) => judgeInlet(group(kinds, turned), wanted)

test('the usual order has no fault', () => expect(faults(usualInlet, usualInlet)).toEqual([]))
test('a group nobody has entered is not judged', () => expect(faults([], usualInlet)).toEqual([]))
test.each<[InletKind[], InletKind, InletKind]>([
  [['stop-valve', 'check-valve', 'reducing-valve', 'store'], 'reducing-valve', 'check-valve'],
  [['stop-valve', 'reducing-valve', 'strainer', 'store'], 'strainer', 'reducing-valve'],
  [['stop-valve', 'reducing-valve', 'vessel', 'check-valve', 'store'], 'check-valve', 'vessel'],
  [['stop-valve', 'balanced-cold', 'reducing-valve', 'store'], 'reducing-valve', 'balanced-cold'],
])('%j: %s belongs before %s', (kinds, first, then) =>
  expect(faults(kinds)).toContainEqual(expect.objectContaining({ fault: 'order', first, then })),
)
test.each<InletKind>(['reducing-valve', 'check-valve', 'strainer'])(
  'a %s turned round is found',
  (kind) =>
    expect(faults(usualInlet, [], [kind])).toEqual([
      { fault: 'reversed', kind, at: usualInlet.indexOf(kind) },
    ]),
)
test('a tee may face either way', () =>
  expect(faults(usualInlet, [], ['vessel', 'balanced-cold'])).toEqual([]))
test('a service valve between relief and store is found; before them it is not', () => {
  expect(
    faults([
      'stop-valve',
      'reducing-valve',
      'check-valve',
      'expansion-relief',
      'service-valve',
      'store',
    ]),
  ).toEqual([{ fault: 'valve-before-store', at: 4 }])
  expect(
    faults(['service-valve', 'reducing-valve', 'check-valve', 'expansion-relief', 'store']),
  ).toEqual([])
})
test('what is wanted and not there is named', () =>
  expect(faults(['stop-valve', 'store'], ['stop-valve', 'check-valve'])).toEqual([
    { fault: 'not-there', kind: 'check-valve' },
  ]))
test('every part has its words', () =>
  expect(Object.values(inletWords).every((word) => word.length > 3)).toBe(true))
