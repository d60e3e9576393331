import type { GasTightnessFinding } from './wording'
import { sources } from '../../answer/sources'
import type { Appliance, JobDocument } from '../../job/document'
import type { Practice } from '../../practice/practice'
import type { GasTest } from '../gas-test/spec'
import { naTestPressure_Pa } from '../../methods/test/trappedGas'

/** Test pressure, gauge Pa, by the practice. Sources: the practice's. */
export function testGauge_Pa(
  rule: Practice['tightness']['pressure'],
  workingGauge_Pa: number,
): number {
  if (rule.kind === 'fixed') return rule.gauge_Pa
  return rule.kind === 'north-american' ? naTestPressure_Pa(workingGauge_Pa) : workingGauge_Pa
}

/** What nobody knows about the parts under test, and where the procedure ends. */
export const testFindings = (
  document: JobDocument,
  burners: readonly Appliance[],
  tests: readonly GasTest[],
  practice: Practice,
): readonly GasTightnessFinding[] => [
  ...pastDomestic(document, tests, practice),
  ...burners
    .filter((burner) => !burner.maxTestGauge_Pa)
    .map((burner): GasTightnessFinding => ({
      id: 'test-limit-unknown',
      severity: 'note',
      place: `appliances.${document.appliances.indexOf(burner)}.maxTestGauge_Pa`,
      names: [burner.name],
      source: sources.maker,
    })),
]

/** A supply past where the procedure for houses ends: its verdict by that rule would be none. */
function pastDomestic(
  { survey }: JobDocument,
  tests: readonly GasTest[],
  { tightness }: Practice,
): GasTightnessFinding[] {
  const { domestic } = tightness
  if (!domestic || tests.length === 0) return []
  const volume_m3 = Math.max(...tests.map(({ plan }) => plan.volume_m3))
  const meter_m3_s = survey.gasMeter_m3_s?.value ?? 0
  const isPast = volume_m3 > domestic.volume_m3 || meter_m3_s > domestic.meter_m3_s * (1 + 1e-9)
  return isPast
    ? [
        {
          id: 'test-past-domestic',
          severity: 'fix',
          place: 'gas.meterVolume',
          figures: {
            volume_m3,
            most_m3: domestic.volume_m3,
            meter_m3_s,
            mostMeter_m3_s: domestic.meter_m3_s,
          },
          source: domestic.source,
        },
      ]
    : []
}
