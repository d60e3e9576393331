const near = (a: number, b: number) => Math.abs(a - b) < 1

/**
 * Vessel volume per system volume: charge, initial pressure (gauge Pa), factor. Source:
 * sources.sealedTable; 0.140 and 0.190 are the least certain.
 */
const rows = [
  [0.5e5, 0.5e5, 0.0833],
  [0.5e5, 1.0e5, 0.14],
  [0.5e5, 1.5e5, 0.259],
  [1.0e5, 1.0e5, 0.109],
  [1.0e5, 1.5e5, 0.19],
  [1.5e5, 1.5e5, 0.156],
] as const

/**
 * Vessel by the sealed-system table, m³; undefined where the table has no row (it is never
 * interpolated). Source: sources.sealedTable.
 */
export function sealedTableVessel_m3({
  system_m3,
  chargeGauge_Pa,
  initialGauge_Pa,
  reliefSetGauge_Pa,
}: {
  readonly system_m3: number
  readonly chargeGauge_Pa: number
  readonly initialGauge_Pa: number
  readonly reliefSetGauge_Pa: number
}): number | undefined {
  if (!near(reliefSetGauge_Pa, 3e5)) return undefined
  const row = rows.find(
    ([charge, initial]) => near(charge, chargeGauge_Pa) && near(initial, initialGauge_Pa),
  )
  return row && row[2] * system_m3
}
