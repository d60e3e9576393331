import { heatingBoiler } from '../../job/heatingBoiler'
import { makeUpWords } from '../../job/waterDocument'
import { circuitFlowTemp_K } from '../circuitFacts'
import { atMost } from '../../answer/expect'
import type { CircuitFinding } from './wording'
import { sources } from '../../answer/sources'
import { pumpHead_Pa } from '../../methods/circuit/pumps'
import { smallestWithin } from '../../methods/circuit/heatingCircuit'
import { fluidAt, glycolLimits } from '../../methods/fluid/glycol'
import { materials } from '../../methods/materials/pipes'
import type { JobDocument } from '../../job/document'
import type { Heating } from '../../job/pressureDocument'
import type { Practice } from '../../practice/practice'
import type { CircuitAnswer } from './answer'

/**
 * A pump that drives this much more than the design through the circuit is turned down. Common
 * practice, no source.
 */
const overdriven = 1.3
/** A balancing valve that has to take more than this sings. Common practice, no source. */
const singing_Pa = 20000

/** What is wrong with, or worth saying of, a heating circuit. */
export function circuitFindings(
  document: JobDocument,
  heating: Heating,
  practice: Practice,
  answer: CircuitAnswer | undefined,
): readonly CircuitFinding[] {
  return [
    ...fluidFindings(document, heating, answer),
    ...floorFindings(document, heating, practice),
    ...returnFindings(document, practice, answer),
    ...makeUpFindings(document, heating, practice),
    ...(answer
      ? [
          ...pipeFindings(heating, practice, answer),
          ...flowFindings(heating, answer),
          ...partFindings(heating, answer),
        ]
      : []),
  ]
}

function fluidFindings(
  { survey }: JobDocument,
  heating: Heating,
  answer: CircuitAnswer | undefined,
): CircuitFinding[] {
  const { kind, massFraction, coldestTemp_K } = heating.fluid
  const freezes = survey.looked.freezing?.answer === 'yes'
  const place = 'heating.fluid'
  if (kind === 'water')
    return freezes
      ? [{ id: 'circuit-can-freeze', severity: 'note', place, source: sources.trade }]
      : []
  const share = massFraction?.value ?? 0
  const frozen_K = answer?.freezingTemp_K
  return [
    ...(share > glycolLimits.properties + 1e-9
      ? [
          {
            id: 'glycol-not-covered',
            severity: 'stop',
            place,
            source: sources.glycolProperties,
            figures: { shareRatio: share, mostRatio: glycolLimits.properties },
          } satisfies CircuitFinding,
        ]
      : []),
    ...(frozen_K !== undefined && coldestTemp_K && frozen_K > coldestTemp_K.value
      ? [
          {
            id: 'glycol-freezes',
            severity: 'fix',
            place,
            source: sources.glycolFreezing,
            figures: {
              frozenTemp_K: frozen_K,
              coldestTemp_K: coldestTemp_K.value,
              shareRatio: share,
            },
          } satisfies CircuitFinding,
        ]
      : []),
    ...(frozen_K !== undefined && share > 0
      ? [
          {
            id: 'glycol-figures',
            severity: 'note',
            place,
            source: sources.glycolProperties,
            figures: { frozenTemp_K: frozen_K, shareRatio: share },
          } satisfies CircuitFinding,
        ]
      : []),
  ]
}

/**
 * Flue gas of natural gas and propane condenses on a return below this. Common practice, from
 * memory: about 55 °C.
 */
const condenses_K = 328.15

/** A condensing boiler wants a cool return; one that is not made for it is eaten by it. */
function returnFindings(
  document: JobDocument,
  practice: Practice,
  answer: CircuitAnswer | undefined,
): CircuitFinding[] {
  const boiler = heatingBoiler(document)
  if (!answer || !boiler?.condensing) return []
  const coolest_K = Math.max(...answer.zones.map((zone) => zone.difference_K))
  const returnTemp_K = circuitFlowTemp_K(document, practice) - coolest_K
  const figures = { returnTemp_K, limitTemp_K: condenses_K }
  const cool = returnTemp_K < condenses_K
  const place = 'heat.flowTemp_K'
  if (boiler.condensing === 'no' && cool)
    return [
      {
        id: 'return-condenses',
        severity: 'fix',
        place,
        source: sources.trade,
        names: [boiler.name],
        figures,
      },
    ]
  return boiler.condensing === 'yes' && !cool
    ? [
        {
          id: 'return-too-warm',
          severity: 'note',
          place,
          source: sources.trade,
          names: [boiler.name],
          figures,
        },
      ]
    : []
}

/**
 * Floor loops want cooler water than radiators, and something that holds it when the mixer fails.
 */
function floorFindings(
  document: JobDocument,
  { emitters, floorMostTemp_K, floorMixer, floorCutOut }: Heating,
  practice: Practice,
): CircuitFinding[] {
  if (!emitters.some((emitter) => emitter.type === 'floor-loop')) return []
  const flowTemp_K = circuitFlowTemp_K(document, practice)
  const most_K = floorMostTemp_K?.value
  const hot = most_K !== undefined && !atMost(flowTemp_K, most_K)
  return [
    ...(hot && floorMixer === 'no'
      ? [
          {
            id: 'floor-too-hot',
            severity: 'stop',
            place: 'heating.floorMixer',
            source: sources.maker,
            figures: { flowTemp_K, mostTemp_K: most_K },
          } satisfies CircuitFinding,
        ]
      : []),
    ...(hot && floorCutOut === 'no'
      ? [
          {
            id: 'floor-no-cut-out',
            severity: 'stop',
            place: 'heating.floorCutOut',
            source: sources.maker,
            figures: { flowTemp_K, mostTemp_K: most_K },
          } satisfies CircuitFinding,
        ]
      : []),
  ]
}

/**
 * How far each device keeps what is foul from the drinking water. Source: practice.makeUp.source.
 */
const guards = {
  none: 0,
  'double-check': 1,
  'disconnected-link': 1,
  'backflow-preventer': 2,
  'break-tank': 3,
} as const

const whyKeptApart = (glycol: boolean, home: boolean): string => {
  if (glycol) return 'it holds glycol'
  return home ? 'heating water is foul' : 'the building is no dwelling'
}

/**
 * What is in the circuit and who uses the building say how well the drinking water has to be kept
 * from it.
 */
function makeUpFindings(
  { water, site }: JobDocument,
  heating: Heating,
  practice: Practice,
): CircuitFinding[] {
  const { device, feedStays } = water.makeUp
  const glycol = heating.fluid.kind !== 'water'
  const home = site.building === 'dwelling' || site.building === 'new-dwelling'
  // What nobody has said of the building stands among what is missing on Site; it is not judged as
  // either.
  const wanted =
    glycol || (site.building !== null && !home) ? practice.makeUp.foul : practice.makeUp.home
  return [
    ...(device !== null && guards[device] < guards[wanted]
      ? [
          {
            id: 'make-up-too-weak',
            severity: 'stop',
            place: 'water.makeUp',
            source: practice.makeUp.source,
            names: [makeUpWords[device], makeUpWords[wanted], whyKeptApart(glycol, home)],
            remedy: {
              label: `use ${makeUpWords[wanted]}`,
              edits: [{ path: ['water', 'makeUp', 'device'], value: wanted }],
            },
          } satisfies CircuitFinding,
        ]
      : []),
    ...(glycol && feedStays === 'open'
      ? [
          {
            id: 'glycol-feed-open',
            severity: 'fix',
            place: 'water.makeUp',
            source: sources.trade,
            remedy: {
              label: 'shut it once the circuit is full',
              edits: [{ path: ['water', 'makeUp', 'feedStays'], value: 'shut' }],
            },
          } satisfies CircuitFinding,
        ]
      : []),
  ]
}

function pipeFindings(
  heating: Heating,
  practice: Practice,
  { pipes, fluid, meanTemp_K }: CircuitAnswer,
): CircuitFinding[] {
  const { velocityMost_m_s, gradientMost_Pa_m } = practice.circuit
  return pipes.flatMap(
    ({ pipe, size, flow_m3_s, velocity_m_s, gradient_Pa_m }): CircuitFinding[] => {
      if (
        velocity_m_s <= velocityMost_m_s * (1 + 1e-6) &&
        gradient_Pa_m <= gradientMost_Pa_m * (1 + 1e-6)
      )
        return []
      const i = heating.pipes.indexOf(pipe)
      const material = materials[pipe.material]
      const better = smallestWithin(
        material.sizes,
        flow_m3_s,
        material.roughness_m,
        fluidAt(fluid, meanTemp_K),
        { velocity_m_s: velocityMost_m_s, gradient_Pa_m: gradientMost_Pa_m },
      ).size
      const fast = velocity_m_s > velocityMost_m_s * (1 + 1e-6)
      return [
        {
          id: fast ? 'pipe-too-fast' : 'pipe-too-steep',
          severity: 'fix',
          place: `heating.pipes.${i}`,
          source: sources.quietPipe,
          names: [pipe.name, size.name],
          figures: {
            speed_m_s: velocity_m_s,
            most_m_s: velocityMost_m_s,
            metre_Pa: gradient_Pa_m,
            mostMetre_Pa: gradientMost_Pa_m,
          },
          ...(better.name === size.name
            ? {}
            : {
                remedy: {
                  label: `use ${better.name}`,
                  edits: [{ path: ['heating', 'pipes', i, 'size'], value: better.name }],
                },
              }),
        },
      ]
    },
  )
}

function flowFindings(
  heating: Heating,
  { pump, pumpChosen, running, flow_m3_s, index, zones }: CircuitAnswer,
): CircuitFinding[] {
  const least = heating.boilerLeastFlow_m3_s?.value
  const smallest = zones
    .filter(({ zone }) => !zone.alone)
    .sort((a, b) => a.flow_m3_s - b.flow_m3_s)[0]
  const apart = heating.parts.some(
    (part) => part.kind === 'low-loss-header' || part.kind === 'buffer',
  )
  return [
    ...(!pump
      ? [
          {
            id: 'pump-none-does',
            severity: 'fix',
            place: 'heating.pumpId',
            source: sources.pumpLaw,
            figures: { duty_Pa: index.loss_Pa, flow_m3_s },
          } satisfies CircuitFinding,
        ]
      : []),
    ...(pump && pumpHead_Pa(pump, flow_m3_s) < index.loss_Pa * (1 - 1e-6)
      ? [
          {
            id: 'pump-too-small',
            severity: 'fix',
            place: 'heating.pumpId',
            source: pumpChosen ? sources.pumpLaw : sources.maker,
            names: [pump.label, index.zone.name],
            figures: { duty_Pa: index.loss_Pa, gives_Pa: pumpHead_Pa(pump, flow_m3_s), flow_m3_s },
            remedy: {
              label: 'let Hestian choose one',
              edits: [
                { path: ['heating', 'pumpId'], value: null },
                { path: ['heating', 'pumpHead_Pa'], value: null },
              ],
            },
          } satisfies CircuitFinding,
        ]
      : []),
    ...(running && running.flow_m3_s > flow_m3_s * overdriven
      ? [
          {
            id: 'pump-turned-down',
            severity: 'note',
            place: 'heating.pumpId',
            source: sources.trade,
            figures: { flow_m3_s, drives_m3_s: running.flow_m3_s, duty_Pa: index.loss_Pa },
          } satisfies CircuitFinding,
        ]
      : []),
    ...(least !== undefined && smallest && smallest.flow_m3_s < least && !apart
      ? [
          {
            id: 'boiler-least-flow',
            severity: 'fix',
            place: 'heating.boilerLeastFlow_m3_s',
            source: sources.maker,
            names: [smallest.zone.name],
            figures: { least_m3_s: least, flow_m3_s: smallest.flow_m3_s },
          } satisfies CircuitFinding,
        ]
      : []),
    ...zones
      .filter((one) => !one.zone.alone && one.surplus_Pa > singing_Pa)
      .map(
        (one) =>
          ({
            id: 'zone-sings',
            severity: 'note',
            place: `heating.zones.${heating.zones.indexOf(one.zone)}`,
            source: sources.trade,
            names: [one.zone.name],
            figures: { surplus_Pa: one.surplus_Pa },
          }) satisfies CircuitFinding,
      ),
  ]
}

function partFindings(heating: Heating, { parts, content }: CircuitAnswer): CircuitFinding[] {
  const guessed = parts.filter((one) => one.assumed)
  const [least, most] = content.between_m3
  return [
    ...(guessed.length > 0
      ? [
          {
            id: 'part-loss-assumed',
            severity: 'note',
            place: 'heating.parts',
            source: sources.maker,
            names: [guessed.map((one) => one.part.name).join(', ')],
            figures: { each_Pa: guessed[0]?.loss_Pa ?? 0 },
          } satisfies CircuitFinding,
        ]
      : []),
    ...(!heating.parts.some((part) => part.kind === 'filter' || part.kind === 'separator')
      ? [
          {
            id: 'nothing-catches-dirt',
            severity: 'note',
            place: 'heating.parts',
            source: sources.trade,
          } satisfies CircuitFinding,
        ]
      : []),
    ...(most - least > 0.1 * content.total_m3
      ? [
          {
            id: 'content-wide',
            severity: 'note',
            place: 'heating.emitters',
            source: sources.emitterContent,
            figures: { total_m3: content.total_m3, least_m3: least, most_m3: most },
          } satisfies CircuitFinding,
        ]
      : []),
  ]
}
