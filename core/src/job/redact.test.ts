import { demoJobs } from '../../../demo/src/index'
import { JobDocument } from './document'
import { RecordBody } from './records'
import type { Redaction } from './redact'
import { redact, redactAs, textsWith } from './redact'

const of = (...words: string[]): Redaction => ({
  ...{ words, instead: '[redacted 2026-11-29]', photographs: false },
})

test.each([
  ['Iris Fenwick has the key', '[redacted 2026-11-29] has the key'],
  ['ask iris  fenwick.', 'ask [redacted 2026-11-29].'],
  ['IRIS\nFENWICK', '[redacted 2026-11-29]'],
  // A part of another name is another name.
  ['Iris Fenwickson', 'Iris Fenwickson'],
  ['Saint-Iris Fenwick', 'Saint-[redacted 2026-11-29]'],
])('%s', (text, after) => {
  expect(redact({ note: text }, of('Iris Fenwick'))).toEqual({ note: after })
})

test('letters beyond English, and signs that mean something in a pattern', () => {
  expect(redact(['Zoë Åström (landlord)'], of('zoë åström'))).toEqual([
    '[redacted 2026-11-29] (landlord)',
  ])
  expect(redact(['call +64 (3) 555-0100 now'], of('+64 (3) 555-0100'))).toEqual([
    'call [redacted 2026-11-29] now',
  ])
  expect(redact(['$& stays'], { ...of('stays'), instead: '$&' })).toEqual(['$& $&'])
})

test('no words take out nothing', () => {
  expect(redact(['anything at all'], of('', '  '))).toEqual(['anything at all'])
})

test('what names a thing to the program stays', () => {
  const record = { id: 'main', by: 'main', stepId: 'main', guards: ['main'], note: 'main' }
  expect(redact(record, of('main'))).toEqual({ ...record, note: '[redacted 2026-11-29]' })
})

test('a drawn signature goes with the name under it, and with no other', () => {
  const body = { kind: 'received', revision: 'A', name: 'Iris Fenwick', drawn: 'M1 1L2 2' } as const
  expect(redactAs(RecordBody, body, of('Iris Fenwick'))).toEqual({
    ...{ kind: 'received', revision: 'A', name: '[redacted 2026-11-29]' },
  })
  expect(redactAs(RecordBody, body, of('Somebody Else'))).toEqual(body)
})

test('photographs go where that is asked', () => {
  const hash = 'a'.repeat(64)
  const photo = { hash, type: 'image/png', name: 'plate', bytes: 1 }
  const one = { photos: [photo], papers: { manual: photo } }
  expect(redact(one, of('nobody'))).toEqual(one)
  expect(redact(one, { ...of('nobody'), photographs: true })).toEqual({ ...one, photos: [] })
})

test('a text that would become too long is replaced as a whole; one of a list stays', () => {
  const short = 'Ann '.repeat(20).trim()
  const snag = { kind: 'snag', what: 'leak at the tap', owner: short, due: null } as const
  expect(redactAs(RecordBody, snag, of('Ann'))).toEqual({ ...snag, owner: '[redacted 2026-11-29]' })
  const soaped = {
    kind: 'soaped' as const,
    ...{ testId: 'test-0001', joints: ['a'], where: 'dry wall' },
    result: 'dry' as const,
  }
  expect(redactAs(RecordBody, soaped, of('dry'))).toEqual({
    ...soaped,
    where: '[redacted 2026-11-29] wall',
  })
})

test.each(Object.entries(demoJobs()))(
  'every word of %s can be taken out, and the job is one still',
  (_, file) => {
    const { document } = file
    const words = [document.site.name, document.site.address, 'valve', 'the', 'boiler', 'new']
    const now = redactAs(JobDocument, document, of(...words))
    expect(textsWith(now, words.slice(0, 2))).toEqual([])
    expect(now.appliances.map(({ id, kind }) => [id, kind])).toEqual(
      document.appliances.map(({ id, kind }) => [id, kind]),
    )
  },
)

test('what did not fit before is not made to fit', () => {
  const wrong = { kind: 'snag', what: 'x', owner: '', due: 'never' }
  expect(() => redactAs(RecordBody, wrong as never, of('y'))).toThrow('schema')
})
