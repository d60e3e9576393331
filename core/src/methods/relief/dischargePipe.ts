import { frictionDrop } from '../hydraulics/friction'
import { plainWater, fluidAt } from '../fluid/glycol'
import { inch_m, gravity_m_s2 } from '../../units/units'
import { latentHeat_J_kg, saturatedSteam, saturationTemp_K } from '../water/water'
import type { Relieving } from './steam'
import { steamOfPower } from './steam'

export const dischargeSizes = [
  '15 mm',
  '22 mm',
  '28 mm',
  '35 mm',
  '42 mm',
  '54 mm',
  '1/2',
  '3/4',
  '1',
  '1-1/4',
  '1-1/2',
  '2',
] as const
export type DischargeSize = (typeof dischargeSizes)[number]
interface SizeFacts {
  readonly bore_m: number
  readonly outsideDiameter_m?: number
  /** Nominal step, so that inch and millimetre sizes compare. */ readonly step: number
}
const metric = (outside: number, bore: number, step: number): SizeFacts => ({
  bore_m: bore / 1000,
  outsideDiameter_m: outside / 1000,
  step,
})
/** Copper EN 1057 by outside diameter, and nominal inch sizes with type L bores. As remembered. */
export const dischargeSizeFacts: Readonly<Record<DischargeSize, SizeFacts>> = {
  '15 mm': metric(15, 13.6, 0),
  '22 mm': metric(22, 20.2, 1),
  '28 mm': metric(28, 26.2, 2),
  '35 mm': metric(35, 32.6, 3),
  '42 mm': metric(42, 39.6, 4),
  '54 mm': metric(54, 51.6, 5),
  '1/2': { bore_m: 0.545 * inch_m, step: 0 },
  '3/4': { bore_m: 0.785 * inch_m, step: 1 },
  '1': { bore_m: 1.025 * inch_m, step: 2 },
  '1-1/4': { bore_m: 1.265 * inch_m, step: 3 },
  '1-1/2': { bore_m: 1.505 * inch_m, step: 4 },
  '2': { bore_m: 1.985 * inch_m, step: 5 },
}

export const dischargeMaterials = [
  'copper',
  'steel',
  'cpvc',
  'pp-hot',
  'pex',
  'pvc',
  'hose',
  'flexible',
] as const
export type DischargeMaterial = (typeof dischargeMaterials)[number]
/**
 * Whether a material stands what a relief lets out, near the boil, and stays where it is put.
 * Common practice; the maker's rating wins.
 */
export const materialFacts: Readonly<
  Record<
    DischargeMaterial,
    { readonly label: string; readonly standsHeat: boolean; readonly rigid: boolean }
  >
> = {
  copper: { label: 'Copper', standsHeat: true, rigid: true },
  steel: { label: 'Steel, galvanised', standsHeat: true, rigid: true },
  cpvc: { label: 'CPVC', standsHeat: true, rigid: true },
  'pp-hot': { label: 'Polypropylene, hot discharge', standsHeat: true, rigid: true },
  pex: { label: 'PEX', standsHeat: true, rigid: false },
  pvc: { label: 'PVC', standsHeat: false, rigid: true },
  hose: { label: 'Garden hose', standsHeat: false, rigid: false },
  flexible: { label: 'Flexible connector', standsHeat: true, rigid: false },
}

/** Loss of a bend in a discharge pipe, and of its open end. Common practice, no source. */
export const bendLoss = 0.9
const endLoss = 1
const roughness_m = 1.5e-6
/** Share of the setting that back pressure may take. Source: sources.builtUp. */
export const backPressureShare = 0.1

export interface DischargeRunPart {
  readonly size: DischargeSize
  readonly length_m: number
  readonly bends: number
}

/**
 * Pressure that steam of the valve's whole capacity builds up between the valve and the first open
 * point, gauge Pa: Darcy–Weisbach on saturated steam, squared pressures from the end back, at the
 * atmosphere's density. `sonic` where the end would pass half the speed of sound: the method does
 * not hold there and the figure is too low. Capacity, lengths and bores above 0. Sources:
 * sources.colebrook, sources.if97.
 */
export function backPressure_Pa(
  parts: readonly DischargeRunPart[],
  { capacity_W, ...relieving }: Relieving & { readonly capacity_W: number },
): { readonly back_Pa: number; readonly steam_kg_s: number; readonly sonic: boolean } {
  const { steam_kg_s } = steamOfPower(capacity_W, relieving)
  const { atmosphere_Pa } = relieving
  const steam = saturatedSteam(saturationTemp_K(atmosphere_Pa))
  const density_kg_m3 = 1 / steam.specificVolume_m3_kg
  let end_Pa = atmosphere_Pa
  let fastest_m_s = 0
  for (const [i, part] of [...parts].reverse().entries()) {
    const { bore_m } = dischargeSizeFacts[part.size]
    const local_kg_m3 = (density_kg_m3 * end_Pa) / atmosphere_Pa
    const { drop_Pa, velocity_m_s } = frictionDrop(
      {
        bore_m,
        length_m: part.length_m,
        flow_m3_s: steam_kg_s / local_kg_m3,
        roughness_m,
        lossCoefficient: part.bends * bendLoss + (i === 0 ? endLoss : 0),
      },
      { density_kg_m3: local_kg_m3, viscosity_Pas: steamViscosity_Pas },
    )
    fastest_m_s = Math.max(fastest_m_s, velocity_m_s)
    end_Pa = Math.sqrt(end_Pa ** 2 + 2 * end_Pa * drop_Pa)
  }
  return { back_Pa: end_Pa - atmosphere_Pa, steam_kg_s, sonic: fastest_m_s > sonicHalf_m_s }
}

/** Viscosity of steam at 100 °C. From memory. */
const steamViscosity_Pas = 1.23e-5
/** Half of the speed of sound in steam at 100 °C, about 472 m/s. From memory. */
const sonicHalf_m_s = 236

/**
 * Hot water that a heater pushes out of an open relief, m³/s: its power into the cold that follows.
 * Power 0 or more; opening hotter than the cold. Source: sources.heatBalance.
 */
export function hotDischarge_m3_s({
  power_W,
  openTemp_K,
  coldTemp_K,
}: {
  readonly power_W: number
  readonly openTemp_K: number
  readonly coldTemp_K: number
}): number {
  const hot = fluidAt(plainWater, openTemp_K)
  return power_W / (hot.density_kg_m3 * hot.specificHeat_J_kgK * (openTemp_K - coldTemp_K))
}

/**
 * Water that runs full bore through a pipe by its own fall, m³/s, by bisection to a thousandth; 0
 * without a fall. Source: sources.colebrook.
 */
export function gravityFlow_m3_s(
  parts: readonly DischargeRunPart[],
  fall_m: number,
  temp_K: number,
): number {
  if (fall_m <= 0 || parts.length === 0) return 0
  const water = fluidAt(plainWater, temp_K)
  const head_Pa = water.density_kg_m3 * gravity_m_s2 * fall_m
  const loss_Pa = (flow_m3_s: number) =>
    parts.reduce(
      (sum, part, i) =>
        sum +
        frictionDrop(
          {
            bore_m: dischargeSizeFacts[part.size].bore_m,
            length_m: part.length_m,
            flow_m3_s,
            roughness_m,
            lossCoefficient: part.bends * bendLoss + (i === parts.length - 1 ? endLoss : 0),
          },
          water,
        ).drop_Pa,
      0,
    )
  let [low, high] = [0, 1e-3]
  while (loss_Pa(high) < head_Pa) high *= 2
  while (high - low > 1e-3 * high) {
    const middle = (low + high) / 2
    if (loss_Pa(middle) < head_Pa) low = middle
    else high = middle
  }
  return low
}

/**
 * Share of hot water that flashes to steam when it is let out from a temperature, a ratio; 0 below
 * the boil at that atmosphere. Source: sources.if97.
 */
export function flashShare(temp_K: number, atmosphere_Pa: number): number {
  const boil_K = saturationTemp_K(atmosphere_Pa)
  return temp_K <= boil_K
    ? 0
    : (fluidAt(plainWater, temp_K).specificHeat_J_kgK * (temp_K - boil_K)) / latentHeat_J_kg(boil_K)
}
