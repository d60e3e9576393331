import type { Practice } from '../../practice/practice'
import type { SafetyAnswer } from './answer'
import type { Show } from '../../units/format'
import type { Drawing } from '../../answer/drawing'
import type { Ladder, LadderSize } from '../../answer/ladder'
import { bayOf, drawLadder, rungOf } from '../../answer/ladder'

export type StoreRung =
  'supply' | 'charge' | 'hot' | 'most' | 'expansion' | 'temperature' | 'rated' | 'main'

const step_Pa = 10000

/** The rungs of a store, from its supply to what it stands. Gauge Pa. */
export function storeLadderOf(answer: SafetyAnswer, practice: Practice): Ladder<StoreRung> {
  const {
    reducedGauge_Pa,
    staticGauge_Pa,
    hasReducing,
    chargeGauge_Pa,
    forecast,
    maxGauge_Pa,
    expansionReliefGauge_Pa,
    temperatureReliefGauge_Pa,
    ratedGauge_Pa,
    reliefsAssumed,
    fitted_m3,
    reducingGauge_Pa,
  } = answer
  const top = ratedGauge_Pa ?? 1.2 * temperatureReliefGauge_Pa
  const slide = { least: 5e4, most: top * 1.1, step: step_Pa }
  const supply = rungOf<StoreRung>(
    'supply',
    reducedGauge_Pa,
    hasReducing && reducingGauge_Pa <= staticGauge_Pa ? 'supply, reduced' : 'supply',
    'cold',
    {
      outOfOrder: reducedGauge_Pa >= maxGauge_Pa,
      ...(hasReducing ? { slide: { ...slide, most: Math.min(top, staticGauge_Pa) } } : {}),
    },
  )
  const charge =
    fitted_m3 > 0 && Math.abs(chargeGauge_Pa - reducedGauge_Pa) > 1000
      ? rungOf<StoreRung>('charge', chargeGauge_Pa, 'charge', 'ink', { slide })
      : undefined
  const hot =
    forecast?.outcome === 'settles'
      ? rungOf<StoreRung>('hot', forecast.hotGauge_Pa, 'store hot', 'hot', {
          outOfOrder: forecast.hotGauge_Pa > maxGauge_Pa + 500,
        })
      : undefined
  const most = rungOf<StoreRung>('most', maxGauge_Pa, 'at most', 'ink-2')
  const temperature = rungOf<StoreRung>(
    'temperature',
    temperatureReliefGauge_Pa,
    practice.words.temperatureRelief.length > 14 ? 'hot relief' : practice.words.temperatureRelief,
    'ink',
    {
      pencil: reliefsAssumed,
      outOfOrder:
        ratedGauge_Pa !== undefined && temperatureReliefGauge_Pa > ratedGauge_Pa * (1 + 1e-6),
      slide,
    },
  )
  const expansion =
    expansionReliefGauge_Pa === undefined
      ? undefined
      : rungOf<StoreRung>('expansion', expansionReliefGauge_Pa, 'expansion relief', 'ink', {
          pencil: reliefsAssumed,
          outOfOrder: expansionReliefGauge_Pa >= temperatureReliefGauge_Pa,
          slide,
        })
  const rated =
    ratedGauge_Pa === undefined
      ? undefined
      : rungOf<StoreRung>('rated', ratedGauge_Pa, 'store stands', 'ink')
  const main =
    hasReducing && staticGauge_Pa > reducedGauge_Pa + 1000
      ? rungOf<StoreRung>('main', staticGauge_Pa, 'main, static', 'cold')
      : undefined
  const rungs = [supply, charge, hot, most, temperature, expansion, rated, main]
    .filter((one) => one !== undefined)
    .sort((a, b) => a.gauge_Pa - b.gauge_Pa)
  return {
    name: 'Pressure ladder of the hot water',
    rungs,
    coldUpTo: 'supply',
    warms: ['supply', 'hot'],
    bays: [
      ...bayOf(supply, hot ?? most, 0, 'stop'),
      ...(hot ? bayOf(hot, most, 0, 'fix') : []),
      ...(expansion
        ? [...bayOf(most, expansion, 0, 'fix'), ...bayOf(expansion, temperature, 0, 'stop')]
        : bayOf(most, temperature, 0, 'fix')),
      ...bayOf(temperature, rated, 0, 'stop'),
    ],
  }
}

/** The hot water's pressure ladder, drawn to scale. */
export const storeLadder = (
  answer: SafetyAnswer,
  practice: Practice,
  show: Show,
  size: LadderSize,
): Drawing => drawLadder(storeLadderOf(answer, practice), practice.units, show, size)
