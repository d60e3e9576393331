/**
 * A burner behind its regulator, meter and pipe: pressures, gauge Pa, and what its flue gas is made
 * of. Methane.
 */
export interface Burner {
  /** Share of its full rate; 0 is off. */
  readonly rate: number
  /** What it is on its way to: a burner warms and settles. */
  readonly wanted: number
  readonly flue_K: number
  readonly coldStart: number
}

const static_Pa = 2350
/** What regulator, meter and pipe take at full rate. */
const falls_Pa = { regulator: 190, meter: 40, pipe: 70 }
const airOxygen = 0.209
const room_K = 291.15

export const cold: Burner = { rate: 0, wanted: 0, flue_K: room_K, coldStart: 1 }

/**
 * Pressure at its inlet: the regulator droops in proportion, meter and pipe with the square of the
 * flow.
 */
export const inletGauge_Pa = ({ rate }: Burner): number =>
  static_Pa - falls_Pa.regulator * rate - (falls_Pa.meter + falls_Pa.pipe) * rate ** 2

/** Air over what it needs: a little more at the low rate. */
const airRatioAt = (rate: number): number => 1.22 + 0.12 * (1 - rate)

/**
 * Shares of dry flue gas of methane burnt with so much air: one CO2, the nitrogen of the air, the
 * oxygen left. Carbon balance, by moles.
 */
export function flueGasOf({ rate, coldStart }: Burner): {
  readonly o2: number
  readonly co2: number
  readonly co: number
} {
  if (rate === 0) return { o2: airOxygen, co2: 0, co: 0 }
  const ratio = airRatioAt(rate)
  const oxygen = 2 * (ratio - 1)
  const nitrogen = (2 * ratio * (1 - airOxygen)) / airOxygen
  const all = 1 + oxygen + nitrogen
  return { o2: oxygen / all, co2: 1 / all, co: 35e-6 + 250e-6 * coldStart }
}

/**
 * A moment later: the rate follows the valve, the flue the rate, and carbon monoxide of a cold
 * start goes.
 */
export function after(burner: Burner, dt_s: number): Burner {
  const toward = (from: number, to: number, in_s: number) =>
    to + (from - to) * Math.exp(-dt_s / in_s)
  const hot_K = room_K + 30 + 25 * burner.wanted
  const rate = burner.wanted === 0 ? 0 : toward(burner.rate, burner.wanted, 3)
  return {
    ...burner,
    rate,
    flue_K: toward(burner.flue_K, rate === 0 ? room_K : hot_K, 40),
    coldStart: toward(burner.coldStart, rate === 0 ? 1 : 0, 25),
  }
}
export const roomAir_K = room_K
