import type { GasFinding } from './wording'
import type { Known } from '../../job/known'
import type { Containers } from '../../job/gasDocument'
import { vaporises_W } from '../../methods/gas/containers'
import { sources } from '../../answer/sources'
import { atMost } from '../../answer/expect'
import { altitudeFactor } from '../../methods/atmosphere/atmosphere'
import { inSquares } from '../../methods/gas/network'
import { meterNode } from '../../methods/network/tree'
import { nextSize } from '../../methods/materials/pipes'
import type { Appliance, JobDocument } from '../../job/document'
import type { Practice } from '../../practice/practice'
import type { GasAnswer, GasPipeAnswer } from './answer'

/** What is wrong with, or worth saying of, a gas supply. */
export function gasFindings(
  document: JobDocument,
  practice: Practice,
  answer: GasAnswer,
  burners: readonly Appliance[],
): readonly GasFinding[] {
  const fed = answer.pipes.filter((pipe) => pipe.appliance)
  const reached = new Set(fed.map((pipe) => pipe.appliance?.id))
  return [
    ...fed.flatMap((pipe) => overAllowance(document, practice, answer, pipe)),
    ...answer.pipes.flatMap((pipe) => regulatorFindings(practice, pipe)),
    ...tableFindings(answer, document),
    ...orderFindings(answer),
    ...answer.pipes.flatMap((pipe) => tooFast(document, practice, pipe)),
    ...burners
      .filter((burner) => !reached.has(burner.id))
      .map((burner): GasFinding => ({
        id: 'gas-appliance-unfed',
        severity: 'stop',
        place: 'gas.segments',
        names: [burner.name],
        source: sources.continuity,
      })),
    ...meterFindings(document, practice, answer),
    ...lengthFindings(answer),
    ...burners
      .filter((burner) => !burner.minInletGauge_Pa)
      .map((burner): GasFinding => ({
        id: 'gas-minimum-unknown',
        severity: 'fix',
        place: `appliances.${document.appliances.indexOf(burner)}.minInletGauge_Pa`,
        names: [burner.name],
        source: sources.maker,
      })),
    ...altitudeFindings(document, practice),
    ...tooHigh(document, fed),
    ...propaneLow(document, practice),
    ...containerFindings(document, answer),
    ...endFindings(document, practice, fed),
    ...saidOnce(document, practice, answer),
  ]
}

function tooFast(document: JobDocument, practice: Practice, pipe: GasPipeAnswer): GasFinding[] {
  const { velocityMost_m_s: most_m_s, velocitySource } = practice.gas
  if (atMost(pipe.velocity_m_s, most_m_s * 1.001)) return []
  const i = document.gas.segments.indexOf(pipe.segment)
  const choose = {
    label: 'let Hestian choose its size',
    edits: [{ path: ['gas', 'segments', i, 'size'], value: null }],
  }
  return [
    {
      id: 'gas-too-fast',
      severity: 'fix',
      place: pipe.place,
      names: [pipe.segment.name, pipe.pipe.size.name],
      figures: { speed_m_s: pipe.velocity_m_s, most_m_s },
      source: velocitySource,
      ...(pipe.chosen ? {} : { remedy: choose }),
    },
  ]
}

/** What holds of the whole supply: bonded or not, and sized for less than all of it. */
function saidOnce(
  { gas: { bonded, diversity } }: JobDocument,
  practice: Practice,
  { supply }: GasAnswer,
): GasFinding[] {
  const place = 'gas.segments'
  return [
    ...(bonded === 'no'
      ? [
          {
            id: 'gas-not-bonded',
            severity: 'fix',
            place,
            source: practice.gas.bondSource,
          } satisfies GasFinding,
        ]
      : []),
    ...(diversity
      ? [
          {
            id: 'gas-diversified',
            severity: 'note',
            place,
            names: [diversity.rule],
            figures: { shareRatio: supply.shareRatio },
            source: sources.trade,
          } satisfies GasFinding,
        ]
      : []),
  ]
}

/**
 * A drop over the allowance stops, unless the maker's own table for that appliance is on file: then
 * it is to be measured at full fire.
 */
function overAllowance(
  document: JobDocument,
  practice: Practice,
  answer: GasAnswer,
  pipe: GasPipeAnswer,
): GasFinding[] {
  const names = [pipe.appliance?.name ?? pipe.segment.name]
  const starved = starvedBy(pipe)
  const allowance_Pa = allowanceOf(pipe, answer)
  const over = !atMost(pipe.dropTo_Pa, allowance_Pa)
  const bySheet = pipe.segment.end.makerTable !== null && !starved
  const about = { place: pipe.place, names, figures: { drop_Pa: pipe.dropTo_Pa, allowance_Pa } }
  const offered = over || starved ? letChoose(document, answer) : {}
  const tooMuch: GasFinding = bySheet
    ? { ...about, id: 'gas-maker-table', severity: 'fix', source: sources.maker }
    : {
        ...about,
        id: 'gas-drop-over-allowance',
        severity: 'stop',
        source: practice.gas.allowanceSource,
        ...offered,
      }
  return [
    ...(over ? [tooMuch] : []),
    ...(starved
      ? [
          {
            id: 'gas-below-minimum',
            severity: 'stop',
            place: pipe.place,
            names,
            figures: starved,
            source: sources.maker,
            ...offered,
          } satisfies GasFinding,
        ]
      : []),
  ]
}

/** What reaches the appliance and the least it takes, gauge, where that is more. */
function starvedBy({ appliance, inletGauge_Pa, farGauge_Pa }: GasPipeAnswer) {
  const leastGauge_Pa = appliance?.minInletGauge_Pa?.value
  const inlet_Pa = inletGauge_Pa ?? farGauge_Pa
  if (leastGauge_Pa === undefined || atMost(leastGauge_Pa, inlet_Pa)) return undefined
  return { farGauge_Pa: inlet_Pa, leastGauge_Pa }
}

const allowanceOf = (pipe: GasPipeAnswer, { index, allowance_Pa }: GasAnswer): number =>
  pipe.root === index.root ? allowance_Pa : (pipe.allowed_Pa ?? allowance_Pa)

/** Takes every size that was chosen by hand back, where there is one. */
function letChoose(document: JobDocument, { pipes }: GasAnswer): Pick<GasFinding, 'remedy'> {
  const byHand = pipes.filter((pipe) => !pipe.chosen)
  if (byHand.length === 0) return {}
  return {
    remedy: {
      label: 'let Hestian choose the sizes on the way',
      edits: byHand.map(({ segment }) => ({
        path: ['gas', 'segments', document.gas.segments.indexOf(segment), 'size'],
        value: null,
      })),
    },
  }
}

/**
 * With everything off the pressure rises to what the regulator before it locks up at: the gas valve
 * has to stand that.
 */
function tooHigh({ survey, appliances }: JobDocument, fed: readonly GasPipeAnswer[]): GasFinding[] {
  return fed.flatMap((pipe): GasFinding[] => {
    const most = pipe.appliance?.maxInletGauge_Pa?.value
    const own = pipe.root === meterNode
    const rises_Pa = own
      ? (survey.gasStaticGauge_Pa?.value ?? pipe.conditions.meterGauge_Pa)
      : pipe.conditions.meterGauge_Pa * (1 + usualLockUpRatio)
    if (most === undefined || !pipe.appliance || atMost(rises_Pa, most)) return []
    return [
      {
        id: 'gas-above-maximum',
        severity: 'stop',
        place: `appliances.${appliances.indexOf(pipe.appliance)}.maxInletGauge_Pa`,
        names: [pipe.appliance.name],
        figures: { staticGauge_Pa: rises_Pa, mostGauge_Pa: most },
        source: sources.maker,
      },
    ]
  })
}

/** Propane has to boil off as fast as it is burnt, on the coldest day and with little left. */
function containerFindings({ gas, survey }: JobDocument, { total_W }: GasAnswer): GasFinding[] {
  const held = survey.fuel === 'propane' ? gas.containers : null
  if (!held) return []
  const boils = boilsOff(held)
  const place = 'gas.containers'
  return [
    ...(boils && !atMost(total_W, boils.gives_W)
      ? [
          {
            id: 'containers-too-cold' as const,
            severity: 'fix' as const,
            place,
            figures: { ...boils, total_W },
            source: sources.containers,
          },
        ]
      : []),
    ...(held.changeover === 'one-bank'
      ? [
          {
            id: 'containers-run-out' as const,
            severity: 'note' as const,
            place,
            source: sources.trade,
          },
        ]
      : []),
  ]
}

/** What the containers give, W; undefined while something of them is not known. */
function boilsOff({ count, diameter_m, length_m, leastFull, coldestTemp_K }: Containers) {
  if (!diameter_m || !length_m || !leastFull || !coldestTemp_K) return
  const gives_W = vaporises_W({
    count,
    diameter_m: diameter_m.value,
    length_m: length_m.value,
    fullRatio: leastFull.value,
    airTemp_K: coldestTemp_K.value,
  })
  return { gives_W, coldestTemp_K: coldestTemp_K.value, leastRatio: leastFull.value }
}

/** Propane is heavier than air: what leaks lies where it stands low. */
function propaneLow({ survey }: JobDocument, practice: Practice): GasFinding[] {
  const where = survey.looked.location?.answer
  const low = where === 'cellar' || where === 'crawl-space'
  return survey.fuel === 'propane' && low
    ? [
        {
          id: 'propane-low',
          severity: practice.gas.propaneLow,
          place: 'survey.looked.location',
          names: [where === 'cellar' ? 'a cellar' : 'a crawl space'],
          source: sources.trade,
        },
      ]
    : []
}

function regulatorFindings(practice: Practice, pipe: GasPipeAnswer): GasFinding[] {
  const { regulator } = pipe.pipe
  const written = pipe.segment.regulator
  if (!regulator || !written) return []
  const needs_Pa = regulator.outGauge_Pa + regulator.drop_Pa
  const figures = {
    beforeGauge_Pa: pipe.farGauge_Pa,
    needsGauge_Pa: needs_Pa,
    outGauge_Pa: regulator.outGauge_Pa,
    locksGauge_Pa: regulator.outGauge_Pa * (1 + usualLockUpRatio),
  }
  return [
    ...(!atMost(needs_Pa, pipe.farGauge_Pa)
      ? [
          {
            id: 'gas-regulator-starved',
            severity: 'stop',
            place: pipe.place,
            names: [pipe.segment.name],
            figures,
            source: sources.lineRegulator,
          } satisfies GasFinding,
        ]
      : []),
    ...regulatorTooSmall(pipe, written.most_m3_s),
    ...(written.vent === null || written.vent === 'inside'
      ? [
          {
            id: 'gas-regulator-vent',
            severity: written.vent === 'inside' ? 'stop' : 'fix',
            place: pipe.place,
            names: [pipe.segment.name],
            source: sources.lineRegulator,
          } satisfies GasFinding,
        ]
      : []),
    {
      id: 'gas-regulator-locks',
      severity: 'note',
      place: pipe.place,
      names: [pipe.segment.name],
      figures,
      source: sources.lineRegulator,
    },
    ...(practice.gas.method !== 'nfpa54-low'
      ? [
          {
            id: 'gas-stages-unusual',
            severity: 'note',
            place: pipe.place,
            names: [pipe.segment.name],
            source: sources.trade,
          } satisfies GasFinding,
        ]
      : []),
  ]
}

/** More burns behind it than its maker lets it pass. */
const regulatorTooSmall = (
  { flow_m3_s, place, segment }: GasPipeAnswer,
  most: Known,
): GasFinding[] =>
  most && !atMost(flow_m3_s, most.value)
    ? [
        {
          id: 'gas-regulator-small',
          severity: 'stop',
          place,
          names: [segment.name],
          figures: { flow_m3_s, most_m3_s: most.value },
          source: sources.maker,
        },
      ]
    : []

/** What stands between the pipe and each appliance. */
function endFindings(
  document: JobDocument,
  practice: Practice,
  fed: readonly GasPipeAnswer[],
): GasFinding[] {
  const shakes = document.survey.looked.shakes?.answer === 'yes'
  return fed.flatMap(({ segment, place, appliance }): GasFinding[] => {
    const names = [appliance?.name ?? segment.name]
    const { shutOff, trap, connector } = segment.end
    return [
      ...(shutOff === 'no'
        ? [
            {
              id: 'gas-no-shut-off',
              severity: 'stop',
              place,
              names,
              source: sources.trade,
            } satisfies GasFinding,
          ]
        : []),
      ...(practice.gas.trapWanted && trap === 'no'
        ? [
            {
              id: 'gas-no-trap',
              severity: 'fix',
              place,
              names,
              source: practice.gas.trapSource,
            } satisfies GasFinding,
          ]
        : []),
      ...(shakes && connector === 'rigid'
        ? [
            {
              id: 'gas-rigid-where-it-shakes',
              severity: 'fix',
              place,
              names,
              source: sources.trade,
            } satisfies GasFinding,
          ]
        : []),
    ]
  })
}

/**
 * How far a regulator rises over its setting when nothing burns. Common practice, no source: about
 * a fifth to a quarter.
 */
const usualLockUpRatio = 0.25

/**
 * The stricter of two verdicts wins: a pipe that calculates well but that the table refuses is
 * still to be changed.
 */
function tableFindings(answer: GasAnswer, document: JobDocument): GasFinding[] {
  if (answer.tableLength_m === undefined) return []
  const refused = answer.pipes.filter(
    (pipe) => pipe.table_m3_s !== undefined && pipe.table_m3_s < pipe.flow_m3_s,
  )
  const uncovered = answer.pipes.filter((pipe) => pipe.table_m3_s === undefined)
  return [
    ...refused.map((pipe): GasFinding => {
      const bigger = nextSize(pipe.pipe.material, pipe.pipe.size.bore_m * 1.01)
      return {
        id: 'gas-table-stricter',
        severity: 'stop',
        place: pipe.place,
        names: [pipe.segment.name, pipe.pipe.size.name],
        figures: { flow_m3_s: pipe.flow_m3_s, table_m3_s: pipe.table_m3_s ?? 0 },
        source: sources.bs6891,
        ...(bigger
          ? {
              remedy: {
                label: `use ${bigger.name}`,
                edits: [
                  {
                    path: ['gas', 'segments', document.gas.segments.indexOf(pipe.segment), 'size'],
                    value: bigger.name,
                  },
                ],
              },
            }
          : {}),
      }
    }),
    ...(uncovered.length > 0
      ? [
          {
            id: 'gas-table-not-covered',
            severity: 'note',
            place: 'gas.segments',
            names: uncovered.map((pipe) => pipe.segment.name),
            source: sources.bs6891,
          } satisfies GasFinding,
        ]
      : []),
  ]
}

function orderFindings(answer: GasAnswer): GasFinding[] {
  const byId = new Map(answer.pipes.map((pipe) => [pipe.id, pipe]))
  const feeds = new Set(answer.pipes.map((pipe) => pipe.segment.from))
  return answer.pipes.flatMap((pipe): GasFinding[] => {
    const feeder = byId.get(pipe.segment.from)
    const wider =
      feeder && !feeder.pipe.regulator && pipe.pipe.size.bore_m > feeder.pipe.size.bore_m * 1.02
    const branches = pipe.appliance !== undefined && feeds.has(pipe.id)
    return [
      ...(wider
        ? [
            {
              id: 'gas-branch-over-feeder',
              severity: 'note',
              place: pipe.place,
              names: [pipe.segment.name, feeder.segment.name],
              source: sources.trade,
            } satisfies GasFinding,
          ]
        : []),
      ...(branches
        ? [
            {
              id: 'gas-load-on-branch',
              severity: 'note',
              place: pipe.place,
              names: [pipe.appliance?.name ?? '', pipe.segment.name],
              source: sources.trade,
            } satisfies GasFinding,
          ]
        : []),
    ]
  })
}

function meterFindings(document: JobDocument, practice: Practice, answer: GasAnswer): GasFinding[] {
  const { gasWorkingGauge_Pa: working, gasStaticGauge_Pa: lockUp, gasLoad } = document.survey
  const place = 'survey.gasWorkingGauge_Pa'
  const fall_Pa = working && lockUp ? lockUp.value - working.value : 0
  return [
    ...(answer.meterAssumed
      ? [
          {
            id: 'gas-working-assumed',
            severity: 'fix',
            place,
            figures: { meterGauge_Pa: answer.supply.meterGauge_Pa },
            source: practice.gas.assumedWorkingSource,
          } satisfies GasFinding,
        ]
      : []),
    ...(!answer.meterAssumed && gasLoad !== 'full'
      ? [
          {
            id: 'gas-working-part-load',
            severity: 'fix',
            place,
            source: sources.trade,
          } satisfies GasFinding,
        ]
      : []),
    ...(fall_Pa < 0
      ? [
          {
            id: 'inputs-conflict',
            severity: 'fix',
            place,
            figures: { workingGauge_Pa: working?.value ?? 0, staticGauge_Pa: lockUp?.value ?? 0 },
            source: sources.trade,
          } satisfies GasFinding,
        ]
      : []),
    ...(practice.gas.allowanceSource.basis === 'assumed'
      ? [
          {
            id: 'gas-setting-unsourced',
            severity: 'note',
            place: 'gas.segments',
            figures: { allowance_Pa: practice.gas.allowance_Pa },
            source: practice.gas.allowanceSource,
          } satisfies GasFinding,
        ]
      : []),
  ]
}

function lengthFindings(answer: GasAnswer): GasFinding[] {
  const onIndex = new Set(answer.indexRun)
  const onRun = answer.pipes.filter(
    (pipe) => onIndex.has(pipe.id) && pipe.segment.length_m?.basis === 'assumed',
  )
  const spare_Pa = answer.indexAllowed_Pa - answer.index.dropTo_Pa
  return onRun.map((pipe): GasFinding => {
    const perMetre = pipe.effective_m > 0 ? pipe.drop_Pa / pipe.effective_m : 0
    const spare_m = perMetre > 0 ? Math.max(0, spare_Pa / perMetre) : 0
    return {
      id: 'gas-length-assumed',
      severity: spare_m < 0.5 * (pipe.segment.length_m?.value ?? 0) ? 'fix' : 'note',
      place: pipe.place,
      names: [pipe.segment.name],
      figures: { length_m: pipe.segment.length_m?.value ?? 0, spare_m },
      source: gasEquationSource(answer),
    }
  })
}

/** The equation of the index appliance's stage. */
function gasEquationSource({ conditions: { method } }: GasAnswer) {
  if (method === 'nfpa54-high') return sources.nfpa54High
  if (inSquares(method)) return sources.isothermalPipe
  if (method === 'darcy') return sources.colebrook
  return method === 'renouard' ? sources.renouard : sources.nfpa54Low
}

function altitudeFindings(document: JobDocument, practice: Practice): GasFinding[] {
  const elevation = document.survey.elevation_m
  if (!elevation || !practice.gas.altitudeDerates) return []
  const factor = altitudeFactor(elevation.value)
  return factor < 1
    ? [
        {
          id: document.gas.derated ? 'gas-derated' : 'gas-altitude',
          severity: 'note',
          place: 'survey.elevation_m',
          figures: { elevation_m: elevation.value, inputRatio: factor },
          source: sources.nfpa54Altitude,
        },
      ]
    : []
}
