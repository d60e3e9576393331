import { juniperRidge, kestrelWeir } from '../../../../demo/src/documents'
import type { JobDocument } from '../../job/document'
import { practiceNames } from '../../practice/practiceNames'
import { practices } from '../../practice/practices'
import { meterVolume_m3, testGauge_Pa, tightnessDesign } from './plan'

const supply = { volume_m3: 0.01, workingGauge_Pa: 2750, atmosphere_Pa: 101325 }
const read = (value: number) => ({ value, basis: 'read' as const, from: 'Badge' })
const withMeter = (job: JobDocument, meter: number | null): JobDocument => ({
  ...job,
  gas: { ...job.gas, meterVolume_m3: meter === null ? null : read(meter) },
})

test.each(practiceNames)('in %s the meter counts in the volume under test', (name) => {
  const practice = practices[name]
  const job = kestrelWeir()
  const volume = (of: JobDocument) => tightnessDesign(of, practice, supply).plan.volume_m3
  expect(volume(withMeter(job, null))).toBeCloseTo(0.01 + practice.tightness.meter_m3, 9)
  expect(volume(withMeter(job, 0.0024))).toBeCloseTo(0.0124, 9)
})
test('containers have no meter', () => {
  expect(meterVolume_m3(juniperRidge(), practices['north-america'])).toBe(0)
})
test.each(practiceNames)('in %s propane is tested by its own rule', (name) => {
  const { tightness } = practices[name]
  const { plan } = tightnessDesign(
    { ...kestrelWeir(), survey: juniperRidge().survey },
    practices[name],
    supply,
  )
  const { propane } = tightness
  expect(plan.testGauge_Pa).toBe(testGauge_Pa(propane.pressure, supply.workingGauge_Pa))
  expect(plan.permittedLeak_m3_s).toBe(propane.permittedLeak_m3_s)
  expect(plan.methodSource.basis).toBe('from-memory')
  // It lies lower and burns from less: never more may leak than of natural gas.
  expect(propane.permittedLeak_m3_s).toBeLessThan(tightness.permittedLeak_m3_s)
})
test.each(practiceNames)('in %s a stage at a higher pressure holds its own figures', (name) => {
  const { elevated } = practices[name].tightness
  const stage_Pa = 14000
  expect(testGauge_Pa(elevated.pressure, stage_Pa)).toBeGreaterThanOrEqual(stage_Pa)
  expect(elevated.test_s).toBeGreaterThanOrEqual(practices[name].tightness.test_s)
  expect(elevated.source.basis).toBe('from-memory')
})
