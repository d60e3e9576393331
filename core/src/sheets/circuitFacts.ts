import { flowForHeat_m3_s, smallestWithin } from '../methods/circuit/heatingCircuit'
import { fluidAt } from '../methods/fluid/glycol'
import { heatingFluidOf } from '../job/heatingFluid'
import type { PipeSize } from '../methods/materials/pipes'
import { materials, sizeNamed } from '../methods/materials/pipes'
import type { JobDocument } from '../job/document'
import type { Emitter, Heating, HeatingPipe, HeatingZone } from '../job/pressureDocument'
import type { Practice } from '../practice/practice'
import { zoneLoad_W } from '../job/zoneLoad'

export interface HeatingPipeAnswer {
  readonly pipe: HeatingPipe
  readonly size: PipeSize
  readonly chosen: boolean
  readonly flow_m3_s: number
  readonly velocity_m_s: number
  readonly gradient_Pa_m: number
  readonly loss_Pa: number
}

/** Flow temperature a circuit is designed on, K. */
export const circuitFlowTemp_K = ({ heat, survey }: JobDocument, practice: Practice): number =>
  heat.flowTemp_K?.value ?? survey.maxFlowTemp_K?.value ?? practice.hotWater.flowTemp_K

/**
 * A circuit as far as it can be solved: zones whose load is known have a flow, pipes with a flow or
 * a name have a size.
 */
export interface CircuitFacts {
  readonly loads: ReadonlyMap<string, number>
  readonly flows: ReadonlyMap<string, number>
  readonly loadsEach: ReadonlyMap<string, number>
  readonly sizes: ReadonlyMap<string, PipeSize>
  readonly flowOf: (pipe: HeatingPipe) => number | undefined
}

function zoneHeat_W(
  document: JobDocument,
  zone: HeatingZone,
  emitters: readonly Emitter[],
): number | undefined {
  const mine = emitters.filter((emitter) => emitter.zoneId === zone.id)
  const fromHeat = document.heat.zones.find((one) => one.id === zone.heatZoneId)
  if (zone.load_W) return zone.load_W.value
  if (fromHeat && zoneLoad_W(fromHeat) > 0) return zoneLoad_W(fromHeat)
  const each = mine.map((emitter) => emitter.loadEach_W && emitter.loadEach_W.value * emitter.count)
  return mine.length > 0 && each.every((load) => load !== null)
    ? each.reduce<number>((sum, load) => sum + (load ?? 0), 0)
    : undefined
}

/** Solves flows and sizes of a circuit, leaving out what is not known yet. */
export function circuitFacts(
  document: JobDocument,
  heating: Heating,
  practice: Practice,
): CircuitFacts {
  const fluid = heatingFluidOf(heating)
  const flowTemp_K = circuitFlowTemp_K(document, practice)
  const loads = new Map<string, number>()
  const flows = new Map<string, number>()
  const loadsEach = new Map<string, number>()
  for (const zone of heating.zones) {
    const load_W = zoneHeat_W(document, zone, heating.emitters)
    if (load_W === undefined) continue
    const difference_K = zone.difference_K?.value ?? practice.circuit.difference_K
    loads.set(zone.id, load_W)
    if (difference_K > 0)
      flows.set(
        zone.id,
        flowForHeat_m3_s({
          power_W: load_W,
          difference_K,
          ...fluidAt(fluid, flowTemp_K - difference_K / 2),
        }),
      )
    const mine = heating.emitters.filter((emitter) => emitter.zoneId === zone.id)
    const open = mine.filter((emitter) => emitter.loadEach_W === null)
    const typed_W = mine.reduce(
      (sum, emitter) => sum + (emitter.loadEach_W ? emitter.loadEach_W.value * emitter.count : 0),
      0,
    )
    const pieces = open.reduce((sum, emitter) => sum + emitter.count, 0)
    for (const emitter of mine)
      loadsEach.set(
        emitter.id,
        emitter.loadEach_W?.value ?? (pieces > 0 ? Math.max(0, load_W - typed_W) / pieces : 0),
      )
  }
  const together = heating.zones
    .filter((zone) => !zone.alone)
    .reduce((sum, zone) => sum + (flows.get(zone.id) ?? 0), 0)
  const most_m3_s = Math.max(
    together,
    ...heating.zones.filter((zone) => zone.alone).map((zone) => flows.get(zone.id) ?? 0),
  )
  const flowOf = (pipe: HeatingPipe): number | undefined => {
    if (pipe.zoneId === null) return most_m3_s > 0 ? most_m3_s : undefined
    const whole = flows.get(pipe.zoneId)
    const load = loads.get(pipe.zoneId)
    if (pipe.carries === 'all' || whole === undefined || !load) return whole
    const largest = Math.max(
      0,
      ...heating.emitters
        .filter((emitter) => emitter.zoneId === pipe.zoneId)
        .map((emitter) => loadsEach.get(emitter.id) ?? 0),
    )
    return (whole * largest) / load
  }
  const limits = {
    velocity_m_s: practice.circuit.velocityMost_m_s,
    gradient_Pa_m: practice.circuit.gradientMost_Pa_m,
  }
  const water = fluidAt(fluid, flowTemp_K - practice.circuit.difference_K / 2)
  const sizes = new Map<string, PipeSize>()
  for (const pipe of heating.pipes) {
    const flow = flowOf(pipe)
    const material = materials[pipe.material]
    const chosen = () =>
      flow === undefined
        ? undefined
        : smallestWithin(material.sizes, flow, material.roughness_m, water, limits).size
    const size = pipe.size === null ? chosen() : sizeNamed(pipe.material, pipe.size)
    if (size) sizes.set(pipe.id, size)
  }
  return { loads, flows, loadsEach, sizes, flowOf }
}
