import type { SealedCircuit } from './sealedCircuit'
import { circuitGauge_Pa, filledWater_m3 } from './sealedCircuit'

/** A circuit with what lets water in and out of it. Pressures gauge. */
export interface CyclePlan {
  readonly circuit: SealedCircuit
  readonly maxTemp_K: number
  readonly reliefSetGauge_Pa: number
  /** The relief shuts again this share under its setting. */
  readonly blowdown: number
  /** Feed valve: holds at least this; undefined where the circuit is filled by hand. */
  readonly feedGauge_Pa?: number
  /** A feed valve that lets by: cold water per second at any pressure under the main's, m³/s. */
  readonly creep_m3_s: number
  readonly mainGauge_Pa: number
  readonly cycles: number
  readonly warm_s: number
  readonly hold_s: number
  readonly cool_s: number
  readonly step_s: number
}

/** Time of the usual cycle: a cold start, an hour hot, a night to cool. Assumed. */
export const usualCycle = {
  blowdown: 0.15,
  cycles: 3,
  warm_s: 2700,
  hold_s: 3600,
  cool_s: 14400,
  step_s: 60,
} as const

export interface CycleSample {
  readonly at_s: number
  readonly temp_K: number
  readonly gauge_Pa: number
  readonly reliefOpen: boolean
}

export interface CycleTrace {
  readonly samples: readonly CycleSample[]
  /** Water let out by the relief and let in by the feed, m³ as cold water. */
  readonly relieved_m3: number
  readonly fed_m3: number
  readonly highestGauge_Pa: number
  readonly lowestGauge_Pa: number
  readonly openings: number
}

/**
 * The most that a step may let out or in before the pressure is looked at again: a share of the
 * system.
 */
const smallest_m3 = 1e-7

/**
 * A circuit through heating cycles: the burner warms it, holds it, and it cools; the relief lets
 * water out above its setting until it shuts, the feed valve lets it in. Water in equals water out
 * plus what is left (property). Sources: sources.gasLaw, sources.if97.
 */
export function heatingCycle(
  plan: CyclePlan,
  progress: (share: number) => void = () => undefined,
): CycleTrace {
  const { circuit, reliefSetGauge_Pa, feedGauge_Pa, step_s } = plan
  let water_m3 = filledWater_m3(circuit)
  let [relieved_m3, fed_m3, openings] = [0, 0, 0]
  let open = false
  const span_s = plan.warm_s + plan.hold_s + plan.cool_s
  const steps = Math.ceil((span_s * plan.cycles) / step_s)
  const samples: CycleSample[] = []
  for (let i = 0; i <= steps; i++) {
    const at_s = i * step_s
    const temp_K = tempAt_K(plan, at_s % span_s)
    const gauge = (volume_m3: number) => circuitGauge_Pa(circuit, temp_K, volume_m3)
    if (i > 0 && plan.creep_m3_s > 0 && gauge(water_m3) < plan.mainGauge_Pa) {
      const in_m3 = plan.creep_m3_s * step_s
      water_m3 += in_m3
      fed_m3 += in_m3
    }
    let gauge_Pa = gauge(water_m3)
    if (gauge_Pa >= reliefSetGauge_Pa) {
      if (!open) openings += 1
      open = true
      const out_m3 = surplus_m3(gauge, water_m3, reliefSetGauge_Pa * (1 - plan.blowdown))
      water_m3 -= out_m3
      relieved_m3 += out_m3
      gauge_Pa = reliefSetGauge_Pa
    } else open = false
    if (feedGauge_Pa !== undefined && gauge_Pa < feedGauge_Pa) {
      const in_m3 = -surplus_m3(gauge, water_m3, feedGauge_Pa)
      water_m3 += in_m3
      fed_m3 += in_m3
      gauge_Pa = feedGauge_Pa
    }
    samples.push({ at_s, temp_K, gauge_Pa, reliefOpen: open })
    if (i % 32 === 0) progress(i / steps)
  }
  const all = samples.map((sample) => sample.gauge_Pa)
  return {
    samples,
    relieved_m3,
    fed_m3,
    openings,
    highestGauge_Pa: Math.max(...all),
    lowestGauge_Pa: Math.min(...all),
  }
}

/** Water to let out to come to a pressure, m³; negative is water to let in. */
function surplus_m3(
  gauge: (volume_m3: number) => number,
  water_m3: number,
  target_Pa: number,
): number {
  const rising = gauge(water_m3) < target_Pa
  let step = 1e-5
  const past = (amount: number) =>
    rising ? gauge(water_m3 + amount) >= target_Pa : gauge(water_m3 - amount) <= target_Pa
  while (!past(step) && step < water_m3) step *= 2
  let [low, high] = [0, step]
  while (high - low > smallest_m3) {
    const middle = (low + high) / 2
    if (past(middle)) high = middle
    else low = middle
  }
  return rising ? -high : high
}

/** Temperature of a cycle: straight up, level, and down as a body cools. */
function tempAt_K({ circuit, maxTemp_K, warm_s, hold_s, cool_s }: CyclePlan, at_s: number): number {
  const rise_K = maxTemp_K - circuit.fillTemp_K
  if (at_s <= warm_s) return circuit.fillTemp_K + (rise_K * at_s) / warm_s
  if (at_s <= warm_s + hold_s) return maxTemp_K
  return circuit.fillTemp_K + rise_K * Math.exp((-4 * (at_s - warm_s - hold_s)) / cool_s)
}
