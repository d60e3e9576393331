import { readFileSync } from 'node:fs'
import type { Got, Inputs } from './inputs'
import { kinds } from './kinds'
import { skips } from './skips'

interface Tolerance {
  relative?: number
  absolute?: number
  exact?: boolean
}
interface Case {
  id: string
  calc: string
  inputs: Inputs
  expected: Record<string, number | string | boolean>
  tolerance: Record<string, Tolerance>
}

const file = process.argv[2]
if (!file) {
  console.error('Which file? npm run -s reference -- FILE')
  process.exit(2)
}

const within = (
  got: unknown,
  expected: number | string | boolean,
  tolerance: Tolerance | undefined,
): { ok: boolean; error: string } => {
  if (typeof expected !== 'number' || typeof got !== 'number')
    return { ok: got === expected, error: got === expected ? '0' : 'differs' }
  const error = Math.abs(got - expected)
  const allowed = Math.max(
    (tolerance?.relative ?? 0) * Math.abs(expected),
    tolerance?.absolute ?? 0,
  )
  const relative = expected === 0 ? error : error / Math.abs(expected)
  return {
    ok: Number.isFinite(got) && error <= allowed + 1e-15 * Math.abs(expected),
    error: relative.toExponential(1),
  }
}

const counts = { passed: 0, failed: 0, skipped: 0 }
const say = (...columns: unknown[]) => console.log(columns.map(String).join('  '))

for (const one of JSON.parse(readFileSync(file, 'utf8')) as Case[]) {
  const skipped = skips[one.calc]
  if (skipped) {
    counts.skipped++
    say('skipped', one.id, '-', '-', '-', skipped)
    continue
  }
  const kind = kinds[one.calc]
  let got: Got = {}
  let broke = kind ? '' : 'this kind is not known here'
  try {
    got = kind?.(one.inputs) ?? {}
  } catch (error) {
    broke = error instanceof Error ? error.message : String(error)
  }
  const rows = Object.entries(one.expected).map(([key, expected]) => ({
    key,
    expected,
    got: got[key],
    ...within(got[key], expected, one.tolerance[key]),
  }))
  const ok = broke === '' && rows.every((row) => row.ok)
  counts[ok ? 'passed' : 'failed']++
  if (broke) say('FAILED', one.id, '-', '-', '-', broke)
  else
    for (const row of rows)
      say(row.ok ? 'ok' : 'FAILED', one.id, row.key, row.expected, row.got, row.error)
}

console.log(`${counts.passed} passed, ${counts.failed} failed, ${counts.skipped} skipped`)
process.exit(counts.failed > 0 ? 1 : 0)
