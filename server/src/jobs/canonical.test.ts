import { createHash } from 'node:crypto'
import fc from 'fast-check'
import { canonicalJson, sha256Of } from './canonical'

test('the order of keys does not count, that of a list does', () => {
  expect(canonicalJson({ b: 1, a: { d: [2, 1], c: null } })).toBe(
    '{"a":{"c":null,"d":[2,1]},"b":1}',
  )
  expect(sha256Of({ a: 1, b: 2 })).toBe(sha256Of({ b: 2, a: 1 }))
  expect(sha256Of([1, 2])).not.toBe(sha256Of([2, 1]))
})

test('the hash is SHA-256 (FIPS 180-4) of the text', () => {
  expect(sha256Of('abc')).toBe(createHash('sha256').update('"abc"').digest('hex'))
})

test('whatever is written in another order has the same form, and reads back as it was', () => {
  fc.assert(
    fc.property(fc.jsonValue(), (value) => {
      const turned = JSON.parse(JSON.stringify(value), (_, part: unknown) =>
        part !== null && typeof part === 'object' && !Array.isArray(part)
          ? Object.fromEntries(Object.entries(part).reverse())
          : part,
      ) as unknown
      expect(canonicalJson(turned)).toBe(canonicalJson(value))
      expect(JSON.parse(canonicalJson(value))).toEqual(JSON.parse(JSON.stringify(value)))
    }),
  )
})
