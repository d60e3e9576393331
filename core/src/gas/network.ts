import { frictionDrop } from '../hydraulics/friction'
import type { FuelGas } from './fuel'
import { airDensity_kg_m3 } from './fuel'
import { effectiveLength_m, tableFlow_m3_s } from './bs6891'
import { equivalentLength_m, lengthOverBore, lowDrop_Pa } from './nfpa54'
import type { MaterialName, PipeSize } from './pipes'
import { materials } from './pipes'
import type { Branch } from '../network/tree'
import { inOrder, sumAlong, sumBeyond } from '../network/tree'
import { standardAtmosphere_Pa } from '../units/units'

/** A gas pipe with its size known. */
export interface SizedPipe extends Branch {
  readonly length_m: number
  readonly elbows: number
  readonly branchTees: number
  readonly material: MaterialName
  readonly size: PipeSize
  /** Gross heat taken at its far end. */
  readonly load_W: number
}

export type GasMethod = 'nfpa54-low' | 'darcy'

export interface GasConditions {
  readonly method: GasMethod
  readonly gas: FuelGas
  /** Working pressure at the meter with the full load on, gauge. */
  readonly meterGauge_Pa: number
  readonly atmosphere_Pa: number
}

export interface PipeState {
  readonly id: string
  /** Gas at 15 °C and 101 325 Pa. */
  readonly flow_m3_s: number
  readonly effective_m: number
  readonly velocity_m_s: number
  readonly drop_Pa: number
  /** Sum of the drops from the meter to its far end. */
  readonly dropTo_Pa: number
  readonly farGauge_Pa: number
}

/** Pipe and fittings as one length, m, by the method's own allowance for fittings. */
export const pipeLength_m = (pipe: Pick<SizedPipe, 'length_m' | 'elbows' | 'branchTees'>, size: PipeSize, method: GasMethod): number =>
  method === 'nfpa54-low'
    ? pipe.length_m + equivalentLength_m(pipe.elbows * lengthOverBore.elbow + pipe.branchTees * lengthOverBore.branchTee, size.bore_m)
    : effectiveLength_m({ pipe_m: pipe.length_m, elbows: pipe.elbows, tees: pipe.branchTees })

/** Flow in the pipe itself, m³/s: the reference flow at the pressure it is carried at, 15 °C. Source: sources.idealGas. */
export const carriedFlow_m3_s = (reference_m3_s: number, { meterGauge_Pa, atmosphere_Pa }: Pick<GasConditions, 'meterGauge_Pa' | 'atmosphere_Pa'>): number =>
  (reference_m3_s * standardAtmosphere_Pa) / (atmosphere_Pa + meterGauge_Pa)

/**
 * Drop of one pipe, Pa, by the practice's method; 0 at no flow. Gas properties at the meter's pressure, so that drops add.
 * Sources: sources.nfpa54Low, sources.colebrook.
 */
export function pipeDrop_Pa(pipe: Pick<SizedPipe, 'length_m' | 'elbows' | 'branchTees' | 'material'>, size: PipeSize, flow_m3_s: number, conditions: GasConditions): number {
  const { method, gas, atmosphere_Pa, meterGauge_Pa } = conditions
  const length_m = pipeLength_m(pipe, size, method)
  if (method === 'nfpa54-low') return lowDrop_Pa({ flow_m3_s, bore_m: size.bore_m, length_m, cr: gas.cr })
  const density_kg_m3 = (gas.relativeDensity * airDensity_kg_m3 * (atmosphere_Pa + meterGauge_Pa)) / standardAtmosphere_Pa
  const run = { bore_m: size.bore_m, length_m, flow_m3_s: carriedFlow_m3_s(flow_m3_s, conditions), roughness_m: materials[pipe.material].roughness_m }
  return frictionDrop(run, { density_kg_m3, viscosity_Pas: gas.viscosity_Pas }).drop_Pa
}

/** Flow through each branch, m³/s at reference: all it feeds, burning together. Source: sources.continuity. */
export function branchFlows<B extends Branch & { readonly load_W: number }>(pipes: readonly B[], gas: FuelGas): ReadonlyMap<string, number> {
  const heat = sumBeyond(inOrder(pipes).ordered, (pipe) => pipe.load_W)
  return new Map([...heat].map(([id, heat_W]) => [id, heat_W / gas.grossHeat_J_m3]))
}

/** Flow, drop and pressure at the far end of every pipe that hangs on the meter. */
export function solveGasTree(pipes: readonly SizedPipe[], conditions: GasConditions): readonly PipeState[] {
  const { ordered } = inOrder(pipes)
  const flows = branchFlows(pipes, conditions.gas)
  const drops = new Map(ordered.map((pipe) => [pipe.id, pipeDrop_Pa(pipe, pipe.size, flows.get(pipe.id) ?? 0, conditions)]))
  const along = sumAlong(ordered, (pipe) => drops.get(pipe.id) ?? 0)
  return ordered.map((pipe) => {
    const flow_m3_s = flows.get(pipe.id) ?? 0
    const dropTo_Pa = along.get(pipe.id) ?? 0
    return {
      id: pipe.id, flow_m3_s, dropTo_Pa,
      effective_m: pipeLength_m(pipe, pipe.size, conditions.method),
      velocity_m_s: carriedFlow_m3_s(flow_m3_s, conditions) / ((Math.PI / 4) * pipe.size.bore_m ** 2),
      drop_Pa: drops.get(pipe.id) ?? 0,
      farGauge_Pa: conditions.meterGauge_Pa - dropTo_Pa,
    }
  })
}

/** Longest way from the meter, m, by each pipe's own length. */
export const longestLength_m = (pipes: readonly (Branch & { readonly length_m: number })[]): number =>
  Math.max(0, ...sumAlong(inOrder(pipes).ordered, (pipe) => pipe.length_m).values())

/**
 * The second verdict of a copper installation on natural gas: every pipe held against the table at the longest effective length.
 * A pipe the table does not cover comes back without a figure. Source: sources.bs6891.
 */
export function tableVerdict(pipes: readonly SizedPipe[], gas: FuelGas): readonly { readonly id: string; readonly flow_m3_s: number; readonly table_m3_s: number | undefined }[] {
  const length_m = tableLength_m(pipes)
  const flows = branchFlows(pipes, gas)
  return inOrder(pipes).ordered.map((pipe) => ({
    id: pipe.id, flow_m3_s: flows.get(pipe.id) ?? 0,
    table_m3_s: pipe.size.outsideDiameter_m === undefined ? undefined : tableFlow_m3_s({ outsideDiameter_m: pipe.size.outsideDiameter_m, length_m }),
  }))
}

/** Longest way from the meter with its fittings, m, as the table reads it. Source: sources.bs6891. */
export const tableLength_m = (pipes: readonly Omit<SizedPipe, 'size'>[]): number =>
  longestLength_m(pipes.map((pipe) => ({ ...pipe, length_m: effectiveLength_m({ pipe_m: pipe.length_m, elbows: pipe.elbows, tees: pipe.branchTees }) })))

/** Smallest bore that the table lets carry each pipe's flow at the longest effective length, m; nothing where it does not cover. Source: sources.bs6891. */
export function tableLeastBores_m(pipes: readonly (Omit<SizedPipe, 'size'>)[], gas: FuelGas): ReadonlyMap<string, number> {
  const length_m = tableLength_m(pipes)
  const flows = branchFlows(pipes, gas)
  return new Map(pipes.flatMap((pipe): [string, number][] => {
    const sizes: readonly PipeSize[] = materials[pipe.material].sizes
    const size = sizes.find(({ outsideDiameter_m }) => outsideDiameter_m !== undefined && (tableFlow_m3_s({ outsideDiameter_m, length_m }) ?? 0) >= (flows.get(pipe.id) ?? 0))
    return size ? [[pipe.id, size.bore_m]] : []
  }))
}
