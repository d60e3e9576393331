import { foot_m, gravity_m_s2, psi_Pa } from '../../units/units'
import { waterDensity_kg_m3 } from './water'

/**
 * Trade rule 0.433 psi per foot, Pa of a height of water in m. Common practice, no source; not the
 * exact inverse of {@link headOfPressure_m}.
 */
export const pressureOfHead_Pa = (height_m: number): number => 0.433 * (height_m / foot_m) * psi_Pa
/** Trade rule 2.31 ft per psi, m of water of a pressure in Pa. Common practice, no source. */
export const headOfPressure_m = (pressure_Pa: number): number =>
  2.31 * (pressure_Pa / psi_Pa) * foot_m

/**
 * Cold fill at the gauge, Pa: weight of the water above it plus a margin, from a density or a
 * temperature.
 */
export const fillOfHeight_Pa = ({
  height_m,
  margin_Pa,
  ...water
}: {
  readonly height_m: number
  readonly margin_Pa: number
  readonly density_kg_m3?: number
  readonly fillTemp_K?: number
}): number => {
  const density =
    water.density_kg_m3 ??
    (water.fillTemp_K === undefined ? undefined : waterDensity_kg_m3(water.fillTemp_K))
  return (
    (density === undefined ? pressureOfHead_Pa(height_m) : density * gravity_m_s2 * height_m) +
    margin_Pa
  )
}

/** North American fill, gauge Pa: height in ft over 2.31, plus 4 psi. Source: sources.naFill. */
export const naFillGauge_Pa = (height_m: number): number => (height_m / foot_m / 2.31 + 4) * psi_Pa

/** Pressure left at the top, gauge Pa, from a gauge reading below it. */
export const topGauge_Pa = ({
  readingGauge_Pa,
  height_m,
  density_kg_m3,
}: {
  readonly readingGauge_Pa: number
  readonly height_m: number
  readonly density_kg_m3: number
}): number => readingGauge_Pa - density_kg_m3 * gravity_m_s2 * height_m
