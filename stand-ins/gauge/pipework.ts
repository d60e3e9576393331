/**
 * A closed pipe full of air: what leaks, what warms, what the hand at the pump did. Absolute
 * inside, gauge outside.
 */
export interface PipeworkState {
  /** Air in the pipe, as pressure times volume over temperature (Pa·m³/K). */
  readonly air: number
  readonly temp_K: number
  /** Warmth of pumping that has not gone into the wall yet, K. */
  readonly pumpHeat_K: number
}

export interface PipeworkSettings {
  readonly volume_m3: number
  readonly atmosphere_Pa: number
  /** Leak at 2 000 Pa gauge, m³/s of air. */
  readonly leak_m3_s: number
  /** Drift of the surroundings, K/s. */
  readonly drift_K_s: number
}

/** Time in which the warmth of pumping goes into the pipe wall, s. */
const settle_s = 12
const leakReference_Pa = 2000

/** Pressure in the pipe, gauge Pa. */
export const gaugeOf = (
  state: PipeworkState,
  { volume_m3, atmosphere_Pa }: PipeworkSettings,
): number => (state.air * (state.temp_K + state.pumpHeat_K)) / volume_m3 - atmosphere_Pa

/** The pipe open to the room. */
export const vented = (
  { volume_m3, atmosphere_Pa }: PipeworkSettings,
  temp_K: number,
): PipeworkState => ({ air: (atmosphere_Pa * volume_m3) / temp_K, temp_K, pumpHeat_K: 0 })

/**
 * Pumped to a pressure: the gauge stands there now and sinks a little as the air cools to the wall.
 */
export function pumped(
  state: PipeworkState,
  settings: PipeworkSettings,
  gauge_Pa: number,
): PipeworkState {
  const pumpHeat_K = (0.02 * gauge_Pa) / leakReference_Pa
  return {
    ...state,
    pumpHeat_K,
    air: ((gauge_Pa + settings.atmosphere_Pa) * settings.volume_m3) / (state.temp_K + pumpHeat_K),
  }
}

/**
 * A moment later: leak out of the mass, drift into the temperature, pumping warmth into the wall.
 */
export function after(
  state: PipeworkState,
  settings: PipeworkSettings,
  dt_s: number,
): PipeworkState {
  const gauge_Pa = gaugeOf(state, settings)
  const lost_m3 = settings.leak_m3_s * (gauge_Pa / leakReference_Pa) * dt_s
  const temp_K = state.temp_K + settings.drift_K_s * dt_s
  return {
    temp_K,
    pumpHeat_K: state.pumpHeat_K * Math.exp(-dt_s / settle_s),
    air: state.air - (settings.atmosphere_Pa * lost_m3) / temp_K,
  }
}
