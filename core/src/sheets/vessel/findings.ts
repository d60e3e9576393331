import type { Remedy } from '../../answer/finding'
import type { VesselFinding } from './wording'
import { atMost } from '../../answer/expect'
import { sources } from '../../answer/sources'
import type { Appliance, JobDocument } from '../../job/document'
import type { Heating } from '../../job/pressureDocument'
import { noFlowHead_Pa } from '../../job/heatingPump'
import { waterDensity_kg_m3 } from '../../methods/water/water'
import { gravity_m_s2 } from '../../units/units'
import type { Practice } from '../../practice/practice'
import { showIn } from '../../units/format'
import { nextSize_m3 } from '../../methods/vessel/catalogue'
import { reliefLiftsGauge_Pa } from '../../methods/vessel/sizing'
import type { VesselAnswer } from './answer'

/** A charge this near its target needs nothing done to it. Common practice, no source. */
const chargeTolerance_Pa = 5000
/**
 * Above this elevation the thinner air changes an answer by more than a vessel size step may hide.
 * Assumed.
 */
const highSite_m = 600

const methodSource = (practice: Practice) =>
  practice.vessel.method === 'en12828' ? sources.en12828 : sources.handbookTank

/** What is wrong with, or worth saying of, a designed vessel. */
export function vesselFindings(
  document: JobDocument,
  heating: Heating,
  practice: Practice,
  answer: VesselAnswer,
  boiler: Appliance | undefined,
): readonly VesselFinding[] {
  return [
    ...reliefFindings(practice, answer, heating),
    ...sizeFindings(practice, answer),
    ...forecastFindings(practice, answer),
    ...chargeFindings(heating, answer, practice, boiler, document),
    ...contentFindings(answer, practice),
    ...siteFindings(document, answer),
    ...(answer.fitted_m3 > 0 ? positionFindings(heating.position, 'heating.position') : []),
    ...heating.furtherVessels.flatMap((vessel, i) =>
      vessel.position ? positionFindings(vessel.position, `heating.furtherVessels.${i}`) : [],
    ),
    ...countsNothing(heating, answer),
    ...pumpFindings(heating, answer),
    ...stateFindings(heating, answer),
    ...presetFindings(heating, practice, answer),
  ]
}

/** Under this the setting and what a part sees are read as one figure. */
const plain_Pa = 2000

function reliefFindings(
  practice: Practice,
  { inputs, weakest, reliefAssumed }: VesselAnswer,
  heating: Heating,
): VesselFinding[] {
  const show = showIn(practice.units)
  const place = 'heating.reliefSetGauge_Pa'
  const tooHigh = weakest !== undefined && !atMost(weakest.seenGauge_Pa, weakest.limitGauge_Pa)
  /** What the height and the pump put on top of the setting. */
  const more_Pa = weakest ? weakest.seenGauge_Pa - inputs.reliefSetGauge_Pa : 0
  const lower =
    weakest &&
    practice.vessel.reliefSteps_Pa
      .filter((step) => atMost(step + more_Pa, weakest.limitGauge_Pa))
      .pop()
  return [
    ...(tooHigh
      ? [
          {
            id: Math.abs(more_Pa) < plain_Pa ? 'relief-above-weakest' : 'part-sees-more',
            severity: 'stop',
            place,
            source: sources.asmeIV,
            names: [weakest.name],
            figures: {
              reliefSetGauge_Pa: inputs.reliefSetGauge_Pa,
              limitGauge_Pa: weakest.limitGauge_Pa,
              seenGauge_Pa: weakest.seenGauge_Pa,
            },
            ...(lower === undefined
              ? {}
              : {
                  remedy: setKnown(
                    `use a ${show(lower, 'water-pressure')} ${practice.words.reliefValve}`,
                    ['heating', 'reliefSetGauge_Pa'],
                    lower,
                    'Chosen',
                  ),
                }),
          } satisfies VesselFinding,
        ]
      : []),
    ...(reliefAssumed && !tooHigh
      ? [
          {
            id: 'relief-assumed',
            severity: 'fix',
            place,
            source: sources.trade,
            figures: { reliefSetGauge_Pa: inputs.reliefSetGauge_Pa },
            ...(heating.reliefSetGauge_Pa
              ? {}
              : {
                  remedy: setKnown(
                    `fit ${show(inputs.reliefSetGauge_Pa, 'water-pressure')} and record it`,
                    ['heating', 'reliefSetGauge_Pa'],
                    inputs.reliefSetGauge_Pa,
                    'Chosen',
                  ),
                }),
          } satisfies VesselFinding,
        ]
      : []),
  ]
}

const setKnown = (
  label: string,
  path: readonly (string | number)[],
  value: number,
  from: string,
): Remedy => ({ label, edits: [{ path, value: { value, basis: 'read', from } }] })

function sizeFindings(
  practice: Practice,
  {
    need,
    fitted_m3,
    fill,
    fillAtVesselGauge_Pa: fillGauge_Pa,
    fillByHand,
    chosenByHand,
  }: VesselAnswer,
): VesselFinding[] {
  const source = methodSource(practice)
  const tooSmall = fitted_m3 < need.neededNew_m3 * (1 - 1e-9)
  const show = showIn(practice.units)
  const bigger = nextSize_m3(need.neededNew_m3, practice.vessel.sizes_m3)
  const outside =
    fill.window &&
    !tooSmall &&
    (fillGauge_Pa < fill.window.leastGauge_Pa - 500 ||
      fillGauge_Pa > fill.window.greatestGauge_Pa + 500)
  return [
    ...(tooSmall && chosenByHand
      ? [
          {
            id: 'vessel-too-small',
            severity: 'stop',
            place: 'heating.vesselSize_m3',
            source,
            figures: { needed_m3: need.neededNew_m3, fitted_m3 },
            ...(bigger === undefined
              ? {}
              : {
                  remedy: {
                    label: `take the ${show(bigger, 'small-volume')} ${practice.words.vessel}`,
                    edits: [{ path: ['heating', 'vesselSize_m3'], value: bigger }],
                  },
                }),
          } satisfies VesselFinding,
        ]
      : []),
    ...(outside && fill.window && fillByHand
      ? [
          {
            id: 'fill-outside-window',
            severity: 'fix',
            place: 'heating.fillGauge_Pa',
            source,
            figures: {
              fillGauge_Pa,
              leastGauge_Pa: fill.window.leastGauge_Pa,
              greatestGauge_Pa: fill.window.greatestGauge_Pa,
            },
            remedy: {
              label: `fill to ${show(fill.targetGauge_Pa, 'water-pressure')}`,
              edits: [{ path: ['heating', 'fillGauge_Pa'], value: null }],
            },
          } satisfies VesselFinding,
        ]
      : []),
  ]
}

/** What mends a vessel that takes too little: the fill it wants, or the next one that is sold. */
function forecastRemedy(
  practice: Practice,
  { fitted_m3, fill, fillByHand }: VesselAnswer,
): Remedy | undefined {
  const show = showIn(practice.units)
  if (fillByHand)
    return {
      label: `fill to ${show(fill.targetGauge_Pa, 'water-pressure')}`,
      edits: [{ path: ['heating', 'fillGauge_Pa'], value: null }],
    }
  const next = practice.vessel.sizes_m3.find((size) => size > fitted_m3 * (1 + 1e-6))
  if (next === undefined) return undefined
  return {
    label: `take the ${show(next, 'small-volume')} ${practice.words.vessel}`,
    edits: [{ path: ['heating', 'vesselSize_m3'], value: next }],
  }
}

function forecastFindings(practice: Practice, answer: VesselAnswer): VesselFinding[] {
  const { forecast, need, inputs, fitted_m3 } = answer
  const place = 'heating.vesselSize_m3'
  const remedy = forecastRemedy(practice, answer)
  const withRemedy = remedy ? { remedy } : {}
  if (forecast.outcome === 'no-air-left')
    return [
      {
        id: 'forecast-no-air-left',
        severity: 'stop',
        place,
        source: sources.gasLaw,
        figures: { fitted_m3 },
        ...withRemedy,
      },
    ]
  const liftsAt_Pa = reliefLiftsGauge_Pa(inputs)
  const figures = {
    hotGauge_Pa: forecast.hotGauge_Pa,
    finalGauge_Pa: need.finalGauge_Pa,
    reliefSetGauge_Pa: liftsAt_Pa,
  }
  if (forecast.hotGauge_Pa >= liftsAt_Pa)
    return [
      {
        id: 'forecast-past-relief',
        severity: 'stop',
        place,
        source: sources.gasLaw,
        figures,
        ...withRemedy,
      },
    ]
  if (forecast.hotGauge_Pa > need.finalGauge_Pa + 500)
    return [
      {
        id: 'forecast-eats-margin',
        severity: 'fix',
        place,
        source: sources.gasLaw,
        figures,
        ...withRemedy,
      },
    ]
  return []
}

function chargeFindings(
  heating: Heating,
  { need, fitted_m3, builtIn, inputs }: VesselAnswer,
  practice: Practice,
  boiler: Appliance | undefined,
  document: JobDocument,
): VesselFinding[] {
  const delivered = heating.deliveredChargeGauge_Pa?.value ?? practice.vessel.factoryFillGauge_Pa
  const source = methodSource(practice)
  const boilerIndex = document.appliances.findIndex((appliance) => appliance.id === boiler?.id)
  const factory = practice.vessel.factoryFillGauge_Pa
  return [
    ...(delivered !== undefined &&
    fitted_m3 > 0 &&
    Math.abs(delivered - need.chargeGauge_Pa) > chargeTolerance_Pa
      ? [
          {
            id: 'charge-as-delivered',
            severity: 'note',
            place: 'heating.deliveredChargeGauge_Pa',
            source,
            figures: { deliveredGauge_Pa: delivered, chargeGauge_Pa: need.chargeGauge_Pa },
          } satisfies VesselFinding,
        ]
      : []),
    ...(builtIn && Math.abs(builtIn.chargeGauge_Pa - need.chargeGauge_Pa) > chargeTolerance_Pa
      ? [
          {
            id: 'built-in-charge-differs',
            severity: 'note',
            place: `appliances.${boilerIndex}.builtInChargeGauge_Pa`,
            source: sources.gasLaw,
            figures: {
              builtInGauge_Pa: builtIn.chargeGauge_Pa,
              chargeGauge_Pa: need.chargeGauge_Pa,
              counts_m3: need.builtInCounts_m3,
              volume_m3: builtIn.volume_m3,
            },
          } satisfies VesselFinding,
        ]
      : []),
    ...(factory !== undefined && need.chargeGauge_Pa > factory + practice.vessel.fillTolerance_Pa
      ? [
          {
            id: 'factory-fill-too-low',
            severity: 'note',
            place: 'survey.topEmitterHeight_m',
            source: sources.naFill,
            figures: {
              factoryGauge_Pa: factory,
              fillGauge_Pa: need.chargeGauge_Pa,
              height_m: inputs.height_m,
            },
          } satisfies VesselFinding,
        ]
      : []),
  ]
}

function contentFindings(
  { content, goodFor_m3 }: VesselAnswer,
  practice: Practice,
): VesselFinding[] {
  if (content.assumed_m3 <= 0) return []
  const spare_m3 = goodFor_m3 - content.total_m3
  const carries = content.assumed_m3 * 0.2 > spare_m3
  return [
    {
      id: 'content-assumed',
      severity: carries ? 'fix' : 'note',
      place: 'heating.content',
      source: methodSource(practice),
      figures: { assumed_m3: content.assumed_m3, total_m3: content.total_m3, goodFor_m3 },
    },
  ]
}

function siteFindings(document: JobDocument, { inputs }: VesselAnswer): VesselFinding[] {
  const { sizeOn, maxFlowTemp_K, highLimitTemp_K, elevation_m } = document.survey
  const limit = highLimitTemp_K?.value ?? 0
  return [
    ...(sizeOn.on === 'flow' && limit > (maxFlowTemp_K?.value ?? 0)
      ? [
          {
            id: 'sized-on-flow-temperature',
            severity: 'note',
            place: 'survey.highLimitTemp_K',
            source: sources.trade,
            names: [sizeOn.because],
            figures: { maxTemp_K: inputs.maxTemp_K, limitTemp_K: limit },
          } satisfies VesselFinding,
        ]
      : []),
    ...(elevation_m && elevation_m.value > highSite_m
      ? [
          {
            id: 'high-site',
            severity: 'note',
            place: 'survey.elevation_m',
            source: sources.standardAtmosphere,
            figures: { elevation_m: elevation_m.value, atmosphereAbs_Pa: inputs.atmosphere_Pa },
          } satisfies VesselFinding,
        ]
      : []),
  ]
}

function positionFindings(position: Heating['position'], where: string): VesselFinding[] {
  const { side, between, from, carriedBy } = position
  const at = (
    id: VesselFinding['id'],
    severity: VesselFinding['severity'],
    key: keyof typeof position,
  ): VesselFinding => ({
    id,
    severity,
    place: where === 'heating.position' ? `${where}.${key}` : where,
    source: sources.trade,
  })
  return [
    ...(between === 'plain-valve' ? [at('vessel-can-be-shut', 'stop', 'between')] : []),
    ...(between === 'zone-valve' ? [at('vessel-on-zone', 'fix', 'between')] : []),
    ...(side === 'delivery' ? [at('vessel-after-pump', 'fix', 'side')] : []),
    ...(from === 'above' ? [at('vessel-from-above', 'note', 'from')] : []),
    ...(carriedBy === 'pipe' ? [at('vessel-hangs-on-pipe', 'fix', 'carriedBy')] : []),
  ]
}

/** Least pressure over the boil at the highest point. Common practice, no source. */
const boilMargin_Pa = 20000

function stateFindings(
  heating: Heating,
  { vapourMargin_Pa, acceptedRatio, need, inputs, fitted_m3 }: VesselAnswer,
): VesselFinding[] {
  const limit = heating.vesselAcceptance?.value
  return [
    ...(vapourMargin_Pa !== undefined && vapourMargin_Pa < boilMargin_Pa
      ? [
          {
            id: 'near-the-boil',
            severity: vapourMargin_Pa < 0 ? 'stop' : 'fix',
            place: 'survey.maxFlowTemp_K',
            source: sources.if97,
            figures: { margin_Pa: Math.max(0, vapourMargin_Pa), maxTemp_K: inputs.maxTemp_K },
          } satisfies VesselFinding,
        ]
      : []),
    ...(limit !== undefined && acceptedRatio !== undefined && acceptedRatio > limit * (1 + 1e-6)
      ? [
          {
            id: 'vessel-over-acceptance',
            severity: 'fix',
            place: 'heating.vesselAcceptance',
            source: sources.maker,
            figures: { acceptedRatio, limitRatio: limit, fitted_m3 },
          } satisfies VesselFinding,
        ]
      : []),
    ...(heating.chargeGauge_Pa && heating.chargeGauge_Pa.value < need.staticHead_Pa
      ? [
          {
            id: 'charge-below-head',
            severity: 'stop',
            place: 'heating.chargeGauge_Pa',
            source: sources.gasLaw,
            figures: { chargeGauge_Pa: heating.chargeGauge_Pa.value, head_Pa: need.staticHead_Pa },
            remedy: {
              label: 'take the computed charge',
              edits: [{ path: ['heating', 'chargeGauge_Pa'], value: null }],
            },
          } satisfies VesselFinding,
        ]
      : []),
  ]
}

/**
 * What arrived preset: the charge and the feed as they came, and whether either has to be changed.
 */
function presetFindings(
  heating: Heating,
  practice: Practice,
  { need, fillGauge_Pa, fitted_m3, builtIn }: VesselAnswer,
): VesselFinding[] {
  const feed = heating.feedSetGauge_Pa?.value ?? practice.vessel.factoryFillGauge_Pa
  const delivered =
    fitted_m3 === 0
      ? builtIn?.chargeGauge_Pa
      : (heating.deliveredChargeGauge_Pa?.value ?? practice.vessel.factoryFillGauge_Pa)
  if (feed === undefined) return []
  const feedOff = Math.abs(feed - fillGauge_Pa) > practice.vessel.fillTolerance_Pa
  const chargeOff =
    delivered !== undefined && Math.abs(delivered - need.chargeGauge_Pa) > chargeTolerance_Pa
  const figures = { feedGauge_Pa: feed, fillGauge_Pa, chargeGauge_Pa: need.chargeGauge_Pa }
  if (feedOff)
    return [
      {
        id: 'feed-to-be-set',
        severity: 'note',
        place: 'heating.feedSetGauge_Pa',
        source: sources.trade,
        figures,
      },
    ]
  return chargeOff
    ? []
    : [
        {
          id: 'preset-suits',
          severity: 'note',
          place: 'heating.feedSetGauge_Pa',
          source: sources.trade,
          figures,
        },
      ]
}

/** A vessel whose charge is at or above the final pressure never takes a drop. */
function countsNothing(
  { furtherVessels }: Heating,
  { need, builtIn }: VesselAnswer,
): VesselFinding[] {
  const idle = (name: string, place: string, chargeGauge_Pa: number): VesselFinding[] =>
    chargeGauge_Pa < need.finalGauge_Pa
      ? []
      : [
          {
            id: 'vessel-counts-nothing',
            severity: 'fix',
            place,
            source: sources.gasLaw,
            names: [name],
            figures: { chargeGauge_Pa, finalGauge_Pa: need.finalGauge_Pa },
          },
        ]
  return [
    ...(builtIn ? idle('The built-in vessel', 'heating.boilerId', builtIn.chargeGauge_Pa) : []),
    ...furtherVessels.flatMap((vessel, i) =>
      vessel.chargeGauge_Pa
        ? idle(vessel.name, `heating.furtherVessels.${i}`, vessel.chargeGauge_Pa.value)
        : [],
    ),
  ]
}

/**
 * With the vessel after the pump, the rest of the circuit is pulled below its standing pressure by
 * the pump's head.
 */
function pumpFindings(
  heating: Heating,
  { inputs, fillGauge_Pa, fitted_m3 }: VesselAnswer,
): VesselFinding[] {
  const head_Pa = noFlowHead_Pa(heating)
  if (heating.position.side !== 'delivery' || head_Pa === undefined || fitted_m3 === 0) return []
  const top_m = inputs.height_m + (heating.vesselHeight_m?.value ?? 0)
  const topGauge_Pa = fillGauge_Pa - waterDensity_kg_m3(inputs.fillTemp_K) * gravity_m_s2 * top_m
  return topGauge_Pa - head_Pa >= 0
    ? []
    : [
        {
          id: 'pump-draws-air',
          severity: 'stop',
          place: 'heating.position.side',
          source: sources.gasLaw,
          figures: { topGauge_Pa, head_Pa, leastGauge_Pa: topGauge_Pa - head_Pa },
        },
      ]
}
