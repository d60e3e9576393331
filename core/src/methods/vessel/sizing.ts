import type { HeatingFluid } from '../fluid/glycol'
import { fluidDensity_kg_m3, fluidGrowth, plainWater } from '../fluid/glycol'
import { celsius, saturationAbs_Pa } from '../water/water'
import { naFillGauge_Pa } from '../water/head'
import { nextSize_m3 } from './catalogue'
import {
  en12828Coefficient,
  en12828Size,
  fillWindow,
  finalGauge_Pa,
  initialGauge_Pa,
  waterReserve_m3,
} from './en12828'
import type { ChargedVessel } from './forecast'
import { volumeAtCharge_m3 } from './forecast'
import { diaphragmTank_m3, netExpansion_m3 } from './handbook'

/** Everything that decides the size of a heating vessel. Pressures gauge unless they say abs. */
export interface VesselInputs {
  readonly method: 'en12828' | 'handbook'
  readonly system_m3: number
  readonly fillTemp_K: number
  readonly maxTemp_K: number
  /** Highest point above the vessel. */
  readonly height_m: number
  readonly reliefSetGauge_Pa: number
  readonly atmosphere_Pa: number
  /** Margin over the static head (EN 12828). */
  readonly margin_Pa: number
  /** Under the relief setting (handbook). */
  readonly reliefMargin_Pa: number
  readonly pipeExpansion_1_K: number
  readonly builtIn?: ChargedVessel
  /** Other vessels that are on the circuit anyway. */
  readonly further?: readonly ChargedVessel[]
  readonly sizes_m3: readonly number[]
  /** Water when absent. */
  readonly fluid?: HeatingFluid
  /** Charge set by hand; the method's when absent. */
  readonly chargeSetGauge_Pa?: number
  /** How far the relief stands above the vessel; 0 when absent. */
  readonly reliefAbove_m?: number
}

export interface VesselNeed {
  readonly chargeGauge_Pa: number
  readonly finalGauge_Pa: number
  readonly staticHead_Pa: number
  /** The method's own part by which the water grows. */
  readonly expansionFraction: number
  readonly expansion_m3: number
  readonly reserve_m3: number
  /** All vessels together, at the charge above. */
  readonly needed_m3: number
  /** What the built-in vessel and others contribute to that. */
  readonly builtInCounts_m3: number
  /** Left for a separate vessel; 0 when the built-in one is enough. */
  readonly neededNew_m3: number
  /** Smallest stock size that does; undefined past the largest. 0 when none is needed. */
  readonly stock_m3: number | undefined
}

export type VesselSizing =
  | { readonly outcome: 'sized'; readonly need: VesselNeed }
  | {
      readonly outcome: 'no-room'
      readonly chargeGauge_Pa: number
      readonly finalGauge_Pa: number
      readonly staticHead_Pa: number
    }

const head_Pa = (height_m: number) => 9810 * height_m

/**
 * What the relief lets stand at the vessel, gauge Pa: its setting, and the water between them
 * (below 0 when the relief sits lower). Source: hydrostatics, water at 1000 kg/m³.
 */
export const reliefLiftsGauge_Pa = (
  inputs: Pick<VesselInputs, 'reliefSetGauge_Pa' | 'reliefAbove_m'>,
): number => inputs.reliefSetGauge_Pa + head_Pa(inputs.reliefAbove_m ?? 0)

/**
 * Charge and final pressure at the vessel by the method, gauge Pa, before anything is sized; a
 * relief above the vessel lets it have its head more. Sources: sources.en12828, sources.naFill.
 */
export function designPressures(inputs: VesselInputs): {
  readonly chargeGauge_Pa: number
  readonly finalGauge_Pa: number
} {
  const reliefHead_Pa = head_Pa(inputs.reliefAbove_m ?? 0)
  const height_m = Math.max(0, inputs.height_m)
  if (inputs.method === 'handbook')
    return {
      chargeGauge_Pa: inputs.chargeSetGauge_Pa ?? naFillGauge_Pa(height_m),
      finalGauge_Pa: reliefLiftsGauge_Pa(inputs) - inputs.reliefMargin_Pa,
    }
  const vapourGauge_Pa =
    celsius(inputs.maxTemp_K) > 100
      ? Math.max(0, saturationAbs_Pa(inputs.maxTemp_K) - inputs.atmosphere_Pa)
      : 0
  return {
    chargeGauge_Pa:
      inputs.chargeSetGauge_Pa ??
      initialGauge_Pa({ height_m, margin_Pa: inputs.margin_Pa, vapourGauge_Pa }),
    finalGauge_Pa: finalGauge_Pa(inputs.reliefSetGauge_Pa) + reliefHead_Pa,
  }
}

/**
 * The vessel that a system needs by one method, counting a built-in one at what it takes in.
 * Volumes above 0, hottest above fill. `no-room` when the final pressure is not above the charge:
 * it is said, never computed. Sources: sources.en12828, sources.handbookTank.
 */
export function sizeVessel(inputs: VesselInputs): VesselSizing {
  const pressures = designPressures(inputs)
  const staticHead_Pa = head_Pa(Math.max(0, inputs.height_m))
  if (!hasRoom(pressures)) return { outcome: 'no-room', staticHead_Pa, ...pressures }
  const byMethod = needByMethod(inputs, pressures)
  const needed_m3 = Math.max(0, byMethod.needed_m3)
  const counts_m3 = builtInCounts_m3(inputs, pressures)
  const neededNew_m3 = Math.max(0, needed_m3 - counts_m3)
  const stock_m3 = neededNew_m3 === 0 ? 0 : nextSize_m3(neededNew_m3, inputs.sizes_m3)
  return {
    outcome: 'sized',
    need: {
      ...pressures,
      ...byMethod,
      staticHead_Pa,
      needed_m3,
      builtInCounts_m3: counts_m3,
      neededNew_m3,
      stock_m3,
    },
  }
}

/** Vessels on the circuit beside the one that is sized. */
export const otherVessels = ({
  builtIn,
  further,
}: Pick<VesselInputs, 'builtIn' | 'further'>): readonly ChargedVessel[] => [
  ...(builtIn ? [builtIn] : []),
  ...(further ?? []),
]

type Pressures = ReturnType<typeof designPressures>

const hasRoom = ({ chargeGauge_Pa, finalGauge_Pa }: Pressures) => finalGauge_Pa > chargeGauge_Pa

/** What the vessels beside the one that is sized take in from its charge to its final pressure. */
function builtInCounts_m3(inputs: VesselInputs, pressures: Pressures): number {
  const { atmosphere_Pa } = inputs
  return otherVessels(inputs).reduce(
    (sum, vessel) => sum + volumeAtCharge_m3(vessel, { ...pressures, atmosphere_Pa }),
    0,
  )
}

const needByMethod = (inputs: VesselInputs, pressures: Pressures) =>
  inputs.method === 'en12828' ? needByEn12828(inputs, pressures) : needByHandbook(inputs, pressures)

const isWater = ({ fluid }: VesselInputs) => !fluid || fluid.kind === 'water'

function needByEn12828(inputs: VesselInputs, { chargeGauge_Pa, finalGauge_Pa }: Pressures) {
  const { system_m3, maxTemp_K, atmosphere_Pa } = inputs
  const fraction = isWater(inputs)
    ? en12828Coefficient(maxTemp_K)
    : fluidGrowth(inputs.fluid ?? plainWater, inputs)
  const needed_m3 =
    en12828Size({
      system_m3,
      expansionFraction: fraction,
      initialGauge_Pa: chargeGauge_Pa,
      finalGauge_Pa,
      atmosphere_Pa,
    }) ?? 0
  return {
    expansionFraction: fraction,
    expansion_m3: fraction * system_m3,
    reserve_m3: waterReserve_m3(system_m3),
    needed_m3,
  }
}

function needByHandbook(inputs: VesselInputs, { chargeGauge_Pa, finalGauge_Pa }: Pressures) {
  const { system_m3, fillTemp_K, maxTemp_K, pipeExpansion_1_K, atmosphere_Pa } = inputs
  const own = isWater(inputs)
    ? {}
    : {
        coldVolume_m3_kg: 1 / fluidDensity_kg_m3(inputs.fluid ?? plainWater, fillTemp_K),
        hotVolume_m3_kg: 1 / fluidDensity_kg_m3(inputs.fluid ?? plainWater, maxTemp_K),
      }
  const expansion_m3 = netExpansion_m3({
    system_m3,
    fillTemp_K,
    maxTemp_K,
    pipeExpansion_1_K,
    ...own,
  })
  const needed_m3 =
    diaphragmTank_m3(expansion_m3, {
      minAbs_Pa: chargeGauge_Pa + atmosphere_Pa,
      maxAbs_Pa: finalGauge_Pa + atmosphere_Pa,
    }) ?? 0
  return { expansionFraction: expansion_m3 / system_m3, expansion_m3, reserve_m3: 0, needed_m3 }
}

export interface FillTarget {
  readonly targetGauge_Pa: number
  /** Least and greatest cold fill; the handbook method knows one pressure only. */
  readonly window?: { readonly leastGauge_Pa: number; readonly greatestGauge_Pa: number }
}

const fillStep_Pa = 5000

/**
 * Cold fill to aim at for a fitted vessel: by EN 12828 the least that keeps the reserve, rounded up
 * to 0.05 bar where the window allows; by the handbook the charge itself. Gauge Pa.
 */
export function fillTarget(inputs: VesselInputs, need: VesselNeed, fitted_m3: number): FillTarget {
  if (inputs.method === 'handbook') return { targetGauge_Pa: need.chargeGauge_Pa }
  const vessel_m3 = fitted_m3 + need.builtInCounts_m3
  const window = fillWindow({
    system_m3: inputs.system_m3,
    expansionFraction: need.expansionFraction,
    initialGauge_Pa: need.chargeGauge_Pa,
    finalGauge_Pa: need.finalGauge_Pa,
    atmosphere_Pa: inputs.atmosphere_Pa,
    vessel_m3,
  })
  const leastGauge_Pa = window.leastGauge_Pa ?? Infinity
  const rounded = Math.ceil(leastGauge_Pa / fillStep_Pa - 1e-9) * fillStep_Pa
  const targetGauge_Pa =
    rounded <= window.greatestGauge_Pa ? rounded : Math.min(leastGauge_Pa, window.greatestGauge_Pa)
  return { targetGauge_Pa, window: { leastGauge_Pa, greatestGauge_Pa: window.greatestGauge_Pa } }
}

/** Water that real densities say has to go somewhere, m³. Source: sources.if97. */
export const realExpansion_m3 = ({
  system_m3,
  fillTemp_K,
  maxTemp_K,
  fluid = plainWater,
}: VesselInputs): number => system_m3 * fluidGrowth(fluid, { fillTemp_K, maxTemp_K })

/** Largest system a fitted vessel serves by the method, m³, by bisection to a tenth of a litre. */
export function largestSystem_m3(inputs: VesselInputs, fitted_m3: number): number {
  const pressures = designPressures(inputs)
  if (!hasRoom(pressures)) return 0
  const most_m3 = builtInCounts_m3(inputs, pressures) + fitted_m3 * (1 + 1e-9)
  const holds = (system_m3: number) =>
    needByMethod({ ...inputs, system_m3 }, pressures).needed_m3 <= most_m3
  let [low, high] = [0, Math.max(inputs.system_m3, 0.01)]
  while (holds(high) && high < 1000) [low, high] = [high, high * 2]
  while (high - low > 1e-4) {
    const middle = (low + high) / 2
    if (middle > 0 && holds(middle)) low = middle
    else high = middle
  }
  return low
}

export interface SensitivityBar {
  readonly input: 'relief' | 'temperature' | 'content' | 'height' | 'fill-temperature'
  /** Need with the input moved down and up; undefined where there is no room. */
  readonly low_m3: number | undefined
  readonly high_m3: number | undefined
}

/**
 * What decides the answer: each input moved by what a careful installer may be out by, widest
 * first.
 */
export function sensitivity(
  inputs: VesselInputs,
  reliefStep_Pa: number,
): readonly SensitivityBar[] {
  const need = (change: Partial<VesselInputs>) => {
    const sizing = sizeVessel({ ...inputs, ...change })
    return sizing.outcome === 'sized' ? sizing.need.neededNew_m3 : undefined
  }
  const pair = (
    input: SensitivityBar['input'],
    down: Partial<VesselInputs>,
    up: Partial<VesselInputs>,
  ): SensitivityBar => {
    const ends = [need(down), need(up)]
    const known = ends.filter((end) => end !== undefined)
    return {
      input,
      low_m3: known.length > 0 ? Math.min(...known) : undefined,
      high_m3: ends.includes(undefined) ? undefined : Math.max(...known),
    }
  }
  const { system_m3, height_m, maxTemp_K, fillTemp_K, reliefSetGauge_Pa } = inputs
  const bars = [
    pair(
      'relief',
      { reliefSetGauge_Pa: reliefSetGauge_Pa + reliefStep_Pa },
      { reliefSetGauge_Pa: Math.max(0, reliefSetGauge_Pa - reliefStep_Pa) },
    ),
    pair(
      'temperature',
      { maxTemp_K: Math.max(fillTemp_K, maxTemp_K - 5) },
      { maxTemp_K: maxTemp_K + 5 },
    ),
    pair('content', { system_m3: system_m3 * 0.9 }, { system_m3: system_m3 * 1.1 }),
    pair('height', { height_m: Math.max(0, height_m - 1) }, { height_m: height_m + 1 }),
    ...(inputs.method === 'handbook'
      ? [
          pair(
            'fill-temperature',
            { fillTemp_K: Math.max(273.16, fillTemp_K - 5) },
            { fillTemp_K: Math.min(maxTemp_K, fillTemp_K + 5) },
          ),
        ]
      : []),
  ]
  const width = (bar: SensitivityBar) =>
    bar.high_m3 === undefined ? Infinity : bar.high_m3 - (bar.low_m3 ?? 0)
  return bars.sort((a, b) => width(b) - width(a) || 0)
}
