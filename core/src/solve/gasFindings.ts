import type { Finding } from '../answer/finding'
import { sources } from '../answer/sources'
import { atMost } from '../answer/expect'
import { altitudeFactor } from '../site/atmosphere'
import { nextSize } from '../gas/pipes'
import type { Appliance, JobDocument } from '../job/document'
import type { Practice } from '../practice/practices'
import type { GasAnswer, GasPipeAnswer } from './gasSheet'

/** What is wrong with, or worth saying of, a gas supply. */
export function gasFindings(document: JobDocument, practice: Practice, answer: GasAnswer, burners: readonly Appliance[]): readonly Finding[] {
  const indexOf = (pipe: GasPipeAnswer) => document.gas.segments.indexOf(pipe.segment)
  const place = (pipe: GasPipeAnswer) => `gas.segments.${indexOf(pipe)}`
  const fed = answer.pipes.filter((pipe) => pipe.appliance)
  return [
    ...overAllowance(document, practice, answer, fed, place),
    ...tableFindings(answer, practice, document, place),
    ...orderFindings(answer, place),
    ...burners.filter((burner) => !fed.some((pipe) => pipe.appliance?.id === burner.id)).map((burner): Finding => ({
      id: 'gas-appliance-unfed', severity: 'stop', place: 'gas.segments', names: [burner.name], source: sources.continuity,
    })),
    ...meterFindings(document, practice, answer),
    ...lengthFindings(answer, place),
    ...burners.filter((burner) => !burner.minInletGauge_Pa).map((burner): Finding => ({
      id: 'gas-minimum-unknown', severity: 'fix', place: `appliances.${document.appliances.indexOf(burner)}.minInletGauge_Pa`, names: [burner.name], source: sources.maker,
    })),
    ...altitudeFindings(document, practice),
  ]
}

function overAllowance(document: JobDocument, practice: Practice, answer: GasAnswer, fed: readonly GasPipeAnswer[], place: (pipe: GasPipeAnswer) => string): Finding[] {
  return fed.flatMap((pipe): Finding[] => {
    const name = pipe.appliance?.name ?? pipe.segment.name
    const least = pipe.appliance?.minInletGauge_Pa?.value
    const over = !atMost(pipe.dropTo_Pa, answer.allowance_Pa)
    const starved = least !== undefined && !atMost(least, pipe.farGauge_Pa)
    const remedy = over || starved ? { remedy: { label: 'let Hestian choose the sizes on the way', edits: answer.pipes.filter((other) => !other.chosen).map((other) => ({ path: ['gas', 'segments', document.gas.segments.indexOf(other.segment), 'size'], value: null })) } } : {}
    const offered = answer.pipes.some((other) => !other.chosen) ? remedy : {}
    return [
      ...(over ? [{ id: 'gas-drop-over-allowance', severity: 'stop', place: place(pipe), names: [name], figures: { drop_Pa: pipe.dropTo_Pa, allowance_Pa: answer.allowance_Pa }, source: practice.gas.allowanceSource, ...offered } satisfies Finding] : []),
      ...(starved && least !== undefined ? [{ id: 'gas-below-minimum', severity: 'stop', place: place(pipe), names: [name], figures: { farGauge_Pa: pipe.farGauge_Pa, leastGauge_Pa: least }, source: sources.maker, ...offered } satisfies Finding] : []),
    ]
  })
}

/** The stricter of two verdicts wins: a pipe that calculates well but that the table refuses is still to be changed. */
function tableFindings(answer: GasAnswer, practice: Practice, document: JobDocument, place: (pipe: GasPipeAnswer) => string): Finding[] {
  if (!practice.gas.tableCheck || document.survey.fuel !== 'natural-gas') return []
  const refused = answer.pipes.filter((pipe) => pipe.table_m3_s !== undefined && pipe.table_m3_s < pipe.flow_m3_s)
  const uncovered = answer.pipes.filter((pipe) => pipe.table_m3_s === undefined)
  return [
    ...refused.map((pipe): Finding => {
      const bigger = nextSize(pipe.pipe.material, pipe.pipe.size.bore_m * 1.01)
      return {
        id: 'gas-table-stricter', severity: 'stop', place: place(pipe), names: [pipe.segment.name, pipe.pipe.size.name], figures: { flow_m3_s: pipe.flow_m3_s, table_m3_s: pipe.table_m3_s ?? 0 }, source: sources.bs6891,
        ...(bigger ? { remedy: { label: `use ${bigger.name}`, edits: [{ path: ['gas', 'segments', document.gas.segments.indexOf(pipe.segment), 'size'], value: bigger.name }] } } : {}),
      }
    }),
    ...(uncovered.length > 0 ? [{ id: 'gas-table-not-covered', severity: 'note', place: 'gas.segments', names: uncovered.map((pipe) => pipe.segment.name), source: sources.bs6891 } satisfies Finding] : []),
  ]
}

function orderFindings(answer: GasAnswer, place: (pipe: GasPipeAnswer) => string): Finding[] {
  return answer.pipes.flatMap((pipe): Finding[] => {
    const feeder = answer.pipes.find((other) => other.id === pipe.segment.from)
    const wider = feeder && pipe.pipe.size.bore_m > feeder.pipe.size.bore_m * 1.02
    const branches = pipe.appliance !== undefined && answer.pipes.some((other) => other.segment.from === pipe.id)
    return [
      ...(wider ? [{ id: 'gas-branch-over-feeder', severity: 'note', place: place(pipe), names: [pipe.segment.name, feeder.segment.name], source: sources.trade } satisfies Finding] : []),
      ...(branches ? [{ id: 'gas-load-on-branch', severity: 'note', place: place(pipe), names: [pipe.appliance?.name ?? '', pipe.segment.name], source: sources.trade } satisfies Finding] : []),
    ]
  })
}

function meterFindings(document: JobDocument, practice: Practice, answer: GasAnswer): Finding[] {
  const { gasWorkingGauge_Pa: working, gasStaticGauge_Pa: lockUp, gasLoad } = document.survey
  const place = 'survey.gasWorkingGauge_Pa'
  const fall_Pa = working && lockUp ? lockUp.value - working.value : 0
  return [
    ...(answer.meterAssumed ? [{ id: 'gas-working-assumed', severity: 'fix', place, figures: { meterGauge_Pa: answer.conditions.meterGauge_Pa }, source: practice.gas.assumedWorkingSource } satisfies Finding] : []),
    ...(!answer.meterAssumed && gasLoad !== 'full' ? [{ id: 'gas-working-part-load', severity: 'fix', place, source: sources.trade } satisfies Finding] : []),
    ...(fall_Pa < 0 ? [{ id: 'inputs-conflict', severity: 'fix', place, figures: { workingGauge_Pa: working?.value ?? 0, staticGauge_Pa: lockUp?.value ?? 0 }, source: sources.trade } satisfies Finding] : []),
    ...(practice.gas.allowanceSource.basis === 'assumed' ? [{ id: 'gas-setting-unsourced', severity: 'note', place: 'gas.segments', figures: { allowance_Pa: practice.gas.allowance_Pa }, source: practice.gas.allowanceSource } satisfies Finding] : []),
  ]
}

function lengthFindings(answer: GasAnswer, place: (pipe: GasPipeAnswer) => string): Finding[] {
  const onRun = answer.pipes.filter((pipe) => answer.indexRun.includes(pipe.id) && pipe.segment.length_m?.basis === 'assumed')
  const spare_Pa = answer.indexAllowed_Pa - answer.index.dropTo_Pa
  return onRun.map((pipe): Finding => {
    const perMetre = pipe.effective_m > 0 ? pipe.drop_Pa / pipe.effective_m : 0
    const spare_m = perMetre > 0 ? Math.max(0, spare_Pa / perMetre) : 0
    return { id: 'gas-length-assumed', severity: spare_m < 0.5 * (pipe.segment.length_m?.value ?? 0) ? 'fix' : 'note', place: place(pipe), names: [pipe.segment.name], figures: { length_m: pipe.segment.length_m?.value ?? 0, spare_m }, source: practiceSource(answer) }
  })
}

const practiceSource = (answer: GasAnswer) => (answer.conditions.method === 'darcy' ? sources.colebrook : sources.nfpa54Low)

function altitudeFindings(document: JobDocument, practice: Practice): Finding[] {
  const elevation = document.survey.elevation_m
  if (!elevation || !practice.gas.altitudeDerates) return []
  const factor = altitudeFactor(elevation.value)
  return factor < 1 ? [{ id: 'gas-altitude', severity: 'note', place: 'survey.elevation_m', figures: { elevation_m: elevation.value, inputRatio: factor }, source: sources.nfpa54Altitude }] : []
}
