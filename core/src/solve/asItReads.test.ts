import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { asItReads, drawingsAsTheyStand } from './asItReads.testing'

const stored = (name: string): string =>
  readFileSync(join(__dirname, '../../../docs/generated', name), 'utf8')

// A change here is one that somebody meant: `npm run generate` writes it anew, and it is read
// before it is kept.
test('what the design half says, works out and finds is what was last read', () => {
  expect(asItReads().split('\n')).toEqual(stored('as-it-reads.md').split('\n'))
})

test('what it draws is what was last looked at', () => {
  const sums = Object.fromEntries(
    Object.entries(drawingsAsTheyStand()).map(([name, svg]) => [
      name,
      createHash('sha256').update(svg).digest('hex').slice(0, 16),
    ]),
  )
  expect(sums).toEqual(JSON.parse(stored('drawings.json')))
})

describe('of whatever is said', () => {
  const lines = asItReads().split('\n')
  test.each([
    ['no name in braces is left', /\{\w+\}/],
    ['nothing is undefined, null or not a number', /\b(undefined|NaN|null|Infinity)\b/],
    ['no key of a figure stands in a sentence', /\b\w+_(Pa|K|W|m3|m|s|m3_s)\b(?!.*=)/],
    ['no space stands before a stop or comma', /\w [.,;](\s|$)/],
    ['no word is said twice over', /\b(\w{3,}) \1\b/],
  ])('%s', (_, pattern) => {
    expect(lines.filter((line) => pattern.test(line))).toEqual([])
  })
  test('every finding of the list is found in its job', () => {
    expect(lines.filter((line) => line.endsWith(': not found'))).toEqual([])
  })
})

describe('of whatever is drawn', () => {
  test.each(Object.entries(drawingsAsTheyStand()))('%s: no figure is broken', (_, svg) => {
    expect(svg).not.toMatch(/NaN|undefined|Infinity/)
    expect(svg).toMatch(/^<svg /)
  })
})
