import { juniperRidge, kestrelWeir } from '../../../../demo/src/documents'
import type { JobDocument } from '../../job/document'
import type { Practice } from '../../practice/practice'
import { practiceNames } from '../../practice/practiceNames'
import { practices } from '../../practice/practices'
import { pipeVolume_m3 } from '../../methods/materials/pipes'
import { gasSheet } from '../../sheets/gas/sheet'
import { gasTestsOf } from '../gas-test/kinds'
import type { GasTest } from '../gas-test/spec'
import { meterVolume_m3 } from '../gas-test/stages'
import { testGauge_Pa } from './plan'

const gasOf = (job: JobDocument, practice: Practice) => {
  const sheet = gasSheet(job, practice)
  if (!sheet.applies || !sheet.answer) throw new Error('no gas supply')
  return sheet.answer
}
const testsOf = (job: JobDocument, practice: Practice = practices[job.practice]) =>
  gasTestsOf(job, practice, gasOf(job, practice))
const testOf = (job: JobDocument, id: string, practice?: Practice): GasTest => {
  const found = testsOf(job, practice).find((one) => one.id === id)
  if (!found) throw new Error(`no test ${id}`)
  return found
}
const read = (value: number) => ({ value, basis: 'read' as const, from: 'Badge' })
const withMeter = (job: JobDocument, meter: number | null): JobDocument => ({
  ...job,
  gas: { ...job.gas, meterVolume_m3: meter === null ? null : read(meter) },
})
const laid = (job: JobDocument, was: readonly number[]): JobDocument => ({
  ...job,
  gas: {
    ...job.gas,
    segments: job.gas.segments.map((one, i) =>
      was.includes(i) ? { ...one, laid: 'was-here' } : one,
    ),
  },
})

test.each(practiceNames)('in %s the meter counts in the volume under test', (name) => {
  const practice = practices[name]
  const job = kestrelWeir()
  const pipes_m3 = gasOf(job, practice).volume_m3
  const volume = (of: JobDocument) => testOf(of, 'tightness', practice).plan.volume_m3
  expect(volume(withMeter(job, null))).toBeCloseTo(pipes_m3 + practice.tightness.meter_m3, 9)
  expect(volume(withMeter(job, 0.0024))).toBeCloseTo(pipes_m3 + 0.0024, 9)
})
test('containers have no meter', () => {
  expect(meterVolume_m3(juniperRidge(), practices['north-america'])).toBe(0)
})
test.each(practiceNames)('in %s propane is tested by its own rule', (name) => {
  const { tightness } = practices[name]
  const kestrel = kestrelWeir()
  const job = {
    ...kestrel,
    survey: { ...kestrel.survey, fuel: 'propane' as const, gasWorkingGauge_Pa: read(3700) },
  }
  const { plan } = testOf(job, 'tightness', practices[name])
  const { propane } = tightness
  expect(plan.testGauge_Pa).toBe(testGauge_Pa(propane.pressure, 3700))
  expect(plan.permittedLeak_m3_s).toBe(propane.permittedLeak_m3_s)
  expect(plan.methodSource.basis).toBe('from-memory')
  // It lies lower and burns from less: never more may leak than of natural gas.
  expect(propane.permittedLeak_m3_s).toBeLessThan(tightness.permittedLeak_m3_s)
})

describe('two-stage propane', () => {
  const job = twoStage()
  const practice = practices['north-america']
  const regulated = job.gas.segments.filter(({ regulator }) => regulator)
  test('has one plan a stage, each at its own pressure', () => {
    const tests = testsOf(job)
    expect(tests.map(({ id }) => id)).toEqual([
      'tightness',
      ...regulated.map(({ id }) => `tightness/${id}`),
    ])
    const [first, ...after] = tests
    const supply_Pa = job.survey.gasWorkingGauge_Pa?.value ?? 0
    expect(first?.plan.testGauge_Pa).toBeCloseTo(1.5 * supply_Pa, 3)
    for (const { plan } of after) expect(plan.testGauge_Pa).toBeCloseTo(3 * 6894.757, 0)
    expect(first?.plan.permittedLeak_m3_s).toBe(practice.tightness.propane.permittedLeak_m3_s)
  })
  test('is cut at the regulators: they come off either side, and each stage holds its own pipe', () => {
    const tests = testsOf(job)
    const all_m3 = gasOf(job, practice).volume_m3
    expect(tests.reduce((sum, { plan }) => sum + plan.volume_m3, 0)).toBeCloseTo(all_m3, 9)
    for (const { preparations } of tests)
      for (const one of preparations.filter(({ id }) => id.startsWith('regulator.')))
        expect(one.action).toBe('disconnect-and-cap')
    expect(tests[0]?.preparations.filter(({ id }) => id.startsWith('regulator.'))).toHaveLength(
      regulated.length,
    )
  })
})

describe('pipe that was here', () => {
  const uk = practices['uk-ireland']
  const job = { ...kestrelWeir(), practice: 'uk-ireland' as const }
  const last = job.gas.segments.length - 1
  const mixed = laid(job, [0])
  test('leaves new pipe to be tested alone first, with nothing of the meter in it', () => {
    const alone = testOf(mixed, 'tightness')
    const { pipes } = gasOf(mixed, uk)
    expect(alone.pipes).not.toContain(job.gas.segments[0]?.id)
    expect(alone.plan.volume_m3).toBeCloseTo(
      pipes
        .filter(({ segment }) => segment.laid === null)
        .reduce((sum, { pipe }) => sum + pipeVolume_m3(pipe.size.bore_m, pipe.length_m), 0),
      9,
    )
    expect(testOf(mixed, 'existing').after).toEqual(['tightness'])
  })
  // IGEM/UP/1B from memory, ../shared/reference/methods.md 9.2: 4 mbar with a U6 or G4, 8 with an
  // E6, 1 with a U16 or G10.
  test.each([
    ['diaphragm-meter-U6-G4', 400],
    ['ultrasonic-meter-E6', 800],
    ['diaphragm-meter-U16-G10', 100],
  ] as const)('may fall with a %s by %d Pa', (meterKind, fall_Pa) => {
    const narrow = narrowed(mixed)
    const named = { ...narrow, gas: { ...narrow.gas, meterKind } }
    expect(testOf(named, 'existing').plan.perceptible_Pa).toBe(fall_Pa)
  })
  test('may not fall where the meter is not named, or a pipe is wider than 28 mm', () => {
    expect(testOf(narrowed(mixed), 'existing').plan.perceptible_Pa).toBe(
      uk.tightness.perceptible_Pa,
    )
    const wide = narrowed(mixed, '35 mm')
    const named = { ...wide, gas: { ...wide.gas, meterKind: 'diaphragm-meter-U6-G4' as const } }
    expect(testOf(named, 'existing').plan.perceptible_Pa).toBe(uk.tightness.perceptible_Pa)
  })
  test('is not made with a smell of gas, and is asked of nobody where all pipe is new', () => {
    expect(testOf(mixed, 'existing').confirms.map(({ id }) => id)).toContain('no-smell')
    expect(testsOf(job).map(({ id }) => id)).toEqual(['strength', 'tightness'])
    expect(
      testsOf(
        laid(
          job,
          job.gas.segments.map((_, i) => i),
        ),
      ).map(({ id }) => id),
    ).toEqual(['existing'])
    expect(last).toBeGreaterThan(0)
  })
  test('where a practice has no rule for it, is tested with the new pipe as if it were new', () => {
    const american = laid(kestrelWeir(), [0])
    const [tight] = testsOf(american, practices['north-america'])
    expect(tight?.pipes).toBe('all')
  })
})

test('a strength test has nothing on the pipe but caps, and clears nothing', () => {
  const job = { ...kestrelWeir(), practice: 'uk-ireland' as const }
  const strength = testOf(job, 'strength')
  expect(strength.preparations.map(({ action }) => action)).toEqual(
    strength.preparations.map(() => 'disconnect-and-cap'),
  )
  expect(strength.asked).toBe(false)
  // IGE/UP/1A from memory: 82.5 mbar, a fall of a fifth.
  expect(strength.plan.testGauge_Pa).toBe(8250)
  expect(strength.plan.perceptible_Pa).toBeCloseTo(1650, 6)
})

/** The bunkhouse with ten psi in the ground and a second regulator at the house. */
function twoStage(): JobDocument {
  const job = juniperRidge()
  const [a, ...rest] = job.gas.segments
  if (!a) throw new Error('no pipe')
  const feed = {
    ...a,
    id: 'feed',
    name: 'Containers to house',
    regulator: {
      outGauge_Pa: read(2740),
      drop_Pa: read(300),
      most_m3_s: read(0.01),
      vent: 'outside' as const,
    },
  }
  return {
    ...job,
    survey: { ...job.survey, gasWorkingGauge_Pa: read(68947.57) },
    gas: { ...job.gas, segments: [feed, { ...a, from: 'feed' }, ...rest] },
  }
}

const narrowed = (job: JobDocument, size = '28 mm'): JobDocument => ({
  ...job,
  gas: {
    ...job.gas,
    segments: job.gas.segments.map((one) => ({ ...one, material: 'copper-en1057', size })),
  },
})

test.each(practiceNames)('in %s a stage at a higher pressure holds its own figures', (name) => {
  const { elevated } = practices[name].tightness
  const stage_Pa = 14000
  expect(testGauge_Pa(elevated.pressure, stage_Pa)).toBeGreaterThanOrEqual(stage_Pa)
  expect(elevated.test_s).toBeGreaterThanOrEqual(practices[name].tightness.test_s)
  expect(elevated.source.basis).toBe('from-memory')
})
