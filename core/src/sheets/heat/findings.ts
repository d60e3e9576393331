import type { Outlet } from '../../job/hotWaterDocument'
import { safeOutlet } from '../../practice/safeOutlet'
import { atMost } from '../../answer/expect'
import type { Remedy, Severity } from '../../answer/finding'
import type { HeatFinding } from './wording'
import type { Source } from '../../answer/sources'
import { sources } from '../../answer/sources'
import { hygieneTemp_K, scaldTime_s } from '../../methods/hot-water/scald'
import type { JobDocument } from '../../job/document'
import type { Practice } from '../../practice/practice'
import type { HeatAnswer, OptionAnswer } from './answer'

/**
 * A store whose top is this much hotter than its setting before it is warm is overheated. Source:
 * sources.trade.
 */
export const overheatLimit_K = 10

/**
 * A peak that the middle of the band carries this long is carried: nobody showers longer. Assumed.
 */
const longEnough_s = 600

type Find = (
  id: HeatFinding['id'],
  severity: Severity,
  place: string,
  source: Source,
  figures?: Record<string, number>,
  names?: readonly string[],
  remedy?: Remedy,
) => HeatFinding

const find: Find = (id, severity, place, source, figures = {}, names = [], remedy) => ({
  id,
  severity,
  place,
  source,
  figures,
  names,
  ...(remedy ? { remedy } : {}),
})

/** An option with its figures, and where and how severely is said what it would violate. */
interface Judged {
  readonly document: JobDocument
  readonly answer: HeatAnswer
  readonly one: OptionAnswer
  readonly figures: NonNullable<OptionAnswer['figures']>
  readonly chosen: boolean
  readonly severity: Severity
  readonly place: string
}

function shortOfHotWater({ answer, one, figures, severity, place }: Judged) {
  const { wanted_m3_s } = answer
  const { comparison, option } = one
  if (!comparison || comparison.draw === 'as-long-as-wanted') return undefined
  if (wanted_m3_s === 0 || atMost(wanted_m3_s, comparison.mixed_m3_s)) return undefined
  const { least_s, most_s } = comparison.draw
  return find(
    'option-short-of-hot-water',
    (least_s + most_s) / 2 >= longEnough_s ? 'note' : severity,
    place,
    sources.heatBalance,
    {
      mixed_m3_s: comparison.mixed_m3_s,
      wanted_m3_s,
      lasts_s: figures.store_m3 > 0 ? least_s : 0,
      most_s,
    },
    [option.name],
  )
}

function shortOfHeat({ answer: { load_W }, one, figures, severity, place }: Judged) {
  const { heating_W, burnerInStore } = figures
  if (load_W === 0 || burnerInStore || atMost(load_W, heating_W)) return undefined
  const names = [one.option.name]
  return find(
    'option-short-of-heat',
    severity,
    place,
    sources.arithmetic,
    { heating_W, load_W },
    names,
  )
}

/** Said once, of the chosen one: no way of making hot water helps a main that cannot give it. */
function mainCannot({ document, answer, one, chosen, place }: Judged) {
  const { main_m3_s, wanted_m3_s, wantedGauge_Pa } = answer
  if (!chosen || !document.hotWater || main_m3_s === undefined) return undefined
  if (wanted_m3_s === 0 || atMost(wanted_m3_s, main_m3_s)) return undefined
  const held = { main_m3_s, wanted_m3_s, wantedGauge_Pa }
  return find('option-main-cannot', 'fix', place, sources.hydrantFlow, held, [one.option.name])
}

function meterCannot({ document, one, severity, place }: Judged) {
  const meter_m3_s = document.survey.gasMeter_m3_s?.value
  const flow_m3_s = one.gas_m3_s
  if (meter_m3_s === undefined || atMost(flow_m3_s, meter_m3_s)) return undefined
  const held = { flow_m3_s, meter_m3_s }
  return find('option-meter-cannot', severity, place, sources.continuity, held, [one.option.name])
}

function cycles({ answer: { load_W, mild_W }, one, figures, place }: Judged) {
  const least_W = figures.leastOutput_W
  if (load_W === 0 || least_W === 0 || atMost(least_W, mild_W)) return undefined
  return find('option-cycles', 'note', place, sources.trade, { least_W, mild_W }, [one.option.name])
}

function coilLimits({ one, figures: { coil_W, hotWater_W }, place }: Judged) {
  if (one.comparison?.limitedBy !== 'coil' || coil_W === undefined) return undefined
  const held = { coil_W, hotWater_W }
  return find('option-coil-limits', 'note', place, sources.arithmetic, held, [one.option.name])
}

function storeLayers({ answer: { conditions }, one, severity, place }: Judged) {
  const top = one.comparison?.simulatedReheat
  if (!top || !conditions) return undefined
  const over_K = top.top_K - conditions.storeTemp_K
  if (over_K <= overheatLimit_K) return undefined
  const held = { topTemp_K: top.top_K, over_K }
  return find('option-store-layers', severity, place, sources.layeredStore, held, [one.option.name])
}

const optionRules: readonly ((judged: Judged) => HeatFinding | undefined)[] = [
  shortOfHotWater,
  shortOfHeat,
  mainCannot,
  meterCannot,
  cycles,
  coilLimits,
  storeLayers,
]

/** What an option would violate. On the chosen one it is to be fixed; on the others it is said. */
export function optionFindings(
  document: JobDocument,
  answer: HeatAnswer,
  one: OptionAnswer,
  index: number,
): readonly HeatFinding[] {
  const { figures } = one
  if (!figures) return []
  const chosen = answer.chosen === one
  const judged: Judged = {
    document,
    answer,
    one,
    figures,
    chosen,
    severity: chosen ? 'fix' : 'note',
    place: `heat.options.${index}`,
  }
  return optionRules.flatMap((rule) => rule(judged) ?? [])
}

/** Where people wash; a kitchen sink and a garden tap go by their own rule. */
const washing: readonly Outlet['kind'][] = ['shower', 'bath', 'washbasin']

/** What may scald at an outlet, whatever makes the water hot. */
function scaldFindings(
  outlet: Outlet,
  i: number,
  { site }: JobDocument,
  practice: Practice,
  hottest_K: number,
): HeatFinding[] {
  const safe = safeOutlet(practice, site)
  const place = `hotWater.outlets.${i}`
  if (!washing.includes(outlet.kind) || atMost(hottest_K, safe.temp_K)) return []
  const mix = {
    label: 'have it mixed down',
    edits: [{ path: ['hotWater', 'outlets', i, 'tempered'], value: 'yes' }],
  }
  if (outlet.tempered === 'refused')
    return practice.hotWater.mixingRefusedIn.includes(site.building ?? 'dwelling')
      ? [find('mixing-refused', 'note', place, safe.source, {}, [outlet.name])]
      : [
          find(
            'mixing-not-refused',
            'stop',
            place,
            safe.source,
            { safeTemp_K: safe.temp_K },
            [outlet.name],
            mix,
          ),
        ]
  if (outlet.tempered !== 'no') return []
  const scald_s = scaldTime_s(hottest_K)
  return [
    find(
      'outlet-scalds',
      'fix',
      place,
      safe.source,
      {
        storeTemp_K: hottest_K,
        safeTemp_K: safe.temp_K,
        ...(scald_s === undefined ? {} : { scald_s }),
      },
      [outlet.name],
      mix,
    ),
  ]
}

interface OfHeat {
  readonly document: JobDocument
  readonly practice: Practice
  readonly answer: HeatAnswer
}

function estimated({ document, answer: { estimated_W, load_W } }: OfHeat) {
  if (estimated_W === 0) return undefined
  const i = document.heat.zones.findIndex((zone) => zone.heat.by === 'estimate')
  const held = { estimated_W, load_W }
  return find('heat-estimated', 'note', `heat.zones.${i}`, sources.heatEstimate, held)
}

function demandNotCovered({ practice, answer: { simultaneous } }: OfHeat) {
  if (simultaneous?.by !== 'not-covered') return undefined
  const ownPattern = {
    side: 'b',
    because: 'The table does not cover so few outlets',
    basis: 'chosen',
  }
  return find(
    'demand-not-covered',
    'fix',
    'hotWater.outlets',
    practice.hotWater.demandSource,
    {},
    [`${Math.round(simultaneous.units * 10) / 10} units`],
    {
      label: "use the household's own pattern",
      edits: [{ path: ['schools', 'simultaneousUse'], value: ownPattern }],
    },
  )
}

const oneOptionOnly = ({ document }: OfHeat) =>
  document.heat.options.length === 1
    ? find('one-option-only', 'note', 'heat.options', sources.trade)
    : undefined

const chosenGone = ({ document, answer }: OfHeat) =>
  document.heat.chosen && !answer.chosen
    ? find('chosen-gone', 'fix', 'heat.chosen', sources.arithmetic)
    : undefined

/** Heating output set to over one and a half times the load. Common practice, no source. */
function heatingOutputHigh({ document, answer }: OfHeat) {
  const set_W = document.heat.heatingSet_W?.value ?? 0
  const { load_W, suggestedHeating_W: suggested_W } = answer
  if (load_W === 0 || set_W <= 1.5 * load_W) return undefined
  const suggested = { value: suggested_W, basis: 'assumed', from: 'Load and a tenth' }
  return find(
    'heating-output-high',
    'note',
    'heat.heatingSet_W',
    sources.trade,
    { set_W, load_W, suggested_W },
    [],
    {
      label: 'set the heating output to the building',
      edits: [{ path: ['heat', 'heatingSet_W'], value: suggested }],
    },
  )
}

function storeBreeds({ document, practice, answer: { chosen, storeTemp_K } }: OfHeat) {
  const ways = chosen ? [chosen.option] : document.heat.options
  const stores = ways.some((option) => option.kind !== 'combination')
  if (!document.hotWater || !stores || atMost(hygieneTemp_K, storeTemp_K)) return undefined
  const hot = { side: 'a', because: 'Bacteria do not live at 60 °C', basis: 'chosen' }
  return find(
    'store-breeds',
    practice.hotWater.coolStore,
    'hotWater.storeTemp_K',
    sources.storeHygiene,
    { storeTemp_K, hygieneTemp_K },
    [],
    {
      label: 'store it hot and mix it down',
      edits: [
        { path: ['hotWater', 'storeTemp_K'], value: null },
        { path: ['schools', 'hotWaterTemperature'], value: hot },
      ],
    },
  )
}

function storeBelowOutlet(outlet: Outlet, i: number, storeTemp_K: number): HeatFinding[] {
  if (!outlet.temp_K || atMost(outlet.temp_K.value, storeTemp_K)) return []
  const held = { wantedTemp_K: outlet.temp_K.value, storeTemp_K }
  const place = `hotWater.outlets.${i}`
  return [find('store-below-outlet', 'fix', place, sources.heatBalance, held, [outlet.name])]
}

/** What the demand, the store's setting and the options are found to be. */
export function heatFindings(
  document: JobDocument,
  practice: Practice,
  answer: HeatAnswer,
): readonly HeatFinding[] {
  const of: OfHeat = { document, practice, answer }
  const outlets = document.hotWater?.outlets ?? []
  const { storeTemp_K } = answer
  return [
    estimated(of) ?? [],
    demandNotCovered(of) ?? [],
    // What the others would violate stands beside them in the table.
    answer.options.flatMap((one, i) =>
      one === answer.chosen ? optionFindings(document, answer, one, i) : [],
    ),
    oneOptionOnly(of) ?? [],
    chosenGone(of) ?? [],
    heatingOutputHigh(of) ?? [],
    outlets.flatMap((outlet, i) => scaldFindings(outlet, i, document, practice, storeTemp_K)),
    storeBreeds(of) ?? [],
    outlets.flatMap((outlet, i) => storeBelowOutlet(outlet, i, storeTemp_K)),
  ].flat()
}
