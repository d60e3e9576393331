import { saturatedLiquid } from '../water/water'

/** Linear expansion of the pipe, 1/K. Source: sources.handbookTank. */
export const linearExpansion_1_K = { steel: 6.5e-6 * 1.8, copper: 9.5e-6 * 1.8 } as const

export interface HandbookInputs {
  readonly system_m3: number
  readonly fillTemp_K: number
  readonly maxTemp_K: number
  readonly pipeExpansion_1_K: number
  /** Specific volumes when the caller has its own; else saturated liquid. */
  readonly coldVolume_m3_kg?: number
  readonly hotVolume_m3_kg?: number
}

/** Net expansion, m³: the water's growth less the pipe's. Source: sources.handbookTank. */
export function netExpansion_m3(inputs: HandbookInputs): number {
  const cold = inputs.coldVolume_m3_kg ?? saturatedLiquid(inputs.fillTemp_K).specificVolume_m3_kg
  const hot = inputs.hotVolume_m3_kg ?? saturatedLiquid(inputs.maxTemp_K).specificVolume_m3_kg
  return (
    inputs.system_m3 *
    (hot / cold - 1 - 3 * inputs.pipeExpansion_1_K * (inputs.maxTemp_K - inputs.fillTemp_K))
  )
}

/**
 * Share of a diaphragm tank that can hold water, from absolute pressures. Source:
 * sources.handbookTank.
 */
export const acceptanceFactor = ({
  minAbs_Pa,
  maxAbs_Pa,
}: {
  readonly minAbs_Pa: number
  readonly maxAbs_Pa: number
}): number => 1 - minAbs_Pa / maxAbs_Pa

/**
 * Diaphragm tank, m³, from absolute pressures; undefined when the greatest is not above the least.
 * Source: sources.handbookTank.
 */
export function diaphragmTank_m3(
  net_m3: number,
  pressures: { readonly minAbs_Pa: number; readonly maxAbs_Pa: number },
): number | undefined {
  return pressures.maxAbs_Pa <= pressures.minAbs_Pa
    ? undefined
    : net_m3 / acceptanceFactor(pressures)
}

/**
 * Plain steel tank with air on the water, shut at `atmosphere_Pa`, m³, from absolute pressures.
 * Source: sources.handbookTank.
 */
export function closedAirTank_m3(
  net_m3: number,
  pressures: {
    readonly minAbs_Pa: number
    readonly maxAbs_Pa: number
    readonly atmosphere_Pa: number
  },
): number | undefined {
  const { minAbs_Pa, maxAbs_Pa, atmosphere_Pa } = pressures
  return maxAbs_Pa <= minAbs_Pa
    ? undefined
    : net_m3 / (atmosphere_Pa / minAbs_Pa - atmosphere_Pa / maxAbs_Pa)
}
