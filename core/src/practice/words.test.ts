import { aOrAn, withArticles } from '../answer/sentence'
import { practiceNames } from './practiceNames'
import { practices } from './practices'
import { smellOfGas } from './smellOfGas'

test.each([
  ['needs a expansion tank of its own', 'needs an expansion tank of its own'],
  ['A inlet group', 'An inlet group'],
  ['a vessel, a unit, a one-way valve', 'a vessel, a unit, a one-way valve'],
])('%s: %s', (before, after) => {
  expect(withArticles(before)).toBe(after)
})
test.each(practiceNames)('in %s every word of the trade takes its article', (name) => {
  for (const word of Object.values(practices[name].words))
    expect(aOrAn(word)).toMatch(/^(an [aeiou]|a (?![aeiou])|a (one|uni|use|usual))/i)
})
test.each(practiceNames)('in %s a smell of gas says the five things', (name) => {
  const says = smellOfGas(practices[name])
  for (const part of [
    /no flame/,
    /phone or doorbell inside/,
    /only if it is safe/,
    /leave/,
    /from outside\.$/,
  ])
    expect(says).toMatch(part)
})
