/**
 * A closed pipe full of water with a little air in it: what a pump, a weeping joint, the weather do
 * to its pressure. Gauge pressures, Pa.
 */
export interface WaterPipe {
  /** Water that was pumped in beyond what the pipe holds without pressure, m³. */
  readonly pumped_m3: number
  /** Air in it, as it would be at the room's pressure, m³. */
  readonly air_m3: number
  /** What weeps at 10 bar, m³/s. */
  readonly weep_m3_s: number
  readonly temp_K: number
}

export const atmosphere_Pa = 101325
/**
 * Water and pipe wall give by so much of their volume for a pascal: water 4.6e-10, a thin metal
 * wall about as much again.
 */
const give_1_Pa = 8e-10
export const volume_m3 = 0.03
const weepAt_Pa = 1e6

/**
 * Pressure, gauge Pa, at which air and elasticity together have given way to what was pumped in; by
 * halving.
 */
export function gaugeOf({ pumped_m3, air_m3 }: WaterPipe): number {
  const taken_m3 = (gauge_Pa: number) =>
    air_m3 * (1 - atmosphere_Pa / (atmosphere_Pa + gauge_Pa)) + give_1_Pa * volume_m3 * gauge_Pa
  let [low, high] = [0, 5e6]
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2
    if (taken_m3(middle) < pumped_m3) low = middle
    else high = middle
  }
  return (low + high) / 2
}

/** What has to be pumped in for a pressure, m³: what a pump's strokes add up to. */
export const pumpedTo = ({ air_m3 }: WaterPipe, gauge_Pa: number): number =>
  air_m3 * (1 - atmosphere_Pa / (atmosphere_Pa + gauge_Pa)) + give_1_Pa * volume_m3 * gauge_Pa

/** A moment later: what weeps goes with the root of the pressure. */
export function after(pipe: WaterPipe, dt_s: number): WaterPipe {
  const share = Math.sqrt(Math.max(0, gaugeOf(pipe)) / weepAt_Pa)
  return { ...pipe, pumped_m3: Math.max(0, pipe.pumped_m3 - pipe.weep_m3_s * share * dt_s) }
}
