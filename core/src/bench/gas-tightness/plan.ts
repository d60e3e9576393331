import type { GasTightnessFinding } from './wording'
import { sources } from '../../answer/sources'
import type { Appliance, JobDocument } from '../../job/document'
import type { Known } from '../../job/known'
import { burnsGas } from '../../job/fields'
import { fitted } from '../../job/asked'
import type { Practice } from '../../practice/practices'
import type { TightnessPlan } from './run'
import { naTestDuration_s, naTestPressure_Pa } from '../../methods/test/trappedGas'

/** Something that has to be out of the way before the pipe is pumped up. */
export interface Preparation {
  readonly id: string
  readonly name: string
  readonly action: 'disconnect-and-cap' | 'shut'
  readonly because: 'limit-below-test' | 'limit-unknown' | 'boundary'
  readonly limitGauge_Pa?: number
}

export interface TightnessDesign {
  /** The plan less the gauge, which is known when the test begins. */
  readonly plan: Omit<TightnessPlan, 'gauge'>
  readonly preparations: readonly Preparation[]
}

const preparationOf = (
  id: string,
  name: string,
  limit: Known,
  testGauge_Pa: number,
): Preparation => {
  if (limit === null) return { id, name, action: 'disconnect-and-cap', because: 'limit-unknown' }
  if (limit.value < testGauge_Pa * (1 - 1e-6))
    return {
      id,
      name,
      action: 'disconnect-and-cap',
      because: 'limit-below-test',
      limitGauge_Pa: limit.value,
    }
  return { id, name, action: 'shut', because: 'boundary' }
}

/** Test pressure, gauge Pa, by the practice. Sources: the practice's. */
export function testGauge_Pa(
  rule: Practice['tightness']['pressure'],
  workingGauge_Pa: number,
): number {
  if (rule.kind === 'fixed') return rule.gauge_Pa
  return rule.kind === 'north-american' ? naTestPressure_Pa(workingGauge_Pa) : workingGauge_Pa
}

/** What meter and regulator add to the volume under test, m³; containers have no meter. Source: the practice's. */
export const meterVolume_m3 = ({ gas, survey }: JobDocument, practice: Practice): number =>
  gas.meterVolume_m3?.value ?? (survey.fuel === 'propane' ? 0 : practice.tightness.meter_m3)

/** The rule of the practice for the fuel. */
function ruleFor({ survey }: JobDocument, { tightness }: Practice) {
  const { source, ...propane } = tightness.propane
  return survey.fuel === 'propane' ? { ...propane, source, permittedLeakSource: source } : tightness
}

/**
 * The tightness test of this gas supply: pressure, times, the permitted leak, and everything that is disconnected and capped because it
 * is rated below the test pressure (or nobody knows), or shut because it bounds the test.
 */
export function tightnessDesign(
  document: JobDocument,
  practice: Practice,
  supply: {
    readonly volume_m3: number
    readonly workingGauge_Pa: number
    readonly atmosphere_Pa: number
  },
): TightnessDesign {
  const rule = ruleFor(document, practice)
  const gauge_Pa = testGauge_Pa(rule.pressure, supply.workingGauge_Pa)
  const volume_m3 = supply.volume_m3 + meterVolume_m3(document, practice)
  const burners = fitted(document.appliances).filter((appliance) => burnsGas(appliance.kind))
  return {
    plan: {
      testGauge_Pa: gauge_Pa,
      stabilise_s: rule.stabilise_s,
      test_s:
        rule.pressure.kind === 'north-american'
          ? // Whether it is a dwelling is not on file: the longer of the two times, by volume alone.
            naTestDuration_s({ volume_m3, dwelling: false })
          : rule.test_s,
      volume_m3,
      atmosphere_Pa: supply.atmosphere_Pa,
      perceptible_Pa: rule.perceptible_Pa,
      permittedLeak_m3_s: rule.permittedLeak_m3_s,
      permittedLeakSource: rule.permittedLeakSource,
      methodSource: rule.source,
    },
    preparations: [
      preparationOf(
        'meter',
        'Gas meter and regulator',
        document.gas.meterMaxTestGauge_Pa,
        gauge_Pa,
      ),
      ...burners.map((burner) =>
        preparationOf(burner.id, burner.name, burner.maxTestGauge_Pa, gauge_Pa),
      ),
    ],
  }
}

/** What nobody knows about the parts under test, and where the procedure ends. */
export const testFindings = (
  document: JobDocument,
  burners: readonly Appliance[],
  design: TightnessDesign | undefined,
  practice: Practice,
): readonly GasTightnessFinding[] => [
  ...pastDomestic(document, design, practice),
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
  design: TightnessDesign | undefined,
  { tightness }: Practice,
): GasTightnessFinding[] {
  const { domestic } = tightness
  if (!domestic || !design) return []
  const meter_m3_s = survey.gasMeter_m3_s?.value ?? 0
  const isPast =
    design.plan.volume_m3 > domestic.volume_m3 || meter_m3_s > domestic.meter_m3_s * (1 + 1e-9)
  return isPast
    ? [
        {
          id: 'test-past-domestic',
          severity: 'fix',
          place: 'gas.meterVolume',
          figures: {
            volume_m3: design.plan.volume_m3,
            most_m3: domestic.volume_m3,
            meter_m3_s,
            mostMeter_m3_s: domestic.meter_m3_s,
          },
          source: domestic.source,
        },
      ]
    : []
}
