import { expectAbove0, expectNotNegative } from '../../answer/expect'
import { liquidWater } from '../water/water'
import { standardAtmosphere_Pa } from '../../units/units'

/** A pipe that gives under pressure: thin wall. */
export interface PipeWall {
  readonly bore_m: number
  readonly wall_m: number
  readonly modulus_Pa: number
}

const waterAt = (temp_K: number) => liquidWater({ temp_K, pressureAbs_Pa: standardAtmosphere_Pa })

/**
 * How much the pipe itself gives, 1/Pa. Ends free to move as a straight pipe between bends has
 * them. Source: sources.thinWall.
 */
const giveOf_1_Pa = ({ bore_m, wall_m, modulus_Pa }: PipeWall): number => {
  expectAbove0({ bore_m, wall_m, modulus_Pa })
  return bore_m / (modulus_Pa * wall_m)
}

/**
 * Pressure that water trapped in a rigid vessel gains by a kelvin, Pa/K. 273.15 to 623.15 K.
 * Source: sources.if97.
 */
export function rigidRise_Pa_K(temp_K: number): number {
  const { expansion_1_K, compressibility_1_Pa } = waterAt(temp_K)
  return expansion_1_K / compressibility_1_Pa
}

/**
 * Pressure that water trapped in a pipe gains by a kelvin, Pa/K: negative for plastics, which grow
 * more than the water. Source: sources.if97, sources.thinWall.
 */
export function elasticRise_Pa_K({
  temp_K,
  wall,
  growth_1_K,
  ends,
  poisson,
}: {
  readonly temp_K: number
  readonly wall: PipeWall
  /** Linear growth of the pipe with warmth, 1/K. */
  readonly growth_1_K: number
  readonly ends: 'hoop-only' | 'closed-free'
  readonly poisson: number
}): number {
  const { expansion_1_K, compressibility_1_Pa } = waterAt(temp_K)
  const share = ends === 'hoop-only' ? 1 : 1.25 - poisson
  return (expansion_1_K - 3 * growth_1_K) / (compressibility_1_Pa + giveOf_1_Pa(wall) * share)
}

/**
 * Water lost by a liquid-full pipe whose pressure fell, m³. No trapped air. Source: sources.if97,
 * sources.thinWall.
 */
export function liquidLost_m3({
  volume_m3,
  wall,
  fall_Pa,
  temp_K,
}: {
  readonly volume_m3: number
  readonly wall: PipeWall
  readonly fall_Pa: number
  readonly temp_K: number
}): number {
  expectAbove0({ volume_m3 })
  return volume_m3 * (waterAt(temp_K).compressibility_1_Pa + giveOf_1_Pa(wall)) * fall_Pa
}

/**
 * Water to pump in from one gauge pressure to another: what the water and the pipe take, and what
 * trapped air takes more, m³. The share of air is that at the first pressure. Source: sources.if97,
 * sources.thinWall, sources.idealGas.
 */
export function pumpIn({
  volume_m3,
  wall,
  temp_K,
  fromGauge_Pa,
  toGauge_Pa,
  atmosphere_Pa,
  airShare,
}: {
  readonly volume_m3: number
  readonly wall: PipeWall
  readonly temp_K: number
  readonly fromGauge_Pa: number
  readonly toGauge_Pa: number
  readonly atmosphere_Pa: number
  readonly airShare: number
}): { readonly withoutAir_m3: number; readonly forAir_m3: number } {
  expectNotNegative({ airShare, fromGauge_Pa })
  expectAbove0({ atmosphere_Pa })
  return {
    withoutAir_m3: liquidLost_m3({ volume_m3, wall, temp_K, fall_Pa: toGauge_Pa - fromGauge_Pa }),
    forAir_m3:
      airShare * volume_m3 * (1 - (fromGauge_Pa + atmosphere_Pa) / (toGauge_Pa + atmosphere_Pa)),
  }
}

/**
 * Share of air in a pipe, at the first pressure, from the water that was pumped in: what water and
 * pipe do not explain. Not below 0. Pressures gauge, the second above the first, else RangeError.
 * Source: sources.if97, sources.thinWall, sources.idealGas.
 */
export function airShareOf({
  pumped_m3,
  ...pipe
}: Omit<Parameters<typeof pumpIn>[0], 'airShare'> & { readonly pumped_m3: number }): number {
  expectAbove0({ pumped_m3, rise_Pa: pipe.toGauge_Pa - pipe.fromGauge_Pa })
  const { withoutAir_m3 } = pumpIn({ ...pipe, airShare: 0 })
  const { forAir_m3: forAll_m3 } = pumpIn({ ...pipe, airShare: 1 })
  return Math.max(0, (pumped_m3 - withoutAir_m3) / forAll_m3)
}
