import { circuitWordings } from './wording'
import { circuitSentence } from './sentence'
import { added, sheetSpec, valuesOf } from '../sheetSpec'
import type { Decides } from '../unsettled'
import { unsettled } from '../unsettled'
import type { CircuitFinding } from './wording'
import { operatingPoint, pumpFor } from '../../methods/circuit/pumps'
import {
  heatingBendLoss,
  partLoss_Pa,
  valveSetting_m3_s,
} from '../../methods/circuit/heatingCircuit'
import { fluidAt, freezingTemp_K } from '../../methods/fluid/glycol'
import { heatingFluidOf } from '../../job/heatingFluid'
import { materials } from '../../methods/materials/pipes'
import { frictionDrop } from '../../methods/hydraulics/friction'
import type { JobDocument } from '../../job/document'
import type { Heating } from '../../job/pressureDocument'
import type { Practice } from '../../practice/practice'
import { circuitFindings } from './findings'
import { circuitWorkings } from './workings'
import type { HeatingContent } from '../../job/heatingContent'
import { heatingContent } from '../../job/heatingContent'
import { heatingPump } from '../../job/heatingPump'
import { heatingBoiler } from '../../job/heatingBoiler'
import type { Missing, Sheet } from '../../answer/sheet'
import type { HeatingPipeAnswer, CircuitFacts } from '../circuitFacts'
import { circuitFlowTemp_K, circuitFacts } from '../circuitFacts'
import type { ZoneAnswer, PartAnswer, CircuitAnswer } from './answer'

/** Loss taken for a part whose maker's figure nobody has read. Assumed. */
export const unknownPartLoss_Pa = 5000
/** Under this a surplus is left alone: no valve is set that finely. Common practice, no source. */
export const leastSurplus_Pa = 1000

/** Designs the heating circuit: flows, sizes, the index circuit, the pump and what to throttle. */
export function circuitSheet(document: JobDocument, practice: Practice): Sheet<CircuitAnswer> {
  const { heating } = document
  if (!heating) return { applies: false, because: 'This job has no heating circuit.' }
  const facts = circuitFacts(document, heating, practice)
  const boiler = heatingBoiler(document)
  const content = heatingContent(heating, boiler, {
    sizeOf: (id) => facts.sizes.get(id),
    loadEach_W: (id) => facts.loadsEach.get(id),
  })
  const missing = missingForCircuit(heating, facts)
  const answer =
    missing.length > 0 ? undefined : solveCircuit(document, heating, practice, facts, content)
  const findings: readonly CircuitFinding[] = circuitFindings(document, heating, practice, answer)
  return {
    applies: true,
    answer,
    missing: [...missing, ...unsettled(decidesOf(document, heating, practice))],
    findings,
    workings: () => (answer ? circuitWorkings(answer) : []),
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
  const pump = heatingPump(heating) ?? pumpFor(duty)
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
    pumpChosen: heatingPump(heating) === undefined,
    running: pump && operatingPoint(pump, duty),
    content,
  }
}

const hasFloor = ({ emitters }: Heating): boolean =>
  emitters.some((emitter) => emitter.type === 'floor-loop')

/**
 * What has to be known before anybody may call a circuit sound; its flows can be computed without
 * it.
 */
function decidesOf(
  document: JobDocument,
  heating: Heating,
  { words }: Practice,
): readonly Decides[] {
  const floor = hasFloor(heating)
  const boiler = heatingBoiler(document)
  const { water, appliances } = document
  return [
    {
      place: `appliances.${appliances.findIndex((one) => one.id === boiler?.id)}.condensing`,
      what: `Whether ${boiler?.name ?? 'the boiler'} is made to condense`,
      answer: boiler?.condensing,
      asked: boiler !== undefined,
    },
    {
      place: 'heating.floorMostTemp_K',
      what: 'Maximum flow temperature of the floor',
      answer: heating.floorMostTemp_K,
      asked: floor,
    },
    {
      place: 'heating.floorMixer',
      what: 'Whether the floor has a mixer of its own',
      answer: heating.floorMixer,
      asked: floor,
    },
    {
      place: 'heating.floorCutOut',
      what: 'Whether a cut-out stops the floor when its mixer fails',
      answer: heating.floorCutOut,
      asked: floor,
    },
    {
      place: 'water.makeUp',
      what: `What keeps heating water out of the drinking water at the ${words.fillDevice}`,
      answer: water.makeUp.device,
    },
    {
      place: 'water.makeUp',
      what: `Whether the ${words.fillDevice} stays open once the circuit is full`,
      answer: water.makeUp.feedStays,
    },
  ]
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

export const circuitSpec = sheetSpec()({
  id: 'circuit',
  wordings: circuitWordings,
  place: 'heating',
  inputs: (document) => {
    const { heating, heat, survey } = document
    return [
      ...valuesOf(heating, [
        'zones',
        'emitters',
        'pipes',
        'parts',
        'fluid',
        'pumpId',
        'pumpHead_Pa',
        'pumpMost_m3_s',
        'boilerLeastFlow_m3_s',
      ]),
      heat.zones,
      heat.flowTemp_K,
      survey.maxFlowTemp_K,
      survey.looked.freezing,
      heatingBoiler(document),
      ...added({
        floorMostTemp_K: heating?.floorMostTemp_K,
        floorMixer: heating?.floorMixer,
        floorCutOut: heating?.floorCutOut,
        device: document.water.makeUp.device,
        feedStays: document.water.makeUp.feedStays,
        building: document.site.building,
      }),
    ]
  },
  beside: ({ water }) => [water.makeUp],
  solve: circuitSheet,
  key: ({ answer }) =>
    `${answer?.pump?.id ?? ''} ${answer?.pipes.map((pipe) => pipe.size.name).join()}`,
  says: circuitSentence,
})
