import { gasWordings } from './wording'
import { gasSentence } from './sentence'
import { hasGas, noGas } from '../../job/hasGas'
import { sheetSpec } from '../sheetSpec'
import type { PipeToSize } from '../../methods/gas/chooseSizes'
import { treeCost } from '../../methods/gas/chooseSizes'
import type { FuelGas } from '../../methods/gas/fuel'
import { fuelGases, grossInput_W } from '../../methods/gas/fuel'
import type { SizedPipe } from '../../methods/gas/network'
import {
  branchFlows,
  carriedFlow_m3_s,
  tableLeastBores_m,
  tableLength_m,
  tableVerdict,
} from '../../methods/gas/network'
import type { MaterialName, PipeSize } from '../../methods/materials/pipes'
import { materials, pipeVolume_m3, sizeNamed } from '../../methods/materials/pipes'
import { priceList } from '../../methods/materials/prices'
import type { Regulated, Regulator, StagedSupply } from '../../methods/gas/stages'
import {
  chooseStages,
  isElevated,
  solveStages,
  stagesOf,
  usualRegulatorDrop_Pa,
} from '../../methods/gas/stages'
import { inOrder, meterNode, pathTo } from '../../methods/network/tree'
import type { Appliance, JobDocument } from '../../job/document'
import { burnsGas } from '../../job/fields'
import type { GasSegment } from '../../job/gasDocument'
import { altitudeFactor } from '../../methods/atmosphere/atmosphere'
import { fitted } from '../../job/asked'
import type { Practice } from '../../practice/practice'
import { psi_Pa } from '../../units/units'
import { gasFindings } from './findings'
import type { Decides } from '../unsettled'
import { unsettled } from '../unsettled'
import type { Missing, Sheet } from '../../answer/sheet'
import { valueOr } from '../../job/valueOr'
import { siteAtmosphere_Pa } from '../../job/siteAtmosphere'
import type { GasPipeAnswer, GasAnswer } from './answer'
import { gasWorkings } from './workings'

/** Greatest drop of a stage before a line regulator. Source: sources.elevatedDrop. */
export const elevatedDrop_Pa = psi_Pa
/** Gross input of an appliance at its plate, W; 0 when it burns no gas or the plate is not read. */
export const applianceInput_W = (appliance: Appliance | undefined, gas: FuelGas): number =>
  appliance?.input_W && burnsGas(appliance.kind)
    ? grossInput_W(appliance.input_W.value, appliance.inputSaid, gas)
    : 0

/** Allowance of a stage by the pressure it begins with. */
const stageAllowance_Pa = (practice: Practice, inletGauge_Pa: number): number =>
  isElevated(inletGauge_Pa) ? elevatedDrop_Pa : practice.gas.allowance_Pa

/**
 * Greatest drop to the far end of a pipe: the stage's allowance, or less where an appliance's
 * minimum inlet pressure or a regulator asks for it.
 */
function dropAllowed_Pa(
  segment: GasSegment,
  appliance: Appliance | undefined,
  practice: Practice,
  inletGauge_Pa: number,
): number | undefined {
  const allowance_Pa = stageAllowance_Pa(practice, inletGauge_Pa)
  const regulator = regulatorOf(segment)
  if (regulator)
    return Math.min(allowance_Pa, inletGauge_Pa - regulator.outGauge_Pa - regulator.drop_Pa)
  if (!appliance) return segment.reserve_W ? allowance_Pa : undefined
  return Math.min(
    allowance_Pa,
    appliance.minInletGauge_Pa
      ? inletGauge_Pa - appliance.minInletGauge_Pa.value - connectorDrop_Pa(segment)
      : Infinity,
  )
}

const connectorDrop_Pa = ({ end }: GasSegment): number => end.connectorDrop_Pa?.value ?? 0
const regulatorOf = ({ regulator }: GasSegment): Regulator | undefined =>
  regulator?.outGauge_Pa
    ? {
        outGauge_Pa: regulator.outGauge_Pa.value,
        drop_Pa: regulator.drop_Pa?.value ?? usualRegulatorDrop_Pa,
      }
    : undefined

/**
 * Designs the gas supply: sizes where asked, flow, drop and pressure at every node with everything
 * burning.
 */
export function gasSheet(document: JobDocument, practice: Practice): Sheet<GasAnswer> {
  const { survey } = document
  const burners = fitted(document.appliances).filter((appliance) => burnsGas(appliance.kind))
  if (!hasGas(document)) return { applies: false, because: noGas }
  const gas = fuelGases[practice.name][survey.fuel]
  const missing = missingForGas(document, burners)
  const none = (): Sheet<GasAnswer> => ({
    applies: true,
    answer: undefined,
    missing,
    findings: [],
    workings: () => [],
  })
  if (missing.length > 0) return none()
  const answer = solveGas(document, practice, gas)
  if (!answer) return none()
  return {
    applies: true,
    answer,
    missing: unsettled(decidesOf(document, practice, burners)),
    findings: gasFindings(document, practice, answer, burners),
    workings: () => gasWorkings(answer),
  }
}

function solveGas(document: JobDocument, practice: Practice, gas: FuelGas): GasAnswer | undefined {
  const { survey, prices } = document
  const stated = survey.gasWorkingGauge_Pa
  const supply = supplyOf(document, practice, gas)
  const { ordered } = inOrder(document.gas.segments)
  const applianceOf = applianceFinder(document)
  const plain = ordered.map((segment) => plainPipe(document, segment, applianceOf(segment), gas))
  const beginsGauge_Pa = stageStarts(plain, supply)
  const allowed_Pa = (segment: GasSegment) =>
    dropAllowed_Pa(segment, applianceOf(segment), practice, beginsGauge_Pa(segment.id))
  const byTable =
    practice.gas.tableCheck && survey.fuel === 'natural-gas' && !isElevated(supply.meterGauge_Pa)
  const leastBore_m = leastBores(plain, practice, { supply, byTable, beginsGauge_Pa })
  const toSize = plain.map((pipe, i) => {
    const most_Pa = ordered[i] && allowed_Pa(ordered[i])
    return {
      ...pipe,
      leastBore_m: leastBore_m(pipe.id),
      ...(most_Pa === undefined ? {} : { dropAllowed_Pa: most_Pa }),
    }
  })
  const price = priceList(prices)
  const sizes = chooseStages(toSize, supply, price) ?? largestWhereFree(toSize)
  const sized = plain.flatMap((pipe): (SizedPipe & Regulated)[] => {
    const size = pipe.fixed ?? sizes.get(pipe.id)
    return size ? [{ ...pipe, size }] : []
  })
  const pipes = answerPipes(document, sized, { ordered, supply, byTable, applianceOf, allowed_Pa })
  const index = worstOff(pipes)
  if (!index) return undefined
  const total_W =
    pipes
      .filter((pipe) => pipe.segment.from === meterNode)
      .reduce((sum, pipe) => sum + pipe.flow_m3_s, 0) * gas.grossHeat_J_m3
  const inStage = new Set(pipes.filter((pipe) => pipe.root === index.root).map((pipe) => pipe.id))
  return {
    gas,
    supply,
    conditions: index.conditions,
    meterAssumed: !stated || stated.basis === 'assumed',
    pipes,
    total_W,
    total_m3_s: total_W / gas.grossHeat_J_m3,
    allowance_Pa: stageAllowance_Pa(practice, index.conditions.meterGauge_Pa),
    index,
    indexRun: pathTo(document.gas.segments, index.id)
      .map((segment) => segment.id)
      .filter((id) => inStage.has(id)),
    indexAllowed_Pa: index.allowed_Pa ?? practice.gas.allowance_Pa,
    ...(byTable ? { tableLength_m: tableLength_m(sized) } : {}),
    cost: treeCost(sized, price),
    volume_m3: pipes.reduce(
      (sum, { pipe }) => sum + pipeVolume_m3(pipe.size.bore_m, pipe.length_m),
      0,
    ),
  }
}

const supplyOf = (document: JobDocument, practice: Practice, gas: FuelGas): StagedSupply => ({
  method: document.gas.method ?? practice.gas.method,
  gas,
  meterGauge_Pa: valueOr(
    document.survey.gasWorkingGauge_Pa,
    practice.gas.assumedWorking_Pa[document.survey.fuel],
  ),
  atmosphere_Pa: siteAtmosphere_Pa(document),
  shareRatio: valueOr(document.gas.diversity?.ratio, 1),
})

type ApplianceOf = (segment: GasSegment) => Appliance | undefined

function applianceFinder(document: JobDocument): ApplianceOf {
  const appliances = new Map(
    fitted(document.appliances).map((appliance) => [appliance.id, appliance]),
  )
  return ({ applianceId }) => (applianceId === null ? undefined : appliances.get(applianceId))
}

/** A segment as the methods know it: what it feeds, what is fixed about it. */
function plainPipe(
  { gas: { derated }, survey: { elevation_m } }: JobDocument,
  segment: GasSegment,
  appliance: Appliance | undefined,
  gas: FuelGas,
): PipeToSize & Regulated {
  const { id, from, elbows, branchTees, material } = segment
  const fixed = segment.size === null ? undefined : sizeNamed(material, segment.size)
  const regulator = regulatorOf(segment)
  const derate = derated && elevation_m ? altitudeFactor(elevation_m.value) : 1
  return {
    id,
    from,
    length_m: valueOr(segment.length_m, 0),
    elbows,
    branchTees,
    material,
    load_W: applianceInput_W(appliance, gas) * derate + valueOr(segment.reserve_W, 0),
    ...(fixed ? { fixed } : {}),
    ...(regulator ? { regulator } : {}),
  }
}

/** Pressure, gauge, at which the stage of a pipe begins: the meter's, or its regulator's. */
function stageStarts(
  pipes: readonly (PipeToSize & Regulated)[],
  supply: StagedSupply,
): (id: string) => number {
  const begins = new Map(
    stagesOf(pipes, supply).flatMap(({ pipes: of, conditions }) =>
      of.map((pipe): [string, number] => [pipe.id, conditions.meterGauge_Pa]),
    ),
  )
  return (id) => begins.get(id) ?? supply.meterGauge_Pa
}

/** The least bore a pipe may have: by the table where one rules, and for the gas to stay calm. */
function leastBores(
  pipes: readonly PipeToSize[],
  practice: Practice,
  {
    supply,
    byTable,
    beginsGauge_Pa,
  }: {
    readonly supply: StagedSupply
    readonly byTable: boolean
    readonly beginsGauge_Pa: (id: string) => number
  },
): (id: string) => number {
  const least = byTable ? tableLeastBores_m(pipes, supply.gas) : new Map<string, number>()
  const flows = branchFlows(pipes, supply.gas, supply.shareRatio)
  /** Slow enough even at the least pressure its stage may come to: there the gas is widest. */
  const calm_m = (id: string) => {
    const begins_Pa = beginsGauge_Pa(id)
    return Math.sqrt(
      carriedFlow_m3_s(flows.get(id) ?? 0, {
        atmosphere_Pa: supply.atmosphere_Pa,
        meterGauge_Pa: begins_Pa - stageAllowance_Pa(practice, begins_Pa),
      }) /
        ((Math.PI / 4) * practice.gas.velocityMost_m_s),
    )
  }
  return (id) => Math.max(least.get(id) ?? 0, calm_m(id))
}

/** Every pipe in its size, with what flows in it and what is left at its far end. */
function answerPipes(
  document: JobDocument,
  sized: readonly (SizedPipe & Regulated)[],
  {
    ordered,
    supply,
    byTable,
    applianceOf,
    allowed_Pa,
  }: {
    readonly ordered: readonly GasSegment[]
    readonly supply: StagedSupply
    readonly byTable: boolean
    readonly applianceOf: ApplianceOf
    readonly allowed_Pa: (segment: GasSegment) => number | undefined
  },
): readonly GasPipeAnswer[] {
  const states = new Map(solveStages(sized, supply).map((state) => [state.id, state]))
  const verdicts = byTable ? tableVerdict(sized, supply.gas) : []
  const table = new Map(verdicts.map((row) => [row.id, row.table_m3_s]))
  const byId = new Map(sized.map((pipe) => [pipe.id, pipe]))
  const place = new Map(
    document.gas.segments.map((segment, i) => [segment.id, `gas.segments.${i}`]),
  )
  return ordered.flatMap((segment): GasPipeAnswer[] => {
    const [state, pipe] = [states.get(segment.id), byId.get(segment.id)]
    if (!state || !pipe) return []
    const most_Pa = allowed_Pa(segment)
    const appliance = applianceOf(segment)
    const table_m3_s = table.get(segment.id)
    return [
      {
        ...state,
        segment,
        place: place.get(segment.id) ?? 'gas.segments',
        pipe,
        chosen: segment.size === null,
        ...(most_Pa === undefined ? {} : { allowed_Pa: most_Pa }),
        ...(appliance
          ? { appliance, inletGauge_Pa: state.farGauge_Pa - connectorDrop_Pa(segment) }
          : {}),
        ...(table_m3_s === undefined ? {} : { table_m3_s }),
      },
    ]
  })
}

/** The fed pipe with the least left of what may be lost on the way to it: the index. */
function worstOff(pipes: readonly GasPipeAnswer[]): GasPipeAnswer | undefined {
  const slack_Pa = (pipe: GasPipeAnswer) => (pipe.allowed_Pa ?? Infinity) - pipe.dropTo_Pa
  const fed = pipes.filter((pipe) => pipe.appliance && pipe.pipe.load_W > 0)
  return [...fed].sort((a, b) => slack_Pa(a) - slack_Pa(b))[0]
}

/** The largest catalogue size for every free pipe: shown, with a stop, where no choice does. */
const largestWhereFree = (
  pipes: readonly { readonly id: string; readonly material: MaterialName }[],
): ReadonlyMap<string, PipeSize> =>
  new Map(
    pipes.flatMap((pipe): [string, PipeSize][] => {
      const size = materials[pipe.material].sizes.at(-1)
      return size ? [[pipe.id, size]] : []
    }),
  )

/**
 * What has to be looked at before anybody may call a gas supply sound; the sizes can be computed
 * without it.
 */
function decidesOf(
  { gas, appliances, survey }: JobDocument,
  practice: Practice,
  burners: readonly Appliance[],
): readonly Decides[] {
  const ends = gas.segments.flatMap((segment, i) => {
    const burner = burners.find((one) => one.id === segment.applianceId)
    return burner ? [{ segment, burner, place: `gas.segments.${i}` }] : []
  })
  return [
    ...burners.flatMap((burner): Decides[] => {
      const plate = `appliances.${appliances.indexOf(burner)}`
      return [
        {
          place: `${plate}.maxInletGauge_Pa`,
          what: `Maximum inlet pressure of ${burner.name}`,
          answer: burner.maxInletGauge_Pa,
        },
      ]
    }),
    ...ends.flatMap(({ segment: { end }, burner: { name }, place }): Decides[] => [
      { place, what: `Whether ${name} has a shut-off of its own`, answer: end.shutOff },
      { place, what: `How ${name} is joined to its pipe`, answer: end.connector },
      {
        place,
        what: `What the connector of ${name} loses`,
        answer: end.connectorDrop_Pa,
        asked: end.connector === 'flexible',
      },
      {
        place,
        what: `Whether a sediment trap stands before ${name}`,
        answer: end.trap,
        asked: practice.gas.trapWanted,
      },
    ]),
    ...gas.segments.flatMap((segment, i): Decides[] =>
      segment.regulator
        ? [
            {
              place: `gas.segments.${i}`,
              what: `What the regulator after ${segment.name} passes at most`,
              answer: segment.regulator.most_m3_s,
            },
          ]
        : [],
    ),
    { place: 'gas.segments', what: 'Whether the gas pipe is bonded', answer: gas.bonded },
    ...containersAsked(gas.containers, survey.fuel),
  ]
}

/** What of the containers decides whether enough boils off; of gas from a meter nothing. */
function containersAsked(
  held: JobDocument['gas']['containers'],
  fuel: JobDocument['survey']['fuel'],
): readonly Decides[] {
  if (fuel !== 'propane') return []
  const place = 'gas.containers'
  if (!held) return [{ place, what: 'The propane containers', answer: null }]
  return [
    { place, what: 'Diameter of a propane container', answer: held.diameter_m },
    { place, what: 'Length of a propane container', answer: held.length_m },
    { place, what: 'How full the containers are when they are changed', answer: held.leastFull },
    { place, what: 'The coldest day at the containers', answer: held.coldestTemp_K },
    { place, what: 'What changes the containers over', answer: held.changeover },
  ]
}

function missingForGas(document: JobDocument, burners: readonly Appliance[]): Missing[] {
  const { segments } = document.gas
  const { unreached } = inOrder(segments)
  return [
    ...(burners.length === 0 ? [{ place: 'appliances', what: 'An appliance that burns gas' }] : []),
    ...burners.flatMap((appliance) =>
      appliance.input_W
        ? []
        : [
            {
              place: `appliances.${document.appliances.indexOf(appliance)}.input_W`,
              what: `Input of ${appliance.name}`,
            },
          ],
    ),
    ...(segments.length === 0 ? [{ place: 'gas.segments', what: 'A pipe from the meter' }] : []),
    ...segments.flatMap((segment, i) =>
      segment.length_m ? [] : [{ place: `gas.segments.${i}`, what: `Length of ${segment.name}` }],
    ),
    ...segments.flatMap((segment, i) =>
      segment.length_m && !(segment.length_m.value > 0)
        ? [
            {
              place: `gas.segments.${i}`,
              what: `${segment.name} has a length of nothing: a pipe has some`,
            },
          ]
        : [],
    ),
    ...unreached.map((segment) => ({
      place: `gas.segments.${segments.indexOf(segment)}`,
      what: `${segment.name} does not lead back to the meter`,
    })),
    ...segments.flatMap((segment, i) =>
      segment.size !== null && !sizeNamed(segment.material, segment.size)
        ? [
            {
              place: `gas.segments.${i}`,
              what: `${segment.name}: ${segment.size} is not a size of ${materials[segment.material].label}`,
            },
          ]
        : [],
    ),
    ...segments.flatMap((segment, i) =>
      segment.regulator && !segment.regulator.outGauge_Pa
        ? [
            {
              place: `gas.segments.${i}`,
              what: `What the regulator at the end of ${segment.name} is set to`,
            },
          ]
        : [],
    ),
    ...(segments.length > 0 && !segments.some((segment) => segment.applianceId)
      ? [{ place: 'gas.segments', what: 'A pipe that ends at an appliance' }]
      : []),
  ]
}

export const gasSpec = sheetSpec()({
  id: 'gas',
  wordings: gasWordings,
  place: 'gas.segments',
  inputs: ({ gas, prices, appliances, survey }) => [
    gas,
    prices,
    ...fitted(appliances).filter((one) => burnsGas(one.kind)),
    survey.gasWorkingGauge_Pa,
    survey.gasStaticGauge_Pa,
    survey.gasLoad,
    survey.fuel,
    survey.elevation_m,
    survey.looked.shakes,
    // Propane lies where it stands low.
    ...(survey.fuel === 'propane' ? [survey.looked.location] : []),
  ],
  beside: ({ appliances }) => [appliances],
  solve: gasSheet,
  key: ({ answer }) => `${answer?.pipes.map((pipe) => pipe.pipe.size.name).join()}`,
  says: gasSentence,
  isMild: true,
})
