import { sources } from '../../answer/sources'
import type { Working } from '../../answer/working'
import type { ExchangeAnswer } from './answer'
import { waterBelow_Pa } from './match'

/** What the plant sees while the new relief lifts: its setting and the water between the two. */
export function exchangeWorkings({
  exchange,
  fresh,
  seenGauge_Pa,
}: ExchangeAnswer): readonly Working[] {
  const set = fresh.setGauge_Pa?.value
  return seenGauge_Pa === undefined || set === undefined || !exchange.plantBelow_m
    ? []
    : [
        {
          circuit: 'water',
          title: 'What the plant sees while the valve lifts (gauge)',
          formula: 'p = p_set + ρ · g · h',
          put: '{setGauge_Pa} + {head_Pa} of {height_m}',
          figures: {
            setGauge_Pa: set,
            head_Pa: waterBelow_Pa(exchange),
            height_m: exchange.plantBelow_m.value,
            seenGauge_Pa,
          },
          result: 'seenGauge_Pa',
          source: sources.arithmetic,
        },
      ]
}
