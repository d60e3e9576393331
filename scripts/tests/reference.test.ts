import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { kinds } from '../reference/kinds'
import { checks } from './referenceChecks'

// Each value stands under its published source; see the `source` of each row.
test.each(checks.map((one) => [one.id, one] as const))('%s', (_, one) => {
  const got = kinds[one.calc]?.(one.inputs) ?? {}
  for (const [key, expected] of Object.entries(one.expected)) {
    const allowed = one.tolerance[key] ?? {}
    if (typeof expected !== 'number') expect(got[key]).toBe(expected)
    else
      expect(Math.abs(Number(got[key]) - expected)).toBeLessThanOrEqual(
        Math.max((allowed.relative ?? 0) * Math.abs(expected), allowed.absolute ?? 0) + 1e-15,
      )
  }
})

// The shared file may be newer than the copy: every case of a kind that is known here passes there
// too.
const shared = join(__dirname, '../../../shared/reference/cases.json')
const ifShared = existsSync(shared) ? test : test.skip
ifShared('the shared cases of known kinds are all in the copy', () => {
  const cases = JSON.parse(readFileSync(shared, 'utf8')) as { id: string; calc: string }[]
  const known = cases.filter((one) => kinds[one.calc])
  expect(checks.map((one) => one.id)).toEqual(expect.arrayContaining(known.map((one) => one.id)))
})
