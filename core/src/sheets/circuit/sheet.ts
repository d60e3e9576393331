import type { Finding } from '../../answer/finding'
import { operatingPoint, genericPumps, pumpFor } from '../../methods/circuit/pumps'
import type { Pump } from '../../methods/circuit/pumps'
import {
  flowForHeat_m3_s,
  heatingBendLoss,
  partLoss_Pa,
  smallestWithin,
  valveSetting_m3_s,
} from '../../methods/circuit/heatingCircuit'
import { fluidAt, freezingTemp_K, glycolLimits } from '../../methods/fluid/glycol'
import type { HeatingFluid } from '../../methods/fluid/glycol'
import { heatingFluidOf } from '../../job/heatingFluid'
import type { PipeSize } from '../../methods/materials/pipes'
import { materials, sizeNamed } from '../../methods/materials/pipes'
import { frictionDrop } from '../../methods/hydraulics/friction'
import type { JobDocument } from '../../job/document'
import { fingerprint } from '../../job/merge'
import type {
  CircuitPart,
  Emitter,
  Heating,
  HeatingPipe,
  HeatingZone,
} from '../../job/pressureDocument'
import type { Practice } from '../../practice/practices'
import { circuitFindings } from './findings'
import { circuitWorkings } from './workings'
import { zoneLoad_W } from '../heat/sheet'
import type { HeatingContent } from '../../job/heatingContent'
import { heatingContent } from '../../job/heatingContent'
import { heatingBoiler } from '../../job/heatingBoiler'
import type { Missing, Sheet } from '../sheet'

export interface ZoneAnswer {
  readonly zone: HeatingZone
  readonly load_W: number
  readonly difference_K: number
  readonly flow_m3_s: number
  /** From the boiler through this zone and back. */
  readonly loss_Pa: number
  readonly own_Pa: number
  /** What a balancing valve has to take so that the zone draws no more than its flow. */
  readonly surplus_Pa: number
  /** Flow of that valve at 1 bar; undefined where it stands open. */
  readonly setting_m3_s: number | undefined
  readonly isIndex: boolean
}

export interface HeatingPipeAnswer {
  readonly pipe: HeatingPipe
  readonly size: PipeSize
  readonly chosen: boolean
  readonly flow_m3_s: number
  readonly velocity_m_s: number
  readonly gradient_Pa_m: number
  readonly loss_Pa: number
}

export interface PartAnswer {
  readonly part: CircuitPart
  readonly flow_m3_s: number
  readonly loss_Pa: number
  /** Its maker's loss is not known. */
  readonly assumed: boolean
}

export interface CircuitAnswer {
  readonly fluid: HeatingFluid
  readonly meanTemp_K: number
  readonly density_kg_m3: number
  readonly specificHeat_J_kgK: number
  readonly freezingTemp_K: number | undefined
  readonly zones: readonly ZoneAnswer[]
  readonly pipes: readonly HeatingPipeAnswer[]
  readonly parts: readonly PartAnswer[]
  readonly load_W: number
  readonly flow_m3_s: number
  readonly index: ZoneAnswer
  readonly common_Pa: number
  readonly pump: Pump | undefined
  readonly pumpChosen: boolean
  readonly running: { readonly flow_m3_s: number; readonly head_Pa: number } | undefined
  readonly content: HeatingContent
}

/** Loss taken for a part whose maker's figure nobody has read. Assumed. */
export const unknownPartLoss_Pa = 5000
/** Under this a surplus is left alone: no valve is set that finely. Common practice, no source. */
export const leastSurplus_Pa = 1000

/** Flow temperature a circuit is designed on, K. */
export const circuitFlowTemp_K = ({ heat, survey }: JobDocument, practice: Practice): number =>
  heat.flowTemp_K?.value ?? survey.maxFlowTemp_K?.value ?? practice.hotWater.flowTemp_K

/** A circuit as far as it can be solved: zones whose load is known have a flow, pipes with a flow or a name have a size. */
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
    const size =
      pipe.size !== null
        ? sizeNamed(pipe.material, pipe.size)
        : flow === undefined
          ? undefined
          : smallestWithin(material.sizes, flow, material.roughness_m, water, limits).size
    if (size) sizes.set(pipe.id, size)
  }
  return { loads, flows, loadsEach, sizes, flowOf }
}

/** Designs the heating circuit: flows, sizes, the index circuit, the pump and what to throttle. */
export function circuitSheet(document: JobDocument, practice: Practice): Sheet<CircuitAnswer> {
  const { heating, heat } = document
  if (!heating) return { applies: false, because: 'This job has no heating circuit.' }
  const facts = circuitFacts(document, heating, practice)
  const boiler = heatingBoiler(document)
  const content = heatingContent(heating, boiler, {
    sizeOf: (id) => facts.sizes.get(id),
    loadEach_W: (id) => facts.loadsEach.get(id),
  })
  const missing = missingForCircuit(heating, facts)
  const {
    zones,
    emitters,
    pipes,
    parts,
    fluid,
    pumpId,
    pumpHead_Pa,
    pumpMost_m3_s,
    boilerLeastFlow_m3_s,
  } = heating
  const restsOn = fingerprint({
    circuit: {
      zones,
      emitters,
      pipes,
      parts,
      fluid,
      pumpId,
      pumpHead_Pa,
      pumpMost_m3_s,
      boilerLeastFlow_m3_s,
    },
    heat: [heat.zones, heat.flowTemp_K],
    flow: document.survey.maxFlowTemp_K,
    practice: practice.name,
  })
  const answer =
    missing.length > 0 ? undefined : solveCircuit(document, heating, practice, facts, content)
  const findings: readonly Finding[] = circuitFindings(document, heating, practice, answer)
  return {
    applies: true,
    answer,
    missing,
    findings,
    workings: () => (answer ? circuitWorkings(answer) : []),
    restsOn,
  }
}

function solveCircuit(
  document: JobDocument,
  heating: Heating,
  practice: Practice,
  facts: CircuitFacts,
  content: HeatingContent,
): CircuitAnswer | undefined {
  const fluid = heatingFluidOf(heating)
  const meanTemp_K = circuitFlowTemp_K(document, practice) - practice.circuit.difference_K / 2
  const water = fluidAt(fluid, meanTemp_K)
  const pipes = heating.pipes.flatMap((pipe): HeatingPipeAnswer[] => {
    const size = facts.sizes.get(pipe.id)
    const flow_m3_s = facts.flowOf(pipe)
    if (!size || flow_m3_s === undefined) return []
    const run_m = pipe.run_m?.value ?? pipe.length_m?.value ?? 0
    const run = {
      bore_m: size.bore_m,
      flow_m3_s,
      roughness_m: materials[pipe.material].roughness_m,
    }
    const { drop_Pa, velocity_m_s } = frictionDrop(
      { ...run, length_m: run_m, lossCoefficient: pipe.bends * heatingBendLoss },
      water,
    )
    return [
      {
        pipe,
        size,
        chosen: pipe.size === null,
        flow_m3_s,
        velocity_m_s,
        gradient_Pa_m: frictionDrop({ ...run, length_m: 1 }, water).drop_Pa,
        loss_Pa: drop_Pa,
      },
    ]
  })
  const zoneFlows = heating.zones.map((zone) => ({
    zone,
    load_W: facts.loads.get(zone.id) ?? 0,
    flow_m3_s: facts.flows.get(zone.id) ?? 0,
  }))
  const together = zoneFlows.filter(({ zone }) => !zone.alone)
  const flow_m3_s = Math.max(
    together.reduce((sum, one) => sum + one.flow_m3_s, 0),
    ...zoneFlows.filter(({ zone }) => zone.alone).map((one) => one.flow_m3_s),
  )
  if (!(flow_m3_s > 0)) return undefined
  const parts = heating.parts.map((part): PartAnswer => {
    const through = part.zoneId === null ? flow_m3_s : (facts.flows.get(part.zoneId) ?? 0)
    const stated =
      part.drop_Pa && part.atFlow_m3_s && part.atFlow_m3_s.value > 0
        ? partLoss_Pa(part.drop_Pa.value, part.atFlow_m3_s.value, through)
        : undefined
    return {
      part,
      flow_m3_s: through,
      loss_Pa: stated ?? unknownPartLoss_Pa,
      assumed: stated === undefined,
    }
  })
  const lossIn = (zoneId: string | null) =>
    pipes.filter((one) => one.pipe.zoneId === zoneId).reduce((sum, one) => sum + one.loss_Pa, 0) +
    parts.filter((one) => one.part.zoneId === zoneId).reduce((sum, one) => sum + one.loss_Pa, 0)
  const common_Pa = lossIn(null)
  const lossOf = zoneFlows.map((one) => ({
    ...one,
    own_Pa: lossIn(one.zone.id),
    loss_Pa:
      (one.zone.alone ? common_Pa * (one.flow_m3_s / flow_m3_s) ** 2 : common_Pa) +
      lossIn(one.zone.id),
  }))
  const index = lossOf.reduce(
    (worst, one) => (one.loss_Pa > worst.loss_Pa ? one : worst),
    lossOf[0] ?? { loss_Pa: 0, zone: undefined },
  )
  const indexTogether = Math.max(
    0,
    ...lossOf.filter(({ zone }) => !zone.alone).map((one) => one.loss_Pa),
  )
  const zones = lossOf.map(({ zone, load_W, flow_m3_s: own_m3_s, loss_Pa, own_Pa }): ZoneAnswer => {
    const surplus_Pa = zone.alone
      ? Math.max(0, index.loss_Pa - loss_Pa)
      : Math.max(0, indexTogether - loss_Pa)
    return {
      zone,
      load_W,
      difference_K: zone.difference_K?.value ?? practice.circuit.difference_K,
      flow_m3_s: own_m3_s,
      loss_Pa,
      own_Pa,
      surplus_Pa,
      setting_m3_s:
        !zone.alone && surplus_Pa >= leastSurplus_Pa
          ? valveSetting_m3_s(own_m3_s, surplus_Pa)
          : undefined,
      isIndex: zone.id === index.zone?.id,
    }
  })
  const indexZone = zones.find((one) => one.isIndex)
  if (!indexZone) return undefined
  const duty = {
    flow_m3_s: indexZone.zone.alone ? indexZone.flow_m3_s : flow_m3_s,
    loss_Pa: indexZone.loss_Pa,
  }
  const pump = pumpOf(heating) ?? pumpFor(duty)
  return {
    fluid,
    meanTemp_K,
    density_kg_m3: water.density_kg_m3,
    specificHeat_J_kgK: water.specificHeat_J_kgK,
    freezingTemp_K: freezingTemp_K(fluid),
    zones,
    pipes,
    parts,
    load_W: together.reduce((sum, one) => sum + one.load_W, 0),
    flow_m3_s: duty.flow_m3_s,
    index: indexZone,
    common_Pa,
    pump,
    pumpChosen: pumpOf(heating) === undefined,
    running: pump && operatingPoint(pump, duty),
    content,
  }
}

function pumpOf({ pumpId, pumpHead_Pa, pumpMost_m3_s }: Heating): Pump | undefined {
  if (pumpHead_Pa && pumpMost_m3_s && pumpHead_Pa.value > 0 && pumpMost_m3_s.value > 0)
    return {
      id: 'own',
      label: 'By its own curve',
      shutHead_Pa: pumpHead_Pa.value,
      most_m3_s: pumpMost_m3_s.value,
    }
  return genericPumps.find((pump) => pump.id === pumpId)
}

function missingForCircuit(heating: Heating, facts: CircuitFacts): Missing[] {
  const glycol = heating.fluid.kind !== 'water'
  const needs: [boolean, string, string][] = [
    [heating.zones.length > 0, 'heating.zones', 'A zone of the heating'],
    [heating.emitters.length > 0, 'heating.emitters', 'The emitters'],
    [!glycol || heating.fluid.massFraction !== null, 'heating.fluid', 'How much glycol is in it'],
    ...heating.zones.map((zone, i): [boolean, string, string] => [
      (facts.loads.get(zone.id) ?? 0) > 0,
      `heating.zones.${i}`,
      `Heat of ${zone.name}`,
    ]),
    ...heating.emitters.map((emitter, i): [boolean, string, string] => [
      heating.zones.some((zone) => zone.id === emitter.zoneId),
      `heating.emitters.${i}`,
      `Zone of ${emitter.name}`,
    ]),
    ...heating.pipes.map((pipe, i): [boolean, string, string] => [
      pipe.length_m !== null,
      `heating.pipes.${i}`,
      `Length of ${pipe.name}`,
    ]),
  ]
  return needs.filter(([there]) => !there).map(([, place, what]) => ({ place, what }))
}

/** Whether the glycol tables cover what is in the circuit. */
export const fluidCovered = ({ kind, massFraction }: HeatingFluid): boolean =>
  kind === 'water' || massFraction <= glycolLimits.properties + 1e-9
