import { textOf } from '../answer/sentence'
import { answerOf, worst } from '../answer/sheet'
import type { JobDocument } from '../job/document'
import { practiceNames } from '../practice/practiceNames'
import type { PracticeName } from '../practice/practiceNames'
import { practices } from '../practice/practices'
import { showIn } from '../units/format'
import { change, oneValue, several } from './findingCases.testing'
import { solvedSpecs } from './sheets'
import { solve } from './solve'
import { word } from './wording'

/*
 * Each practice reads as a native of it would write. Every job that shows a finding is read by the rules of every place; names that a user
 * gave are put aside, because they are the user's.
 */

const foreign: Readonly<Record<PracticeName, RegExp>> = {
  'north-america':
    /\d ?(mm|cm|m|L|bar|mbar|kPa|Pa|kW|MJ\/h|°C|L\/min|m³\/h|kg)\b|\b(milli)?metres?\b|\blit(re|er)s?\b|\b(tundish|stopcock|lagging|flue|radiator|filling link)\b/i,
  'uk-ireland': /\d ?(psi|ft|in wc|gpm|°F|k?Btu\/h|US gal|ft³)\b|\b(faucet|gallons?|shutoff|T&P)\b/,
  'australia-new-zealand':
    /\d ?(psi|ft|in wc|gpm|°F|k?Btu\/h|US gal|ft³|mbar)\b|\b(faucet|gallons?|shutoff)\b/,
}
/** Words that no plate and no standard has. */
const nobodyWrites = /\b(greatest|would violate)\b/i

const jobs: readonly JobDocument[] = [
  ...oneValue.map(([, job, path, shows]) => change(job, { [path]: shows })),
  ...several.map(([, job, shows]) => change(job, shows)),
]

function saidIn(practice: PracticeName): readonly string[] {
  const show = showIn(practices[practice].units)
  const said = jobs.flatMap((job) => {
    const solution = solve({ ...job, practice })
    const findings = solution.findings.map((finding) => {
      const { head, why } = word(
        { ...finding, names: (finding.names ?? []).map(() => 'X') },
        solution.practice,
        show,
      )
      return `${head} ${why}`
    })
    return findings
  })
  return [...new Set(said)]
}

describe.each(practiceNames)('in %s', (practice) => {
  const said = saidIn(practice)
  test('no sentence speaks in the units and words of another place', () => {
    expect(said.filter((line) => foreign[practice].test(line.replace(/\u00a0/g, ' ')))).toEqual([])
  })
  test('no sentence has a word that nobody writes', () => {
    expect(said.filter((line) => nobodyWrites.test(line))).toEqual([])
  })
  test('articles are right', () => {
    expect(said.filter((line) => /\b[Aa] [aeio]\w/.test(line) && !/\b[Aa] one/.test(line))).toEqual(
      [],
    )
  })
})

test('what came preset is never said to do and not to do', () => {
  const house = oneValue.find(([id]) => id === 'factory-fill-too-low')?.[1] as JobDocument
  const heights = Array.from({ length: 60 }, (_, i) => 3 + i * 0.25)
  for (const height of heights) {
    const ids = solve(change(house, { 'survey.topEmitterHeight_m.value': height })).findings.map(
      ({ id }) => id,
    )
    expect(ids.includes('preset-suits') && ids.includes('factory-fill-too-low')).toBe(false)
  }
  expect(heights.length).toBeGreaterThan(0)
})

test('every head of every sheet is a sentence in each practice', () => {
  for (const practice of practiceNames) {
    const show = showIn(practices[practice].units)
    for (const job of jobs.slice(0, 12)) {
      const solution = solve({ ...job, practice })
      for (const spec of solvedSpecs) {
        const sheet = solution[spec.id]
        if (!sheet.applies || !spec.says) continue
        const { head } = spec.says(answerOf<unknown>(sheet), {
          missing: sheet.missing,
          practice: solution.practice,
          show,
          fixes: 0,
          wrong: worst(sheet.findings) === 'pass' ? 0 : 1,
        })
        expect(textOf(head)).toMatch(/^[A-Z0-9−].*[.?]$/)
      }
    }
  }
})
