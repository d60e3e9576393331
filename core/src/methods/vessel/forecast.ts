export interface ChargedVessel {
  readonly volume_m3: number
  /** Charge with the water side empty. */
  readonly chargeGauge_Pa: number
}

export interface ForecastInputs {
  readonly vessels: readonly ChargedVessel[]
  readonly fillGauge_Pa: number
  /** Water that has to go somewhere when the system is hot. */
  readonly expansion_m3: number
  readonly atmosphere_Pa: number
}

/**
 * Water standing in the vessels at a pressure, m³: none in one whose charge is above it. Isothermal
 * gas. Source: sources.gasLaw.
 */
export const waterHeld_m3 = (
  vessels: readonly ChargedVessel[],
  gauge_Pa: number,
  atmosphere_Pa: number,
): number =>
  vessels.reduce(
    (sum, { volume_m3, chargeGauge_Pa }) =>
      sum +
      Math.max(0, volume_m3 * (1 - (chargeGauge_Pa + atmosphere_Pa) / (gauge_Pa + atmosphere_Pa))),
    0,
  )

/**
 * Hot pressure of vessels that share a circuit, each with its own charge, or that no air would be
 * left.
 */
export type Forecast =
  | { readonly outcome: 'settles'; readonly hotGauge_Pa: number; readonly coldWater_m3: number }
  | { readonly outcome: 'no-air-left'; readonly coldWater_m3: number }

/**
 * Pressure when the expansion has gone into the vessels: water held hot = water held cold +
 * expansion, solved by bisection to 0.01 Pa. Gauge in and out, absolute inside. Volumes above 0; a
 * fill below every charge finds no water in the vessel cold. Source: sources.gasLaw.
 */
export function forecastHotPressure({
  vessels,
  fillGauge_Pa,
  expansion_m3,
  atmosphere_Pa,
}: ForecastInputs): Forecast {
  const total_m3 = vessels.reduce((sum, vessel) => sum + vessel.volume_m3, 0)
  const coldWater_m3 = waterHeld_m3(vessels, fillGauge_Pa, atmosphere_Pa)
  const hotWater_m3 = coldWater_m3 + Math.max(0, expansion_m3)
  if (hotWater_m3 >= total_m3 * (1 - 1e-6)) return { outcome: 'no-air-left', coldWater_m3 }
  let low = fillGauge_Pa
  let high = fillGauge_Pa + 1e5
  while (waterHeld_m3(vessels, high, atmosphere_Pa) < hotWater_m3) high = high * 2 + 1e5
  while (high - low > 0.01) {
    const middle = (low + high) / 2
    if (waterHeld_m3(vessels, middle, atmosphere_Pa) < hotWater_m3) low = middle
    else high = middle
  }
  return { outcome: 'settles', hotGauge_Pa: expansion_m3 <= 0 ? fillGauge_Pa : high, coldWater_m3 }
}

/**
 * A vessel's share expressed as volume at a common charge: what it takes in between that charge and
 * the final pressure. Vessels simply add when their charges agree. Gauge pressures, final above
 * common charge. Source: sources.gasLaw.
 */
export function volumeAtCharge_m3(
  vessel: ChargedVessel,
  common: {
    readonly chargeGauge_Pa: number
    readonly finalGauge_Pa: number
    readonly atmosphere_Pa: number
  },
): number {
  const held = (gauge_Pa: number) => waterHeld_m3([vessel], gauge_Pa, common.atmosphere_Pa)
  const taken_m3 = held(common.finalGauge_Pa) - held(common.chargeGauge_Pa)
  return (
    taken_m3 /
    (1 -
      (common.chargeGauge_Pa + common.atmosphere_Pa) /
        (common.finalGauge_Pa + common.atmosphere_Pa))
  )
}
