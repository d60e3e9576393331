import type { Finding } from '../answer/finding'
import { sources } from '../answer/sources'
import type { Working } from '../answer/working'
import { chooseSizes } from '../gas/chooseSizes'
import type { FuelGas } from '../gas/fuel'
import { fuelGases, grossInput_W } from '../gas/fuel'
import type { GasConditions, PipeState, SizedPipe } from '../gas/network'
import { solveGasTree, tableLeastBores_m, tableLength_m, tableVerdict } from '../gas/network'
import { materials, pipeVolume_m3, sizeNamed } from '../gas/pipes'
import { inOrder, pathTo } from '../network/tree'
import type { Appliance, GasSegment, JobDocument } from '../job/document'
import { burnsGas } from '../job/fields'
import { fingerprint } from '../job/merge'
import { fitted } from '../survey/asked'
import type { Practice } from '../practice/practices'
import { gasFindings } from './gasFindings'
import type { Missing, Sheet } from './sheet'
import { siteAtmosphere_Pa } from './siteAtmosphere'

export interface GasPipeAnswer extends PipeState {
  readonly segment: GasSegment
  readonly pipe: SizedPipe
  readonly chosen: boolean
  readonly appliance?: Appliance
  /** What a table lets it pass, where the practice asks for a second verdict and the table covers it. */
  readonly table_m3_s?: number
}

export interface GasAnswer {
  readonly gas: FuelGas
  readonly conditions: GasConditions
  readonly meterAssumed: boolean
  readonly pipes: readonly GasPipeAnswer[]
  readonly total_m3_s: number
  readonly total_W: number
  readonly allowance_Pa: number
  /** The appliance with least pressure to spare, and the way to it. */
  readonly index: GasPipeAnswer
  readonly indexRun: readonly string[]
  readonly indexAllowed_Pa: number
  readonly volume_m3: number
  /** Length at which the second verdict reads its table, where there is one. */
  readonly tableLength_m?: number
}

const notYet = 'not-yet'

/** Gross input of an appliance at its plate, W; 0 when it burns no gas or the plate is not read. */
export const applianceInput_W = (appliance: Appliance | undefined, gas: FuelGas): number =>
  appliance?.input_W && burnsGas(appliance.kind) ? grossInput_W(appliance.input_W.value, appliance.inputSaid, gas) : 0

/** Greatest drop from the meter to an appliance: the practice's allowance, or less where its least inlet pressure asks for it. */
const dropAllowed_Pa = (appliance: Appliance | undefined, practice: Practice, meterGauge_Pa: number): number =>
  Math.min(practice.gas.allowance_Pa, appliance?.minInletGauge_Pa ? meterGauge_Pa - appliance.minInletGauge_Pa.value : Infinity)

/** Designs the gas supply: sizes where asked, flow, drop and pressure at every node with everything burning. */
export function gasSheet(document: JobDocument, practice: Practice): Sheet<GasAnswer> {
  const { survey } = document
  const burners = fitted(document.appliances).filter((appliance) => burnsGas(appliance.kind))
  if (burners.length === 0 && document.gas.segments.length === 0 && document.appliances.length > 0) return { applies: false, because: 'Nothing on this job burns gas.' }
  const gas = fuelGases[practice.name][survey.fuel]
  const missing = missingForGas(document, burners)
  const restsOn = fingerprint({ gas: document.gas, burners: burners.map(({ papers: _papers, photos: _photos, ...plate }) => plate), survey: [survey.gasWorkingGauge_Pa, survey.gasLoad, survey.fuel, survey.elevation_m], practice: practice.name })
  const none = (findings: readonly Finding[]): Sheet<GasAnswer> => ({ applies: true, answer: undefined, missing, findings, workings: () => [], restsOn })
  if (missing.length > 0) return none([])

  const stated = survey.gasWorkingGauge_Pa
  const meterGauge_Pa = stated?.value ?? practice.gas.assumedWorking_Pa[survey.fuel]
  const conditions: GasConditions = { method: practice.gas.method, gas, meterGauge_Pa, atmosphere_Pa: siteAtmosphere_Pa(document) }
  const applianceOf = (segment: GasSegment) => fitted(document.appliances).find((appliance) => appliance.id === segment.applianceId)
  const { ordered } = inOrder(document.gas.segments)
  const toSize = ordered.map((segment) => {
    const appliance = applianceOf(segment)
    const fixed = segment.size === null ? undefined : sizeNamed(segment.material, segment.size)
    return {
      id: segment.id, from: segment.from, length_m: segment.length_m?.value ?? 0, elbows: segment.elbows, branchTees: segment.branchTees, material: segment.material,
      load_W: applianceInput_W(appliance, gas), ...(fixed ? { fixed } : {}), ...(appliance ? { dropAllowed_Pa: dropAllowed_Pa(appliance, practice, meterGauge_Pa) } : {}),
    }
  })
  const byTable = practice.gas.tableCheck && survey.fuel === 'natural-gas'
  const least = byTable ? tableLeastBores_m(toSize, gas) : new Map<string, number>()
  const sizes = chooseSizes(toSize.map((pipe) => ({ ...pipe, leastBore_m: least.get(pipe.id) ?? 0 })), conditions) ?? largestWhereFree(toSize)
  const sized: SizedPipe[] = toSize.flatMap((pipe) => {
    const size = pipe.fixed ?? sizes.get(pipe.id)
    return size ? [{ ...pipe, size }] : []
  })
  const states = solveGasTree(sized, conditions)
  const table = new Map(byTable ? tableVerdict(sized, gas).map((row) => [row.id, row.table_m3_s]) : [])
  const pipes = ordered.flatMap((segment): GasPipeAnswer[] => {
    const state = states.find((one) => one.id === segment.id)
    const pipe = sized.find((one) => one.id === segment.id)
    const appliance = applianceOf(segment)
    const table_m3_s = table.get(segment.id)
    return state && pipe ? [{ ...state, segment, pipe, chosen: segment.size === null, ...(appliance ? { appliance } : {}), ...(table_m3_s === undefined ? {} : { table_m3_s }) }] : []
  })
  const fed = pipes.filter((pipe) => pipe.appliance && pipe.pipe.load_W > 0)
  const slack = (pipe: GasPipeAnswer) => dropAllowed_Pa(pipe.appliance, practice, meterGauge_Pa) - pipe.dropTo_Pa
  const index = [...fed].sort((a, b) => slack(a) - slack(b))[0]
  if (!index) return none([])
  const total_W = fed.reduce((sum, pipe) => sum + pipe.pipe.load_W, 0)
  const answer: GasAnswer = {
    gas, conditions, meterAssumed: !stated || stated.basis === 'assumed', pipes, total_W, total_m3_s: total_W / gas.grossHeat_J_m3, allowance_Pa: practice.gas.allowance_Pa,
    index, indexRun: pathTo(document.gas.segments, index.id).map((segment) => segment.id), indexAllowed_Pa: dropAllowed_Pa(index.appliance, practice, meterGauge_Pa),
    ...(byTable ? { tableLength_m: tableLength_m(sized) } : {}),
    volume_m3: pipes.reduce((sum, { pipe }) => sum + pipeVolume_m3(pipe.size.bore_m, pipe.length_m), 0),
  }
  return { applies: true, answer, missing, findings: gasFindings(document, practice, answer, burners), workings: () => gasWorkings(answer), restsOn }
}

/** The largest catalogue size for every free pipe: shown, with a stop, where no choice does. */
const largestWhereFree = (pipes: readonly { readonly id: string; readonly material: GasSegment['material'] }[]) =>
  new Map(pipes.map((pipe) => [pipe.id, materials[pipe.material].sizes[materials[pipe.material].sizes.length - 1] ?? { name: notYet, bore_m: 1 }]))

function missingForGas(document: JobDocument, burners: readonly Appliance[]): Missing[] {
  const { segments } = document.gas
  const { unreached } = inOrder(segments)
  return [
    ...(burners.length === 0 ? [{ place: 'appliances', what: 'An appliance that burns gas' }] : []),
    ...burners.flatMap((appliance) => (appliance.input_W ? [] : [{ place: `appliances.${document.appliances.indexOf(appliance)}.input_W`, what: `Input of ${appliance.name}` }])),
    ...(segments.length === 0 ? [{ place: 'gas.segments', what: 'A pipe from the meter' }] : []),
    ...segments.flatMap((segment, i) => (segment.length_m ? [] : [{ place: `gas.segments.${i}`, what: `Length of ${segment.name}` }])),
    ...segments.flatMap((segment, i) => (segment.length_m && !(segment.length_m.value > 0) ? [{ place: `gas.segments.${i}`, what: `${segment.name} has a length of nothing: a pipe has some` }] : [])),
    ...unreached.map((segment) => ({ place: `gas.segments.${segments.indexOf(segment)}`, what: `${segment.name} does not lead back to the meter` })),
    ...segments.flatMap((segment, i) => (segment.size !== null && !sizeNamed(segment.material, segment.size) ? [{ place: `gas.segments.${i}`, what: `${segment.name}: ${segment.size} is not a size of ${materials[segment.material].label}` }] : [])),
    ...(segments.length > 0 && !segments.some((segment) => segment.applianceId) ? [{ place: 'gas.segments', what: 'A pipe that ends at an appliance' }] : []),
  ]
}

/** The arithmetic of the supply: the load, then every pipe of the index run. */
export function gasWorkings(answer: GasAnswer): readonly Working[] {
  const { gas, conditions } = answer
  const low = conditions.method === 'nfpa54-low'
  const drops = answer.pipes.filter((pipe) => answer.indexRun.includes(pipe.id)).map((pipe): Working => ({
    circuit: 'gas', title: `${pipe.segment.name}, ${pipe.pipe.size.name}`,
    formula: low ? 'drop = Cr · L · [Q^0.381 / (19.17 · D)]^(1/0.206)  (in wc, ft, ft³/h, in)' : 'drop = f · L/d · density · v²/2, f by Colebrook–White',
    put: low ? '{flow_m3_s} through {bore_m}, {effective_m} with fittings' : '{flow_m3_s} at {velocity_m_s} through {bore_m}, {effective_m} with fittings',
    figures: { flow_m3_s: pipe.flow_m3_s, bore_m: pipe.pipe.size.bore_m, effective_m: pipe.effective_m, velocity_m_s: pipe.velocity_m_s, drop_Pa: pipe.drop_Pa },
    result: 'drop_Pa', source: low ? sources.nfpa54Low : sources.colebrook,
  }))
  return [
    { circuit: 'gas', title: 'Gas with everything burning', formula: 'Q = sum of gross input / heating value', put: '{total_W} / {grossHeat_J_m3}', figures: { total_W: answer.total_W, grossHeat_J_m3: gas.grossHeat_J_m3, total_m3_s: answer.total_m3_s }, result: 'total_m3_s', source: sources.continuity },
    ...drops,
    { circuit: 'gas', title: `At ${answer.index.appliance?.name ?? 'the appliance'} (gauge)`, formula: 'p = p_meter − sum of drop', put: '{meterGauge_Pa} − {dropTo_Pa}', figures: { meterGauge_Pa: conditions.meterGauge_Pa, dropTo_Pa: answer.index.dropTo_Pa, farGauge_Pa: answer.index.farGauge_Pa }, result: 'farGauge_Pa', source: sources.arithmetic },
  ]
}
