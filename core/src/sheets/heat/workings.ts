import { sources } from '../../answer/sources'
import type { Working } from '../../answer/working'
import type { HeatAnswer } from './answer'

/** The arithmetic of demand and options, in the order it is read. */
export function heatWorkings(answer: HeatAnswer): readonly Working[] {
  const { conditions, simultaneous, options, curve, main_m3_s } = answer
  const water = 'water' as const
  return [
    ...wanted(simultaneous),
    ...(curve && main_m3_s !== undefined
      ? [
          {
            circuit: water,
            title: 'What the main gives with the wanted pressure left',
            formula: 'q = ((p_static − p_left − height) / k)^0.54',
            put: 'from {staticGauge_Pa} static',
            figures: { staticGauge_Pa: curve.staticGauge_Pa, main_m3_s },
            result: 'main_m3_s',
            source: sources.hydrantFlow,
          },
        ]
      : []),
    ...options.flatMap(({ option, comparison, figures }): Working[] => {
      if (!comparison || !figures || !conditions) return []
      return [
        {
          circuit: water,
          title: `${option.name}: mixed flow it keeps up on the coldest water`,
          formula: 'q = P / (c · density · (t_mixed − t_cold))',
          put: '{power_W} / (4.18 kJ/(L K) · ({mixedTemp_K} − {coldTemp_K}))',
          figures: {
            power_W: comparison.power_W,
            mixedTemp_K: conditions.mixedTemp_K,
            coldTemp_K: conditions.coldTemp_K,
            mixed_m3_s: comparison.mixed_m3_s,
          },
          result: 'mixed_m3_s',
          source: sources.heatBalance,
        },
        ...(comparison.reheat_s === undefined
          ? []
          : [
              {
                circuit: water,
                title: `${option.name}: reheat by hand`,
                formula: 't = m · c · (t_store − t_cold) / (P − loss)',
                put: '{store_m3} · 4.18 kJ/(L K) · ({storeTemp_K} − {coldTemp_K}) / ({power_W} − {standingLoss_W})',
                figures: {
                  store_m3: figures.store_m3,
                  storeTemp_K: conditions.storeTemp_K,
                  coldTemp_K: conditions.coldTemp_K,
                  power_W: comparison.power_W,
                  standingLoss_W: figures.standingLoss_W,
                  reheat_s: comparison.reheat_s,
                },
                result: 'reheat_s',
                source: sources.heatBalance,
              },
            ]),
        ...(figures.store_m3 > 0 && comparison.draw !== 'as-long-as-wanted'
          ? [
              {
                circuit: water,
                title: `${option.name}: the draw wanted, fully mixed store`,
                formula: 't = m · c · (t_store − t_mixed) / (P_draw − P)',
                put: '{store_m3} from {storeTemp_K} to {mixedTemp_K} at {wanted_m3_s}',
                figures: {
                  store_m3: figures.store_m3,
                  storeTemp_K: conditions.storeTemp_K,
                  mixedTemp_K: conditions.mixedTemp_K,
                  wanted_m3_s: conditions.wanted_m3_s,
                  least_s: comparison.draw.least_s,
                },
                result: 'least_s',
                source: sources.heatBalance,
              },
              {
                circuit: water,
                title: `${option.name}: the draw wanted, perfect layers`,
                formula: 't = m · c · (t_store − t_cold) / (P_draw − P)',
                put: '{store_m3} from {storeTemp_K} to {coldTemp_K} at {wanted_m3_s}',
                figures: {
                  store_m3: figures.store_m3,
                  storeTemp_K: conditions.storeTemp_K,
                  coldTemp_K: conditions.coldTemp_K,
                  wanted_m3_s: conditions.wanted_m3_s,
                  most_s: comparison.draw.most_s,
                },
                result: 'most_s',
                source: sources.heatBalance,
              },
            ]
          : []),
      ]
    }),
  ]
}

/** What is wanted at once, by the pattern of the household or by the table. */
function wanted(simultaneous: HeatAnswer['simultaneous']): readonly Working[] {
  if (!simultaneous || simultaneous.by === 'not-covered') return []
  const units = (figure: number) => `${Math.round(figure * 10) / 10} units`
  const by = {
    scenario: () => ({
      formula: 'the largest sum of the flows that run together',
      put: 'from the pattern of this household',
      source: sources.arithmetic,
    }),
    hunter: (count: number) => ({
      formula:
        'three quarters of the fixture units, the demand table, then mixed down from the heater',
      put: `${units(count)} of the hot side`,
      source: sources.hunter,
    }),
    'loading-units': (count: number) => ({
      formula: 'q = 1.48 · S^0.19 − 0.94 L/s, S = 0.1 L/s per loading unit; never above S',
      put: units(count),
      source: sources.din1988,
    }),
  } as const
  const said =
    simultaneous.by === 'scenario' ? by.scenario() : by[simultaneous.by](simultaneous.units)
  return [
    {
      circuit: 'water',
      title: 'Hot and cold wanted at once, mixed',
      ...said,
      figures: { wanted_m3_s: simultaneous.flow_m3_s },
      result: 'wanted_m3_s',
    },
  ]
}
