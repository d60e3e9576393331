import { frictionDrop } from '../hydraulics/friction'
import type { FuelGas } from './fuel'
import { airDensity_kg_m3 } from './fuel'
import { effectiveLength_m, tableFlow_m3_s } from './bs6891'
import { equivalentLength_m, highSquares_Pa2, lengthOverBore, lowDrop_Pa } from './nfpa54'
import { renouardLow_Pa, renouardSquares_Pa2 } from './otherEquations'
import type { MaterialName, PipeSize } from '../materials/pipes'
import { materials } from '../materials/pipes'
import type { GasMethod } from './methodNames'
import type { Branch } from '../network/tree'
import { treeShape } from '../network/treeShape'
import { inOrder, meterNode, sumAlong, sumBeyond } from '../network/tree'
import { standardAtmosphere_Pa } from '../../units/units'

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

export interface GasConditions {
  readonly method: GasMethod
  readonly gas: FuelGas
  /**
   * Working pressure at the meter, or after the regulator where the stage begins, with the full
   * load on; gauge.
   */
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
  /** From where its stage begins to its far end. */
  readonly dropTo_Pa: number
  readonly farGauge_Pa: number
}

/**
 * Whether a method loses squares of absolute pressure along a pipe, Pa², and not pressure, Pa: that
 * is what adds along a path.
 */
export const inSquares = (method: GasMethod): boolean =>
  method === 'nfpa54-high' || method === 'isothermal' || method === 'renouard-medium'

/** Pipe and fittings as one length, m, by the method's own allowance for fittings. */
export const pipeLength_m = (
  pipe: Pick<SizedPipe, 'length_m' | 'elbows' | 'branchTees'>,
  size: PipeSize,
  method: GasMethod,
): number =>
  method === 'nfpa54-low' || method === 'nfpa54-high'
    ? pipe.length_m +
      equivalentLength_m(
        pipe.elbows * lengthOverBore.elbow + pipe.branchTees * lengthOverBore.branchTee,
        size.bore_m,
      )
    : effectiveLength_m({ pipe_m: pipe.length_m, elbows: pipe.elbows, tees: pipe.branchTees })

/**
 * Flow in the pipe itself, m³/s: the reference flow at the pressure it is carried at, 15 °C.
 * Source: sources.idealGas.
 */
export const carriedFlow_m3_s = (
  reference_m3_s: number,
  { meterGauge_Pa, atmosphere_Pa }: Pick<GasConditions, 'meterGauge_Pa' | 'atmosphere_Pa'>,
): number => (reference_m3_s * standardAtmosphere_Pa) / (atmosphere_Pa + meterGauge_Pa)

type RunOfPipe = Pick<SizedPipe, 'length_m' | 'elbows' | 'branchTees' | 'material'>

/**
 * What one pipe loses by a method, in the measure that adds along a path: Pa, or Pa² where the
 * method goes by squares of absolute pressure. 0 at no flow. Gas properties at the pressure the
 * stage begins with. Sources: sources.nfpa54Low, sources.nfpa54High, sources.colebrook,
 * sources.isothermalPipe, sources.renouard.
 */
export function pipeLoss(
  pipe: RunOfPipe,
  size: PipeSize,
  flow_m3_s: number,
  conditions: GasConditions,
): number {
  const { method, gas, atmosphere_Pa, meterGauge_Pa } = conditions
  const length_m = pipeLength_m(pipe, size, method)
  const { bore_m } = size
  // The equations for low pressure are made for gas at sea level; in thinner air the same heat is
  // more cubic metres and loses more.
  const thin = standardAtmosphere_Pa / atmosphere_Pa
  if (method === 'nfpa54-low') return thin * lowDrop_Pa({ flow_m3_s, bore_m, length_m, cr: gas.cr })
  if (method === 'nfpa54-high')
    return highSquares_Pa2({ flow_m3_s, bore_m, length_m, cr: gas.cr, y: gas.y })
  if (method === 'renouard')
    return (
      thin * renouardLow_Pa({ flow_m3_s, bore_m, length_m, relativeDensity: gas.relativeDensity })
    )
  if (method === 'renouard-medium')
    return renouardSquares_Pa2({
      flow_m3_s,
      bore_m,
      length_m,
      relativeDensity: gas.relativeDensity,
    })
  const density_kg_m3 =
    (gas.relativeDensity * airDensity_kg_m3 * (atmosphere_Pa + meterGauge_Pa)) /
    standardAtmosphere_Pa
  const run = {
    bore_m,
    length_m,
    flow_m3_s: carriedFlow_m3_s(flow_m3_s, conditions),
    roughness_m: materials[pipe.material].roughness_m,
  }
  const { drop_Pa } = frictionDrop(run, { density_kg_m3, viscosity_Pas: gas.viscosity_Pas })
  // Isothermal: p1² − p2² = 2 p · (what it would lose at constant density and pressure p);
  // acceleration neglected, as is usual in buildings.
  return method === 'isothermal' ? 2 * (atmosphere_Pa + meterGauge_Pa) * drop_Pa : drop_Pa
}

/** {@link pipeLoss} of a method that loses pressure, Pa. */
export const pipeDrop_Pa = (
  pipe: RunOfPipe,
  size: PipeSize,
  flow_m3_s: number,
  conditions: GasConditions,
): number => {
  if (!inSquares(conditions.method)) return pipeLoss(pipe, size, flow_m3_s, conditions)
  const inletAbs_Pa = conditions.atmosphere_Pa + conditions.meterGauge_Pa
  return (
    inletAbs_Pa -
    Math.sqrt(Math.max(0, inletAbs_Pa ** 2 - pipeLoss(pipe, size, flow_m3_s, conditions)))
  )
}

/** A drop allowed from where the stage begins, as the measure its losses add in. */
export const allowedLoss = (
  dropAllowed_Pa: number,
  { method, meterGauge_Pa, atmosphere_Pa }: GasConditions,
): number =>
  inSquares(method)
    ? (meterGauge_Pa + atmosphere_Pa) ** 2 -
      Math.max(0, meterGauge_Pa + atmosphere_Pa - dropAllowed_Pa) ** 2
    : dropAllowed_Pa

/**
 * Heat taken beyond each pipe, gross W; a declared share where several burn, but never less than
 * the largest of them.
 */
export function heatBeyond_W<B extends Branch & { readonly load_W: number }>(
  pipes: readonly B[],
  shareRatio = 1,
): ReadonlyMap<string, number> {
  const { ordered } = inOrder(pipes)
  const sums = sumBeyond(ordered, (pipe) => pipe.load_W)
  if (shareRatio >= 1) return sums
  const largest = new Map(ordered.map((pipe) => [pipe.id, pipe.load_W]))
  for (const pipe of [...ordered].reverse())
    if (pipe.from !== meterNode)
      largest.set(pipe.from, Math.max(largest.get(pipe.from) ?? 0, largest.get(pipe.id) ?? 0))
  return new Map(
    [...sums].map(([id, sum]) => [id, Math.max(largest.get(id) ?? 0, shareRatio * sum)]),
  )
}

/**
 * Flow through each branch, m³/s at reference: all it feeds, burning together, or the declared
 * share of it. Source: sources.continuity.
 */
export const branchFlows = <B extends Branch & { readonly load_W: number }>(
  pipes: readonly B[],
  gas: FuelGas,
  shareRatio = 1,
): ReadonlyMap<string, number> =>
  new Map(
    [...heatBeyond_W(pipes, shareRatio)].map(([id, heat_W]) => [id, heat_W / gas.grossHeat_J_m3]),
  )

/**
 * Flow, drop and pressure at the far end of every pipe that hangs on the meter. Flows from the
 * loads unless they are given.
 */
export function solveGasTree(
  pipes: readonly SizedPipe[],
  conditions: GasConditions,
  flows?: ReadonlyMap<string, number>,
): readonly PipeState[] {
  const { ordered, parent } = treeShape(pipes)
  const { atmosphere_Pa, meterGauge_Pa, method, gas } = conditions
  const squares = inSquares(method)
  const flow = Float64Array.from(ordered, (pipe) =>
    flows ? (flows.get(pipe.id) ?? 0) : pipe.load_W / gas.grossHeat_J_m3,
  )
  if (!flows)
    for (let i = ordered.length - 1; i >= 0; i--) {
      const up = parent[i] as number
      if (up >= 0) flow[up] = (flow[up] as number) + (flow[i] as number)
    }
  const along = new Float64Array(ordered.length)
  const far_Pa = (lost: number) =>
    squares
      ? Math.sqrt(Math.max(0, (meterGauge_Pa + atmosphere_Pa) ** 2 - lost)) - atmosphere_Pa
      : meterGauge_Pa - lost
  return ordered.map((pipe, i) => {
    const up = parent[i] as number
    const flow_m3_s = flow[i] as number
    const near = up < 0 ? 0 : (along[up] as number)
    const far = near + pipeLoss(pipe, pipe.size, flow_m3_s, conditions)
    along[i] = far
    const farGauge_Pa = far_Pa(far)
    return {
      id: pipe.id,
      flow_m3_s,
      farGauge_Pa,
      effective_m: pipeLength_m(pipe, pipe.size, method),
      velocity_m_s:
        carriedFlow_m3_s(
          flow_m3_s,
          squares ? { atmosphere_Pa, meterGauge_Pa: farGauge_Pa } : conditions,
        ) /
        ((Math.PI / 4) * pipe.size.bore_m ** 2),
      drop_Pa: squares ? far_Pa(near) - farGauge_Pa : far - near,
      dropTo_Pa: squares ? meterGauge_Pa - farGauge_Pa : far,
    }
  })
}

/** Longest way from the meter, m, by each pipe's own length. */
export const longestLength_m = (
  pipes: readonly (Branch & { readonly length_m: number })[],
): number => Math.max(0, ...sumAlong(inOrder(pipes).ordered, (pipe) => pipe.length_m).values())

/**
 * The second verdict of a copper installation on natural gas: every pipe held against the table at
 * the longest effective length. A pipe the table does not cover comes back without a figure.
 * Source: sources.bs6891.
 */
export function tableVerdict(
  pipes: readonly SizedPipe[],
  gas: FuelGas,
): readonly {
  readonly id: string
  readonly flow_m3_s: number
  readonly table_m3_s: number | undefined
}[] {
  const length_m = tableLength_m(pipes)
  const flows = branchFlows(pipes, gas)
  return inOrder(pipes).ordered.map((pipe) => ({
    id: pipe.id,
    flow_m3_s: flows.get(pipe.id) ?? 0,
    table_m3_s:
      pipe.size.outsideDiameter_m === undefined
        ? undefined
        : tableFlow_m3_s({ outsideDiameter_m: pipe.size.outsideDiameter_m, length_m }),
  }))
}

/**
 * Longest way from the meter with its fittings, m, as the table reads it. Source: sources.bs6891.
 */
export const tableLength_m = (pipes: readonly Omit<SizedPipe, 'size'>[]): number =>
  longestLength_m(
    pipes.map((pipe) => ({
      ...pipe,
      length_m: effectiveLength_m({
        pipe_m: pipe.length_m,
        elbows: pipe.elbows,
        tees: pipe.branchTees,
      }),
    })),
  )

/**
 * Smallest bore that the table lets carry each pipe's flow at the longest effective length, m;
 * nothing where it does not cover. Source: sources.bs6891.
 */
export function tableLeastBores_m(
  pipes: readonly Omit<SizedPipe, 'size'>[],
  gas: FuelGas,
): ReadonlyMap<string, number> {
  const length_m = tableLength_m(pipes)
  const flows = branchFlows(pipes, gas)
  return new Map(
    pipes.flatMap((pipe): [string, number][] => {
      const sizes: readonly PipeSize[] = materials[pipe.material].sizes
      const size = sizes.find(
        ({ outsideDiameter_m }) =>
          outsideDiameter_m !== undefined &&
          (tableFlow_m3_s({ outsideDiameter_m, length_m }) ?? 0) >= (flows.get(pipe.id) ?? 0),
      )
      return size ? [[pipe.id, size.bore_m]] : []
    }),
  )
}
