import type { Relieving } from './steam'
import { iso4126Steam } from './steam'

export interface GenericValve {
  readonly id: string
  /** Nominal inlet. */
  readonly inlet_m: number
  readonly bore_m: number
  readonly outlet: ValveOutlet
}

export const valveOutlets = ['G1/2', 'G3/4', 'G1', 'G1-1/4', 'G1-1/2', 'G2'] as const
export type ValveOutlet = (typeof valveOutlets)[number]

/**
 * Derated coefficient of the generic valves: with it they meet the rows of the membrane table
 * within 10 %. Assumed.
 */
export const genericCoefficient = 0.4

/** Nominal sizes and a seat bore for each. Generic, no maker's: assumed. */
export const genericValves: readonly GenericValve[] = [
  { id: 'DN15', inlet_m: 0.015, bore_m: 0.012, outlet: 'G1/2' },
  { id: 'DN20', inlet_m: 0.02, bore_m: 0.016, outlet: 'G3/4' },
  { id: 'DN25', inlet_m: 0.025, bore_m: 0.022, outlet: 'G1' },
  { id: 'DN32', inlet_m: 0.032, bore_m: 0.029, outlet: 'G1-1/4' },
  { id: 'DN40', inlet_m: 0.04, bore_m: 0.038, outlet: 'G1-1/2' },
  { id: 'DN50', inlet_m: 0.05, bore_m: 0.046, outlet: 'G2' },
]

/** What a generic valve carries at a setting, W. Sources: sources.genericValve, sources.iso4126. */
export const genericCapacity_W = (valve: GenericValve, relieving: Relieving): number =>
  iso4126Steam({ ...relieving, bore_m: valve.bore_m, coefficient: genericCoefficient }).power_W

/**
 * Smallest generic valve that carries a power; undefined past the largest. Source:
 * sources.genericValve.
 */
export function genericFor(protects_W: number, relieving: Relieving): GenericValve | undefined {
  const [smallest] = genericValves
  // At one setting the capacity goes with the square of the bore.
  const perBore_W_m2 = smallest ? genericCapacity_W(smallest, relieving) / smallest.bore_m ** 2 : 0
  return genericValves.find((valve) => perBore_W_m2 * valve.bore_m ** 2 >= protects_W)
}
