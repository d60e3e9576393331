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

/** What an option would violate. On the chosen one it is to be fixed; on the others it is said. */
export function optionFindings(
  document: JobDocument,
  answer: HeatAnswer,
  one: OptionAnswer,
  index: number,
): readonly HeatFinding[] {
  const { option, figures, comparison } = one
  if (!figures) return []
  const chosen = answer.chosen === one
  const severity: Severity = chosen ? 'fix' : 'note'
  const place = `heat.options.${index}`
  const meter = document.survey.gasMeter_m3_s?.value
  const { wanted_m3_s, wantedGauge_Pa, load_W, mild_W, main_m3_s, conditions } = answer
  const top = comparison?.simulatedReheat
  const lasts = comparison?.draw === 'as-long-as-wanted' ? undefined : comparison?.draw
  const over_K = top && conditions ? top.top_K - conditions.storeTemp_K : 0
  return [
    ...(comparison && lasts && wanted_m3_s > 0 && !atMost(wanted_m3_s, comparison.mixed_m3_s)
      ? [
          find(
            'option-short-of-hot-water',
            (lasts.least_s + lasts.most_s) / 2 >= longEnough_s ? 'note' : severity,
            place,
            sources.heatBalance,
            {
              mixed_m3_s: comparison.mixed_m3_s,
              wanted_m3_s,
              lasts_s: figures.store_m3 > 0 ? lasts.least_s : 0,
              most_s: lasts.most_s,
            },
            [option.name],
          ),
        ]
      : []),
    ...(load_W > 0 && !figures.burnerInStore && !atMost(load_W, figures.heating_W)
      ? [
          find(
            'option-short-of-heat',
            severity,
            place,
            sources.arithmetic,
            { heating_W: figures.heating_W, load_W },
            [option.name],
          ),
        ]
      : []),
    ...(document.hotWater &&
    main_m3_s !== undefined &&
    wanted_m3_s > 0 &&
    !atMost(wanted_m3_s, main_m3_s) &&
    chosen
      ? [
          find(
            'option-main-cannot',
            'fix',
            place,
            sources.hydrantFlow,
            { main_m3_s, wanted_m3_s, wantedGauge_Pa },
            [option.name],
          ),
        ]
      : []),
    ...(meter !== undefined && !atMost(one.gas_m3_s, meter)
      ? [
          find(
            'option-meter-cannot',
            severity,
            place,
            sources.continuity,
            { flow_m3_s: one.gas_m3_s, meter_m3_s: meter },
            [option.name],
          ),
        ]
      : []),
    ...(load_W > 0 && figures.leastOutput_W > 0 && !atMost(figures.leastOutput_W, mild_W)
      ? [
          find(
            'option-cycles',
            'note',
            place,
            sources.trade,
            { least_W: figures.leastOutput_W, mild_W },
            [option.name],
          ),
        ]
      : []),
    ...(comparison?.limitedBy === 'coil' && figures.coil_W !== undefined
      ? [
          find(
            'option-coil-limits',
            'note',
            place,
            sources.arithmetic,
            { coil_W: figures.coil_W, hotWater_W: figures.hotWater_W },
            [option.name],
          ),
        ]
      : []),
    ...(over_K > overheatLimit_K && top
      ? [
          find(
            'option-store-layers',
            severity,
            place,
            sources.layeredStore,
            { topTemp_K: top.top_K, over_K },
            [option.name],
          ),
        ]
      : []),
  ]
}

/** What the demand, the store's setting and the options are found to be. */
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

export function heatFindings(
  document: JobDocument,
  practice: Practice,
  answer: HeatAnswer,
): readonly HeatFinding[] {
  const { heat, hotWater } = document
  const { storeTemp_K } = answer
  const rules = practice.hotWater
  const stores = answer.chosen
    ? answer.chosen.option.kind !== 'combination'
    : heat.options.some((option) => option.kind !== 'combination')
  const hottest_K = storeTemp_K
  return [
    ...(answer.estimated_W > 0
      ? [
          find(
            'heat-estimated',
            'note',
            `heat.zones.${heat.zones.findIndex((zone) => zone.heat.by === 'estimate')}`,
            sources.heatEstimate,
            { estimated_W: answer.estimated_W, load_W: answer.load_W },
          ),
        ]
      : []),
    ...(answer.simultaneous?.by === 'not-covered'
      ? [
          find(
            'demand-not-covered',
            'fix',
            'hotWater.outlets',
            rules.demandSource,
            {},
            [`${Math.round(answer.simultaneous.units * 10) / 10} units`],
            {
              label: "use the household's own pattern",
              edits: [
                {
                  path: ['schools', 'simultaneousUse'],
                  value: {
                    side: 'b',
                    because: 'The table does not cover so few outlets',
                    basis: 'chosen',
                  },
                },
              ],
            },
          ),
        ]
      : []),
    // What the others would violate stands beside them in the table.
    ...answer.options.flatMap((one, i) =>
      one === answer.chosen ? optionFindings(document, answer, one, i) : [],
    ),
    ...(heat.options.length === 1
      ? [find('one-option-only', 'note', 'heat.options', sources.trade)]
      : []),
    ...(heat.chosen && !answer.chosen
      ? [find('chosen-gone', 'fix', 'heat.chosen', sources.arithmetic)]
      : []),
    ...(heat.heatingSet_W && answer.load_W > 0 && heat.heatingSet_W.value > 1.5 * answer.load_W
      ? [
          find(
            'heating-output-high',
            'note',
            'heat.heatingSet_W',
            sources.trade,
            {
              set_W: heat.heatingSet_W.value,
              load_W: answer.load_W,
              suggested_W: answer.suggestedHeating_W,
            },
            [],
            {
              label: 'set the heating output to the building',
              edits: [
                {
                  path: ['heat', 'heatingSet_W'],
                  value: {
                    value: answer.suggestedHeating_W,
                    basis: 'assumed',
                    from: 'Load and a tenth',
                  },
                },
              ],
            },
          ),
        ]
      : []),
    ...(hotWater
      ? hotWater.outlets.flatMap((outlet, i) =>
          scaldFindings(outlet, i, document, practice, hottest_K),
        )
      : []),
    ...(hotWater && stores
      ? [
          ...(!atMost(hygieneTemp_K, storeTemp_K)
            ? [
                find(
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
                      {
                        path: ['schools', 'hotWaterTemperature'],
                        value: {
                          side: 'a',
                          because: 'Bacteria do not live at 60 °C',
                          basis: 'chosen',
                        },
                      },
                    ],
                  },
                ),
              ]
            : []),
        ]
      : []),
    ...(hotWater
      ? hotWater.outlets.flatMap((outlet, i) =>
          outlet.temp_K && !atMost(outlet.temp_K.value, storeTemp_K)
            ? [
                find(
                  'store-below-outlet',
                  'fix',
                  `hotWater.outlets.${i}`,
                  sources.heatBalance,
                  { wantedTemp_K: outlet.temp_K.value, storeTemp_K },
                  [outlet.name],
                ),
              ]
            : [],
        )
      : []),
  ]
}
