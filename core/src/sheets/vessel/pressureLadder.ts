import { atMost } from '../../answer/expect'
import type { VesselAnswer } from './answer'
import type { Show } from '../../units/format'
import type { Practice } from '../../practice/practice'
import type { Drawing } from '../../answer/drawing'
import type { Bay, Ladder, LadderSize, Rung } from '../../answer/ladder'
import { bayOf, drawLadder, rungOf } from '../../answer/ladder'

export type HeatingRung =
  'static-head' | 'charge' | 'cold-fill' | 'hot' | 'relief' | 'weakest' | 'delivered'

/** Steps a fill or a charge is set in, Pa: what a gauge on a pump shows. */
const settingStep_Pa = 5000

/**
 * The rungs of a designed vessel, lowest first, and the gaps that must be kept between them. Gauge
 * Pa, at the vessel.
 */
export function ladderOf(
  answer: VesselAnswer,
  practice: Practice,
  delivered_Pa?: number,
): Ladder<HeatingRung> {
  const {
    need,
    inputs,
    fillAtVesselGauge_Pa: fillGauge_Pa,
    forecast,
    weakest,
    reliefAssumed,
    content,
  } = answer
  const hot_Pa = forecast.outcome === 'settles' ? forecast.hotGauge_Pa : undefined
  const steps = practice.vessel.reliefSteps_Pa
  const staticHead = rungOf<HeatingRung>('static-head', need.staticHead_Pa, 'static head', 'cold')
  const charge = rungOf<HeatingRung>('charge', need.chargeGauge_Pa, 'charge', 'ink', {
    slide: { least: 0, most: inputs.reliefSetGauge_Pa, step: settingStep_Pa },
  })
  const fill = rungOf<HeatingRung>('cold-fill', fillGauge_Pa, 'cold fill', 'cold', {
    outOfOrder: fillGauge_Pa < need.chargeGauge_Pa * (1 - 1e-6) - 1,
    slide: { least: 0, most: inputs.reliefSetGauge_Pa, step: settingStep_Pa },
  })
  const relief = rungOf<HeatingRung>('relief', inputs.reliefSetGauge_Pa, 'relief lifts', 'ink', {
    pencil: reliefAssumed,
    outOfOrder: weakest !== undefined && !atMost(weakest.seenGauge_Pa, weakest.limitGauge_Pa),
    slide: {
      least: steps[0] ?? 1e5,
      most: steps[steps.length - 1] ?? 1e6,
      step: reliefStep_Pa(steps),
    },
  })
  const hot =
    hot_Pa === undefined
      ? undefined
      : rungOf<HeatingRung>('hot', hot_Pa, 'hot maximum', 'hot', {
          pencil: content.assumed_m3 > 0,
          outOfOrder: hot_Pa >= inputs.reliefSetGauge_Pa,
        })
  const weak =
    weakest &&
    rungOf<HeatingRung>(
      'weakest',
      // As the highest setting it permits.
      weakest.limitGauge_Pa - (weakest.seenGauge_Pa - inputs.reliefSetGauge_Pa),
      'weakest part',
      'ink',
    )
  const wrongCharge =
    delivered_Pa !== undefined && Math.abs(delivered_Pa - need.chargeGauge_Pa) > 5000
      ? rungOf<HeatingRung>('delivered', delivered_Pa, 'as delivered', 'stop', { outOfOrder: true })
      : undefined
  const margin_Pa = inputs.reliefSetGauge_Pa - need.finalGauge_Pa
  const chargeMargin_Pa =
    inputs.method === 'en12828' ? practice.vessel.margin_Pa : 0.9 * practice.vessel.margin_Pa
  const leastFill_Pa =
    answer.fill.window && Number.isFinite(answer.fill.window.leastGauge_Pa)
      ? answer.fill.window.leastGauge_Pa - need.chargeGauge_Pa
      : 0
  const bays: readonly Bay<HeatingRung>[] = [
    ...bayOf(staticHead, charge, chargeMargin_Pa, 'fix'),
    ...bayOf(charge, fill, leastFill_Pa, 'fix'),
    ...(hot ? bayOf(hot, relief, margin_Pa, 'fix') : []),
    ...bayOf(relief, weak, 0, 'stop'),
  ]
  const rungs: readonly Rung<HeatingRung>[] = [
    staticHead,
    charge,
    fill,
    hot,
    relief,
    weak,
    wrongCharge,
  ]
    .filter((one) => one !== undefined)
    .sort((a, b) => a.gauge_Pa - b.gauge_Pa)
  return {
    name: 'Pressure ladder',
    rungs,
    bays,
    coldUpTo: 'static-head',
    warms: ['cold-fill', 'hot'],
  }
}

/** A step that lands on every setting relief valves are sold in. */
const reliefStep_Pa = (steps: readonly number[]): number =>
  Math.min(...steps.slice(1).map((step, i) => step - (steps[i] ?? 0)))

/** The heating's pressure ladder, drawn to scale. */
export const pressureLadder = (
  answer: VesselAnswer,
  practice: Practice,
  show: Show,
  size: LadderSize,
  delivered_Pa?: number,
): Drawing => drawLadder(ladderOf(answer, practice, delivered_Pa), practice.units, show, size)
