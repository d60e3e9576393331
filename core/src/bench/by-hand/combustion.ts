import {
  airRatio,
  co2FromO2,
  co2Most,
  coAirFree,
  coRatio,
  dewPoint,
  flueLossNet,
} from '../../methods/combustion/combustion'
import { siteAtmosphere_Pa } from '../../job/siteAtmosphere'
import { burnerHere } from './madeOn'
import type { Show } from '../../units/format'
import type { At, Figure, Found, Given, HandTest } from './spec'
import { cannotTell, failed, passed } from './spec'

/** Natural gas counts as methane. Loss figures of Siegert: German 1. BImSchV, from memory. */
const burnt = {
  'natural-gas': { carbon: 1, hydrogen: 4, siegert: { a1: 0.37, a2: 0.66, b: 0.009 } },
  propane: { carbon: 3, hydrogen: 8, siegert: { a1: 0.42, a2: 0.63, b: 0.008 } },
} as const

/**
 * By so much may oxygen and CO2 of one flue gas be apart, a share: past it one of them is wrong.
 * Assumed.
 */
const apart = 0.006

/** Under this share of CO2 it is air that is read. Assumed. */
const leastCo2 = 0.005

interface FlueGas {
  readonly o2: number
  readonly co2: number
  readonly co: number
}

const percent = (share: number): string => `${(100 * share).toFixed(1)} %`

/** Why what was read cannot be flue gas of this fuel; undefined where it can. */
function notFlueGas(
  { o2, co2 }: Given,
  { most, airOxygen }: { readonly most: number; readonly airOxygen: number },
): string | undefined {
  if (o2 === undefined && co2 === undefined) return 'Oxygen or CO2 is needed, one of the two.'
  if (o2 !== undefined && o2 >= airOxygen)
    return 'That much oxygen is air: the probe is not in the flue gas.'
  if (co2 !== undefined && co2 > most * 1.02)
    return `This gas cannot give more than ${percent(most)} of CO2.`
  const byOxygen = o2 === undefined ? co2 : co2FromO2(o2, most, airOxygen)
  if (byOxygen === undefined) return undefined
  if (byOxygen < leastCo2) return 'Hardly any CO2: the probe is not in the flue gas.'
  return co2 !== undefined && Math.abs(byOxygen - co2) > apart
    ? `With that oxygen ${percent(byOxygen)} of CO2 goes. One of the two is wrong: look at the probe, the fuel set in the analyser, and for leaks in the hose.`
    : undefined
}

/**
 * Oxygen and CO2 from the one that was read, or both; a sentence where they cannot be of one flue
 * gas.
 */
function flueGasOf(given: Given, { document, practice }: At): FlueGas | string {
  const { airOxygen } = practice.flueGas
  const most = co2Most(burnt[document.survey.fuel], airOxygen).co2
  const why = notFlueGas(given, { most, airOxygen })
  if (why !== undefined) return why
  const { o2, co2 = co2FromO2(o2 ?? 0, most, airOxygen), co = 0 } = given
  return { o2: o2 ?? airOxygen * (1 - co2 / most), co2, co }
}

/** What follows from the flue gas: ratio, excess air, losses, where it condenses. */
function figuresOf(flue: FlueGas, given: Given, at: At, show: Show): Figure[] {
  const { airOxygen } = at.practice.flueGas
  const { fuel } = at.document.survey
  const { flue_K, air_K } = given
  const ratio = airRatio(flue.o2, airOxygen)
  const loss =
    flue_K === undefined || air_K === undefined
      ? undefined
      : flueLossNet({ flueTemp_K: flue_K, airTemp_K: air_K }, { o2: flue.o2 }, burnt[fuel].siegert)
  return [
    { label: 'CO2', told: show(flue.co2, 'ratio') },
    { label: 'Oxygen', told: show(flue.o2, 'ratio') },
    { label: 'CO over CO2', told: coRatio(flue.co, flue.co2).toFixed(4) },
    {
      label: 'CO without excess air',
      told: show(coAirFree(flue.co, flue.o2, airOxygen), 'co-share'),
    },
    // The dry-gas balance and the dew point are those of methane.
    ...(fuel === 'natural-gas'
      ? [
          { label: 'Excess air', told: show(ratio - 1, 'ratio', 0) },
          {
            label: 'Condenses below',
            told: show(
              dewPoint(ratio, airOxygen, siteAtmosphere_Pa(at.document)).temp_K,
              'temperature',
              0,
            ),
          },
        ]
      : []),
    ...(loss === undefined
      ? []
      : [
          { label: 'Efficiency by dry flue loss, net', told: show(1 - loss, 'ratio') },
          {
            label: 'The same of gross heat',
            told: show((1 - loss) / at.gas.grossOverNet, 'ratio'),
          },
        ]),
  ]
}

/** The limit of the practice that is passed, the worst first; undefined where none is. */
function pastLimit(
  flue: FlueGas,
  at: At,
  show: Show,
): Pick<Found, 'severity' | 'says'> | undefined {
  const { limits, airOxygen } = at.practice.flueGas
  const { airFree = Infinity, action = Infinity, commission = Infinity } = limits
  const ratio = coRatio(flue.co, flue.co2)
  const free = coAirFree(flue.co, flue.o2, airOxygen)
  if (free > airFree)
    return {
      severity: 'stop',
      says: `${show(free, 'co-share')} of CO without excess air; ${show(airFree, 'co-share')} is the most. Turn it off and keep it off until it is put right.`,
    }
  if (ratio >= action)
    return {
      severity: 'stop',
      says: `CO over CO2 is ${ratio.toFixed(4)}; from ${action} on it is turned off and kept off until it is put right.`,
    }
  return ratio >= commission
    ? {
        severity: 'fix',
        says: `CO over CO2 is ${ratio.toFixed(4)}; under ${commission} is wanted when it is handed over.`,
      }
    : undefined
}

/** Half of the last digit an analyser shows of CO2, a share. */
const lastDigit = 5e-5

/** Held against the limits of the practice first, then against the maker's band. */
function judged(
  flue: FlueGas,
  { low_co2, high_co2 }: Given,
  at: At,
  figures: readonly Figure[],
  show: Show,
): Found {
  const past = pastLimit(flue, at, show)
  if (past) return failed(past.severity ?? 'stop', past.says, figures)
  const [low, high] = [low_co2 ?? 0, high_co2 ?? 1]
  if (flue.co2 < low - lastDigit || flue.co2 > high + lastDigit)
    return failed(
      'fix',
      `${show(flue.co2, 'ratio')} of CO2; the maker gives ${show(low, 'ratio')} to ${show(high, 'ratio')}.`,
      figures,
    )
  const says = `CO over CO2 is ${coRatio(flue.co, flue.co2).toFixed(4)}, with ${show(flue.co2, 'ratio')} of CO2.`
  return low_co2 === undefined || high_co2 === undefined
    ? passed(`${says} The maker’s band of CO2 was not looked up.`, figures)
    : passed(says, figures)
}

/** Above this flue temperature less the air's it is no reading of a house's boiler, K. Assumed. */
const hottest_K = 600

const combustionAt = (id: string, rate: string): HandTest => ({
  id,
  name: `Flue gas at the ${rate} rate`,
  why: 'Case on, steady for ten minutes, by an analyser that was zeroed in fresh air outdoors. CO kills: where the limit is passed it is off, and somebody opens the windows.',
  at: 'each-flue',
  asks: [
    { key: 'o2', label: 'Oxygen', measure: 'ratio', live: 'o2', optional: 'CO2 will do instead.' },
    {
      key: 'co2',
      label: 'CO2',
      measure: 'ratio',
      live: 'co2',
      optional: 'Oxygen will do instead.',
    },
    { key: 'co', label: 'CO', measure: 'co-share', live: 'co' },
    {
      key: 'flue_K',
      label: '{Flue} gas',
      measure: 'temperature',
      live: 'flue_K',
      optional: 'For the efficiency.',
    },
    {
      key: 'air_K',
      label: 'Air it burns',
      measure: 'temperature',
      live: 'air_K',
      optional: 'For the efficiency.',
    },
    {
      key: 'low_co2',
      label: 'Lowest CO2 the maker gives',
      measure: 'ratio',
      optional: 'If the maker says.',
    },
    { key: 'high_co2', label: 'Highest', measure: 'ratio', optional: 'If the maker says.' },
  ],
  confirms: [{ id: 'zeroed', says: 'The analyser was zeroed in fresh air, and is in date' }],
  madeOn: burnerHere,
  source: ({ flueGas }) => flueGas.source,
  judge: (given, at, show) => {
    const flue = flueGasOf(given, at)
    if (typeof flue === 'string') return cannotTell(flue)
    const { flue_K, air_K } = given
    if (
      flue_K !== undefined &&
      air_K !== undefined &&
      (flue_K < air_K || flue_K - air_K > hottest_K)
    )
      return cannotTell(
        `Flue gas of ${show(flue_K, 'temperature', 0)} with air of ${show(air_K, 'temperature', 0)}: read both again.`,
      )
    return judged(flue, given, at, figuresOf(flue, given, at, show), show)
  },
})

/**
 * Flue gas as an analyser reads it. Source: the practice's limits; formulas of methods/combustion.
 */
export const combustionHigh = combustionAt('combustion-high', 'high')
export const combustionLow = combustionAt('combustion-low', 'low')
