import { smallestWithin, valveSetting_m3_s } from '../../methods/circuit/heatingCircuit'
import type { LoopAnswer } from '../../methods/feed/loop'
import { solveLoop } from '../../methods/feed/loop'
import { fluidAt, plainWater } from '../../methods/fluid/glycol'
import type { PipeSize } from '../../methods/materials/pipes'
import { materials, sizeNamed, smallestSize } from '../../methods/materials/pipes'
import { pipeLoss_W_m } from '../../methods/hot-water/pipes'
import { frictionDrop } from '../../methods/hydraulics/friction'
import type { Loop, LoopReturn } from '../../job/waterDocument'
import { meterNode } from '../../methods/network/tree'
import type { Practice } from '../../practice/practice'
import type { WaterPipeAnswer } from './answer'

/**
 * How much cooler the water may come back where nothing else is written. Source:
 * sources.loopBalance; 5 K is the usual limit of EN 806 and DIN 1988-300.
 */
export const usualLoopDrop_K = 5
/** Greatest speed in a return, which runs day and night. Common practice, no source. */
export const returnMost_m_s = 0.7
/** Air around the pipes where nobody has read it. Assumed. */
export const usualAirTemp_K = 293.15
/** Foam lagging, and the still air around it. Common practice, no source. */
export const laggingConductivity_W_mK = 0.035
/** What a bare loop is held against. Common practice, no source. */
const usualLagging_m = 0.02
const laggedWith_m = (lagging_m: number): number => (lagging_m > 0 ? lagging_m : usualLagging_m)
const surfaceCoefficient_W_m2K = 10
/** Outside of a tube whose table gives only its bore: a ratio. Common practice, no source. */
const outsideOverBore = 1.12

export interface LoopReturnAnswer {
  readonly back: LoopReturn
  readonly size: PipeSize
  readonly chosen: boolean
  readonly flow_m3_s: number
  readonly velocity_m_s: number
  readonly endTemp_K: number
  /** All the way round through it: out, and back. */
  readonly drop_Pa: number
  /**
   * What its balancing valve takes, and the setting that takes it; nothing on the longest way
   * round.
   */
  readonly surplus_Pa: number
  readonly setting_m3_s: number | undefined
}

export interface WaterLoop {
  readonly answer: LoopAnswer
  readonly drop_K: number
  readonly lagging_m: number
  /**
   * Of the whole loop, without lagging and with what is chosen or, where it is bare, with what is
   * usual, W.
   */
  readonly bareLoss_W: number
  readonly laggedLoss_W: number
  /** Of a metre of its widest pipe, W/m. */
  readonly barePerMetre_W: number
  readonly laggedPerMetre_W: number
  readonly pumpHead_Pa: number
  readonly returns: readonly LoopReturnAnswer[]
}

/**
 * The secondary return: what it loses, the flow that holds the drop, its pump, and how its ways are
 * balanced. Undefined while no return leads back.
 */
export function waterLoop({
  loop,
  pipes,
  hotTemp_K,
  practice,
}: {
  readonly loop: Loop
  readonly pipes: readonly WaterPipeAnswer[]
  readonly hotTemp_K: number
  readonly practice: Practice
}): WaterLoop | undefined {
  const hot = pipes.filter((pipe) => pipe.side === 'hot')
  const ids = new Set(hot.map((pipe) => pipe.id))
  const drawn = loop.returns.filter((one) => ids.has(one.at) && (one.length_m?.value ?? 0) > 0)
  if (drawn.length === 0) return undefined
  const air_K = loop.airTemp_K?.value ?? usualAirTemp_K
  const drop_K = loop.drop_K?.value || usualLoopDrop_K
  const lagging_m = loop.lagging_m?.value ?? 0
  const water = fluidAt(plainWater, hotTemp_K)
  const loss_W_m = (size: PipeSize, insulation_m: number) =>
    Math.max(
      0,
      pipeLoss_W_m(
        {
          outsideDiameter_m: size.outsideDiameter_m ?? size.bore_m * outsideOverBore,
          insulation_m,
          conductivity_W_mK: laggingConductivity_W_mK,
          surfaceCoefficient_W_m2K,
        },
        { waterTemp_K: hotTemp_K, airTemp_K: air_K },
      ),
    )
  const smallest = (back: LoopReturn): PipeSize => smallestSize(back.material)
  const sizeOf = (back: LoopReturn) =>
    back.size === null ? undefined : sizeNamed(back.material, back.size)
  const tree = hot.map((pipe) => ({
    id: pipe.id,
    from: ids.has(pipe.segment.from) ? pipe.segment.from : meterNode,
    pipe,
  }))
  const solveWith = (sizes: ReadonlyMap<string, PipeSize>, insulation_m: number) =>
    solveLoop(
      tree.map(({ id, from, pipe }) => ({
        id,
        from,
        loss_W: loss_W_m(pipe.size, insulation_m) * pipe.pipe.length_m,
      })),
      drawn.map((back) => ({
        id: back.id,
        at: back.at,
        loss_W:
          loss_W_m(sizes.get(back.id) ?? smallest(back), insulation_m) *
          (back.length_m?.value ?? 0),
      })),
      { flowTemp_K: hotTemp_K, drop_K, water },
    )
  // A return's size decides its loss, and its loss the flow that decides its size: the smallest is
  // tried first, and the flow asks for wider.
  let sizes = new Map(drawn.map((back) => [back.id, sizeOf(back) ?? smallest(back)]))
  for (let round = 0; round < materials['copper-en1057'].sizes.length; round++) {
    const tried = solveWith(sizes, lagging_m)
    const next = new Map(
      drawn.map((back) => [
        back.id,
        sizeOf(back) ??
          smallestWithin(
            materials[back.material].sizes,
            tried.returns.get(back.id)?.flow_m3_s ?? 0,
            materials[back.material].roughness_m,
            water,
            { velocity_m_s: returnMost_m_s, gradient_Pa_m: practice.circuit.gradientMost_Pa_m },
          ).size,
      ]),
    )
    if ([...next].every(([id, size]) => size.name === sizes.get(id)?.name)) break
    sizes = next
  }
  const answer = solveWith(sizes, lagging_m)
  const friction = (
    size: PipeSize,
    material: LoopReturn['material'],
    length_m: number,
    flow_m3_s: number,
  ) =>
    frictionDrop(
      { bore_m: size.bore_m, length_m, flow_m3_s, roughness_m: materials[material].roughness_m },
      water,
    )
  const byId = new Map(tree.map((one) => [one.id, one]))
  const ways = drawn.map((back) => {
    const size = sizes.get(back.id) ?? smallest(back)
    const state = answer.returns.get(back.id)
    const own = friction(size, back.material, back.length_m?.value ?? 0, state?.flow_m3_s ?? 0)
    let drop_Pa = own.drop_Pa
    for (let one = byId.get(back.at); one; one = byId.get(one.from))
      drop_Pa += friction(
        one.pipe.size,
        one.pipe.segment.material,
        one.pipe.pipe.length_m,
        answer.pipes.get(one.id)?.flow_m3_s ?? 0,
      ).drop_Pa
    return {
      back,
      size,
      chosen: back.size === null,
      flow_m3_s: state?.flow_m3_s ?? 0,
      endTemp_K: state?.endTemp_K ?? hotTemp_K,
      velocity_m_s: own.velocity_m_s,
      drop_Pa,
    }
  })
  const pumpHead_Pa = Math.max(...ways.map((way) => way.drop_Pa))
  const widest =
    [...tree]
      .filter(({ id }) => answer.pipes.has(id))
      .sort((a, b) => b.pipe.size.bore_m - a.pipe.size.bore_m)[0]?.pipe.size ??
    smallest(drawn[0] as LoopReturn)
  return {
    answer,
    drop_K,
    lagging_m,
    bareLoss_W: solveWith(sizes, 0).loss_W,
    laggedLoss_W: solveWith(sizes, laggedWith_m(lagging_m)).loss_W,
    barePerMetre_W: loss_W_m(widest, 0),
    laggedPerMetre_W: loss_W_m(widest, lagging_m),
    pumpHead_Pa,
    returns: ways.map((way) => {
      const surplus_Pa = pumpHead_Pa - way.drop_Pa
      return {
        ...way,
        surplus_Pa,
        setting_m3_s:
          surplus_Pa > 1 && way.flow_m3_s > 0
            ? valveSetting_m3_s(way.flow_m3_s, surplus_Pa)
            : undefined,
      }
    }),
  }
}
