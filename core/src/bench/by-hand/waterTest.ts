import { airShareOf, elasticRise_Pa_K, liquidLost_m3 } from '../../methods/test/liquidFull'
import { standardAtmosphere_Pa } from '../../units/units'
import type { Practice } from '../../practice/practice'
import { durationWords } from '../../units/format'
import type { Show } from '../../units/format'
import { waterPipes } from './madeOn'
import type { AskFigure, Figure, Given, HandTest } from './spec'
import { cannotTell, failed, passed } from './spec'

/** Fall that a gauge for water shows as none, Pa: a tenth of a bar. Common practice, no source. */
const perceptible_Pa = 1e4
/**
 * A copper pipe of 22 mm: what a kelvin is worth in it stands for what it is worth in any small
 * metal pipe. Assumed.
 */
const metal = { bore_m: 0.0202, wall_m: 0.0009, modulus_Pa: 120e9 } as const
const metalGrowth_1_K = 16.6e-6

const wanted_Pa = ({ working_Pa = 0 }: Given, { waterTest }: Practice): number =>
  Math.max(waterTest.factor * working_Pa, waterTest.least_Pa)

/** What the water in a metal pipe gains by a kelvin, Pa. Source: sources.thinWall. */
const perKelvin_Pa = (temp_K: number): number =>
  elasticRise_Pa_K({
    temp_K,
    wall: metal,
    growth_1_K: metalGrowth_1_K,
    ends: 'hoop-only',
    poisson: 0.34,
  })

const usualTemp_K = 288.15

const p = (show: Show) => (si: number) => show(si, 'water-pressure')

/**
 * What the change of temperature did to a pipe full of water, Pa; undefined where it was not read.
 */
const warmth_Pa = ({ startTemp_K, endTemp_K }: Given): number | undefined =>
  startTemp_K === undefined || endTemp_K === undefined
    ? undefined
    : perKelvin_Pa(startTemp_K) * (endTemp_K - startTemp_K)

/** What two readings of a gauge for water may be apart by reading alone, Pa. */
const readTo_Pa = perceptible_Pa / 2
/**
 * A probe on the outside sees a third of what the water does: twice the seen change stays unseen,
 * and never less than this, K. Assumed.
 */
const unseen = { times: 2, least_K: 0.05, unread_K: 0.5 } as const

/**
 * How far the fall may be from what the gauge shows, Pa: how it is read, and warmth that nobody
 * saw.
 */
function doubt_Pa({ startTemp_K, endTemp_K }: Given): number {
  const isRead = startTemp_K !== undefined && endTemp_K !== undefined
  const unseen_K = isRead
    ? Math.max(unseen.times * Math.abs(endTemp_K - startTemp_K), unseen.least_K)
    : unseen.unread_K
  return readTo_Pa + perKelvin_Pa(startTemp_K ?? usualTemp_K) * unseen_K
}

/**
 * The second statement, beside that of the rule: whether the fall that temperature does not explain
 * can be told from none. It mostly cannot; what would tell is the pipe's temperature, and time.
 */
export function byTheFigures(given: Given): 'passed' | 'failed' | 'cannot-tell' {
  const { start_Pa = 0, end_Pa = 0 } = given
  const fall_Pa = start_Pa + (warmth_Pa(given) ?? 0) - end_Pa
  const doubt = doubt_Pa(given)
  if (fall_Pa - doubt > perceptible_Pa) return 'failed'
  return fall_Pa + doubt <= perceptible_Pa ? 'passed' : 'cannot-tell'
}
const figuresWords = { passed: 'no leak', failed: 'a leak', 'cannot-tell': 'cannot tell' } as const

/** What the figures say beside the rule: what a change of temperature did, what a leak would be. */
function metalFigures(given: Given, show: Show): readonly Figure[] {
  const { start_Pa = 0, end_Pa = 0, startTemp_K = usualTemp_K } = given
  const warm_Pa = warmth_Pa(given)
  return [
    {
      label: 'By the figures',
      told: `${figuresWords[byTheFigures(given)]}, to ${p(show)(doubt_Pa(given))}`,
    },
    { label: 'Fell', told: p(show)(start_Pa - end_Pa) },
    {
      label: `${show(0.1, 'temperature-difference', 1)} is worth`,
      told: p(show)(perKelvin_Pa(startTemp_K) / 10),
    },
    ...(warm_Pa === undefined
      ? []
      : [{ label: 'Temperature alone, full of water', told: p(show)(warm_Pa) }]),
    ...leakFigure(given, show),
    ...airFigure(given, show),
  ]
}

/**
 * Share of air in a pipe past which it is no test with water. Assumed: bled at the top a small pipe
 * keeps less.
 */
const mostAir = 0.02

/** How much of the pipe is air, from what was pumped in; undefined where nobody measured it. */
function airIn({ volume_m3, pumped_m3, start_Pa = 0, startTemp_K = usualTemp_K }: Given) {
  if (volume_m3 === undefined || pumped_m3 === undefined || start_Pa <= 0) return undefined
  return airShareOf({
    volume_m3,
    pumped_m3,
    wall: metal,
    temp_K: startTemp_K,
    fromGauge_Pa: 0,
    toGauge_Pa: start_Pa,
    atmosphere_Pa: standardAtmosphere_Pa,
  })
}

function airFigure(given: Given, show: Show): Figure[] {
  const share = airIn(given)
  return share === undefined
    ? []
    : [{ label: 'Air in it', told: `${show(share, 'ratio', 1)} of what it holds` }]
}

/** The fall that temperature does not explain, as a leak of a pipe with no air in it. */
function leakFigure(given: Given, show: Show): Figure[] {
  const { start_Pa = 0, end_Pa = 0, held_s = 0, startTemp_K = usualTemp_K, volume_m3 } = given
  const warm_Pa = warmth_Pa(given)
  if (volume_m3 === undefined || warm_Pa === undefined || held_s <= 0) return []
  const fall_Pa = start_Pa + warm_Pa - end_Pa
  if (fall_Pa <= 0) return []
  const lost_m3 = liquidLost_m3({ volume_m3, wall: metal, fall_Pa, temp_K: startTemp_K })
  return [{ label: 'The rest as a leak, no air in it', told: show(lost_m3 / held_s, 'leak-flow') }]
}

/** Whether warming may hide a fall: without it the pressure would have fallen past what shows. */
function isHidden(given: Given): boolean {
  const { start_Pa = 0, end_Pa = 0 } = given
  const warm_Pa = warmth_Pa(given) ?? 0
  return warm_Pa > 0 && start_Pa + warm_Pa - end_Pa > perceptible_Pa
}

const asks = [
  { key: 'working_Pa', label: 'Highest working pressure here', measure: 'water-pressure' },
  { key: 'start_Pa', label: 'Gauge at the start', measure: 'water-pressure', live: 'water_Pa' },
  { key: 'end_Pa', label: 'Gauge at the end', measure: 'water-pressure', live: 'water_Pa' },
  {
    key: 'held_s',
    label: 'Held for',
    measure: 'duration',
    clock: ({ waterTest }) => waterTest.metal_s,
  },
] as const satisfies readonly AskFigure[]
const confirms = [
  {
    id: 'weakest',
    says: 'Boiler, store, vessel, valves and emitters that stand less are isolated or taken off; no relief is gagged',
  },
  { id: 'bled', says: 'Filled from below and bled at the top' },
  { id: 'dry', says: 'Every joint looked at: dry' },
] as const

/**
 * What holds for either kind of pipe before anything is judged; undefined where nothing speaks
 * against it.
 */
function notTested(given: Given, practice: Practice, show: Show): string | undefined {
  const { start_Pa = 0, end_Pa = 0 } = given
  const wanted = wanted_Pa(given, practice)
  if (start_Pa < wanted * (1 - 1e-6) - 1)
    return `${p(show)(wanted)} is asked here; ${p(show)(start_Pa)} is no test.`
  return end_Pa > start_Pa + perceptible_Pa
    ? 'It rose: it warms, or something lets by into it. Let it settle and hold it again.'
    : undefined
}

/**
 * Metal pipe held at its test pressure. Source: the practice's; liquid-full pipe: sources.thinWall,
 * sources.if97.
 */
export const waterTestMetal: HandTest = {
  id: 'water-test-metal',
  name: 'Metal pipes with water',
  why: 'Before they are hidden, flow and return linked, hot and cold linked. Water, not air: compressed air throws fittings. Let it take the room’s warmth first: a full pipe moves by bars for a few kelvins.',
  at: 'once',
  asks: [
    ...asks,
    {
      key: 'startTemp_K',
      label: 'Pipe at the start',
      measure: 'temperature',
      live: 'temp_K',
      optional: 'With the end’s it says what warmth did.',
    },
    {
      key: 'endTemp_K',
      label: 'Pipe at the end',
      measure: 'temperature',
      live: 'temp_K',
      optional: 'As above.',
    },
    {
      key: 'volume_m3',
      label: 'Water in it',
      measure: 'volume',
      optional: 'For the leak in figures, and for the air in it.',
    },
    {
      key: 'pumped_m3',
      label: 'Pumped in, from no pressure',
      measure: 'small-volume',
      optional: 'Strokes by what a stroke gives: with the water in it, it says how much is air.',
    },
  ],
  confirms,
  madeOn: waterPipes,
  source: ({ waterTest }) => waterTest.source,
  judge: (given, { practice }, show) => {
    const { start_Pa = 0, end_Pa = 0, held_s = 0 } = given
    const figures = metalFigures(given, show)
    const not = notTested(given, practice, show)
    if (not !== undefined) return cannotTell(not, figures)
    const fell = `It fell ${p(show)(start_Pa - end_Pa)} in ${durationWords(held_s)}`
    if (start_Pa - end_Pa > perceptible_Pa)
      return failed('fix', `${fell}; ${p(show)(perceptible_Pa)} counts as none.`, figures)
    const air = airIn(given)
    if (air !== undefined && air > mostAir)
      return cannotTell(
        `About ${show(air, 'ratio', 0)} of it is air: it hides a leak for a while, and lets go like a spring. Let it down, bleed it at the top, and pump again.`,
        figures,
      )
    const { metal_s } = practice.waterTest
    if (held_s < metal_s * (1 - 1e-6))
      return cannotTell(
        `Held ${durationWords(held_s)}; ${durationWords(metal_s)} is asked.`,
        figures,
      )
    return isHidden(given)
      ? cannotTell(
          'It warmed, which lifts the gauge and could hide a fall. Let it settle and hold it again.',
          figures,
        )
      : passed(
          `${p(show)(start_Pa)} held for ${durationWords(held_s)}; ${p(show)(wanted_Pa(given, practice))} was asked.`,
          figures,
        )
  },
}

/**
 * Pumped up again for so long, then let down to so much of the test pressure, then watched. EN
 * 806-4 procedure B, from memory.
 */
const staged = { pumped_s: 1800, share: 0.5, watched_s: 1800 } as const

/**
 * Plastic pipe creeps: it is pumped up again, let down to half, and then must not fall. Source: the
 * practice's.
 */
export const waterTestPlastic: HandTest = {
  id: 'water-test-plastic',
  name: 'Plastic pipes with water',
  why: 'Plastic creeps under pressure, and the gauge falls with no leak. So it is pumped up again for half an hour, let down to half at once, and watched for half an hour: from there a tight pipe stands or rises. The pipe maker’s own way wins.',
  at: 'once',
  asks: [
    asks[0],
    { key: 'start_Pa', label: 'Pumped to', measure: 'water-pressure', live: 'water_Pa' },
    {
      key: 'pumped_s',
      label: 'Kept there by pumping',
      measure: 'duration',
      clock: () => staged.pumped_s,
    },
    { key: 'half_Pa', label: 'Then let down to', measure: 'water-pressure', live: 'water_Pa' },
    { key: 'end_Pa', label: 'Gauge at the end', measure: 'water-pressure', live: 'water_Pa' },
    { key: 'held_s', label: 'Watched for', measure: 'duration', clock: () => staged.watched_s },
  ],
  confirms,
  madeOn: waterPipes,
  source: ({ waterTest }) => waterTest.source,
  judge: (given, { practice }, show) => {
    const { start_Pa = 0, pumped_s = 0, half_Pa = 0, end_Pa = 0, held_s = 0 } = given
    const figures = [{ label: 'From half it moved', told: p(show)(end_Pa - half_Pa) }]
    const wanted = wanted_Pa(given, practice)
    if (start_Pa < wanted * (1 - 1e-6) - 1)
      return cannotTell(
        `${p(show)(wanted)} is asked here; ${p(show)(start_Pa)} is no test.`,
        figures,
      )
    if (half_Pa - end_Pa > perceptible_Pa)
      return failed(
        'fix',
        `From half it fell ${p(show)(half_Pa - end_Pa)} in ${durationWords(held_s)}: that is no creep.`,
        figures,
      )
    if (half_Pa > 0.6 * start_Pa || half_Pa < 0.3 * start_Pa)
      return cannotTell(
        `Let it down to about half, ${p(show)(staged.share * start_Pa)}: from there a tight pipe stands or rises.`,
        figures,
      )
    const short = [
      { is_s: pumped_s, asked_s: staged.pumped_s, says: 'Pumped for' },
      { is_s: held_s, asked_s: staged.watched_s, says: 'Watched for' },
    ].find(({ is_s, asked_s }) => is_s < asked_s * (1 - 1e-6))
    return short
      ? cannotTell(
          `${short.says} ${durationWords(short.is_s)}; ${durationWords(short.asked_s)} is asked.`,
          figures,
        )
      : passed(
          `Let down to ${p(show)(half_Pa)} it stood at ${p(show)(end_Pa)} after ${durationWords(held_s)}.`,
          figures,
        )
  },
}
