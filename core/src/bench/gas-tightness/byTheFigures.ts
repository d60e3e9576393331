import { standardAtmosphere_Pa } from '../../units/units'
import { leastSquares } from '../../methods/test/leastSquares'
import { studentT } from '../../methods/test/studentT'
import type { Sample, TightnessPlan, TightnessRun } from './run'
import { meanOf, windowOf } from './run'

/**
 * What the readings show of a leak, and how well. Flows in m³/s at 101 325 Pa, scaled to the test
 * pressure.
 */
export interface FiguresVerdict {
  /**
   * *Passed*: the whole interval lies within the permitted leak. *Failed*: all of it lies above.
   */
  readonly outcome: 'passed' | 'failed' | 'cannot-tell'
  /** Undefined with fewer than three readings, or at less than half the test pressure. */
  readonly shown?: {
    readonly leak_m3_s: number
    readonly low_m3_s: number
    readonly high_m3_s: number
    /** Smallest leak that this test could have told from none. */
    readonly smallest_m3_s: number
    readonly confidence: number
    /** What was averaged to blocks and laid through a line. */
    readonly blocks: number
  }
  /** What a tenth of a kelvin does to this pipe, Pa. */
  readonly tenthKelvin_Pa: number
  /** Change of temperature assumed because none was read, K over the window. */
  readonly assumedChange_K?: number
}

/** Two-sided; an interval at 95 % would pass too many leaks (`npm run bench` prints how many). */
const confidence = 0.998
/**
 * Samples are averaged to blocks of at least so long: neighbours of a fast gauge are not
 * independent. Assumed.
 */
const block_s = 5
/**
 * A sensor by the pipe may see a third of what the gas does: twice the seen change stays unseen.
 */
const unseen = 2
/**
 * Where no temperature was read: so much over the window, or so much in ten minutes if that is
 * more. Assumed.
 */
const assumed = { change_K: 0.5, perTenMinutes_K: 1 } as const
/**
 * How fast the barometer may move while nobody reads it, Pa/s: 2 hPa in an hour. Common practice,
 * no source.
 */
const barometer_Pa_s = 200 / 3600
/**
 * A reading rounded to a step lies half a step off at most; over a window this tilts a line by at
 * most so many steps.
 */
const tiltOfRounding = 1.5

interface Block {
  readonly at_s: number
  readonly gauge_Pa: number
  /** Of the air, where every reading of the block has it. */
  readonly baro_Pa?: number
  readonly temp_K?: number
}

/** Means of blocks, each of at least {@link block_s}; typed readings stay as they are. */
function blocksOf({ reading }: TightnessRun, inside: readonly Sample[]): readonly Block[] {
  const first_ms = inside[0]?.at_ms ?? 0
  if (reading === 'typed')
    return inside.map(({ at_ms, ...sample }) => ({ at_s: (at_ms - first_ms) / 1000, ...sample }))
  const groups = new Map<number, Sample[]>()
  for (const sample of inside) {
    const which = Math.floor((sample.at_ms - first_ms) / (1000 * block_s))
    groups.set(which, [...(groups.get(which) ?? []), sample])
  }
  return [...groups.values()].map((group): Block => {
    const warm = group.flatMap(({ temp_K }) => (temp_K === undefined ? [] : [temp_K]))
    const air = group.flatMap(({ baro_Pa }) => (baro_Pa === undefined ? [] : [baro_Pa]))
    return {
      at_s: (meanOf(group.map(({ at_ms }) => at_ms)) - first_ms) / 1000,
      gauge_Pa: meanOf(group.map(({ gauge_Pa }) => gauge_Pa)),
      ...(warm.length === group.length ? { temp_K: meanOf(warm) } : {}),
      ...(air.length === group.length ? { baro_Pa: meanOf(air) } : {}),
    }
  })
}

/**
 * The smallest step between readings of a sensor, K: what it rounds to. A tenth where it never
 * moved.
 */
function stepOf_K(inside: readonly Sample[]): number {
  const seen = [...new Set(inside.flatMap(({ temp_K }) => temp_K ?? []))].sort((a, b) => a - b)
  const steps = seen.slice(1).map((value, i) => value - (seen[i] ?? 0))
  return steps.length === 0 ? 0.1 : Math.min(0.1, ...steps.filter((step) => step > 1e-6))
}

/** Whether the air was read throughout: then it hides nothing. */
const hasBarometer = (blocks: readonly Block[]): boolean =>
  blocks.every(({ baro_Pa }) => baro_Pa !== undefined)

/**
 * Absolute pressure of a block, Pa: with the air as it was read, or as it stands around the site.
 */
const absOf = ({ gauge_Pa, baro_Pa = 0 }: Block, around_Pa: number | undefined): number =>
  gauge_Pa + (around_Pa ?? baro_Pa)

/** How far temperature may tilt the line, Pa/s, and the readings with its seen part taken out. */
function withoutWarmth(
  { plan }: TightnessRun,
  inside: readonly Sample[],
  blocks: readonly Block[],
  t: number,
) {
  const span_s = (blocks[blocks.length - 1]?.at_s ?? 0) - (blocks[0]?.at_s ?? 0)
  const temps = blocks.flatMap(({ at_s, temp_K }) =>
    temp_K === undefined ? [] : [{ at_s, value: temp_K }],
  )
  const around_Pa = hasBarometer(blocks) ? undefined : plan.atmosphere_Pa
  const abs_Pa = meanOf(blocks.map((block) => absOf(block, around_Pa)))
  if (temps.length < blocks.length) {
    const change_K = Math.max(assumed.change_K, (assumed.perTenMinutes_K * span_s) / 600)
    return {
      values: blocks.map((block) => ({ at_s: block.at_s, value: absOf(block, around_Pa) })),
      tilt_Pa_s: (abs_Pa * change_K) / (roomTemp_K * span_s),
      assumedChange_K: change_K,
    }
  }
  const reference_K = meanOf(temps.map(({ value }) => value))
  const warming = leastSquares(temps)
  const seen_K_s = Math.abs(warming.slope_per_s) + t * warming.error_per_s
  const rounding_K_s = (tiltOfRounding * stepOf_K(inside)) / span_s
  return {
    values: blocks.map((block) => ({
      at_s: block.at_s,
      value: (absOf(block, around_Pa) * reference_K) / (block.temp_K ?? reference_K),
    })),
    tilt_Pa_s: (abs_Pa / reference_K) * (unseen * seen_K_s + (1 + unseen) * rounding_K_s),
  }
}

/** Of the test pressure, on the mean of the window. Assumed. */
const leastShare = 0.5
const roomTemp_K = 288.15

/**
 * What a tenth of a kelvin does to the gauge of this pipe at its test pressure, Pa. Source:
 * sources.idealGas.
 */
export const tenthKelvin_Pa = ({
  testGauge_Pa,
  atmosphere_Pa,
}: Pick<TightnessPlan, 'testGauge_Pa' | 'atmosphere_Pa'>): number =>
  (0.1 * (testGauge_Pa + atmosphere_Pa)) / roomTemp_K

/**
 * The verdict by the figures: the slope of the absolute pressure brought to one temperature, over
 * all samples of the window in blocks, as a leak with an interval that holds noise, rounding,
 * temperature that the sensor did not see and a moving barometer. Needs three readings and no rule.
 * Source: sources.leastSquares, sources.idealGas.
 */
export function judgeByTheFigures(run: TightnessRun): FiguresVerdict {
  const { plan } = run
  const { inside } = windowOf(run)
  const blocks = blocksOf(run, inside)
  const tenth_Pa = tenthKelvin_Pa(plan)
  const span_s = (blocks[blocks.length - 1]?.at_s ?? 0) - (blocks[0]?.at_s ?? 0)
  if (blocks.length < 3 || span_s <= 0) return { outcome: 'cannot-tell', tenthKelvin_Pa: tenth_Pa }
  const t = studentT(confidence, blocks.length - 2)
  const { values, tilt_Pa_s, ...rest } = withoutWarmth(run, inside, blocks, t)
  const line = leastSquares(values)
  const half_Pa_s =
    t * line.error_per_s +
    (tiltOfRounding * plan.gauge.resolution_Pa) / span_s +
    tilt_Pa_s +
    (hasBarometer(blocks) ? 0 : barometer_Pa_s)
  const mean_Pa = meanOf(blocks.map(({ gauge_Pa }) => gauge_Pa))
  // A leak flows in proportion to the pressure that drives it. A pipe that is half empty by then
  // says little of it.
  if (mean_Pa < leastShare * plan.testGauge_Pa)
    return { outcome: 'cannot-tell', tenthKelvin_Pa: tenth_Pa }
  const scale = plan.testGauge_Pa / mean_Pa
  const flow_m3_s = (slope_Pa_s: number) =>
    (-slope_Pa_s * plan.volume_m3 * scale) / standardAtmosphere_Pa
  const low_m3_s = flow_m3_s(line.slope_per_s + half_Pa_s)
  const high_m3_s = flow_m3_s(line.slope_per_s - half_Pa_s)
  return {
    outcome: outcomeOf(low_m3_s, high_m3_s, plan.permittedLeak_m3_s),
    shown: {
      leak_m3_s: flow_m3_s(line.slope_per_s),
      low_m3_s,
      high_m3_s,
      smallest_m3_s: -flow_m3_s(half_Pa_s),
      confidence,
      blocks: blocks.length,
    },
    tenthKelvin_Pa: tenth_Pa,
    ...rest,
  }
}

function outcomeOf(
  low_m3_s: number,
  high_m3_s: number,
  permitted_m3_s: number,
): FiguresVerdict['outcome'] {
  if (low_m3_s > permitted_m3_s) return 'failed'
  return high_m3_s <= permitted_m3_s ? 'passed' : 'cannot-tell'
}
