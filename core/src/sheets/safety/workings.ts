import { sources } from '../../answer/sources'
import type { Working } from '../../answer/working'
import type { SafetyAnswer } from './answer'

/** The arithmetic of a store's vessel and its pressures. */
export function safetyWorkings(a: SafetyAnswer): readonly Working[] {
  const water = { circuit: 'water' } as const
  const figures = {
    store_m3: a.store_m3,
    coldTemp_K: a.coldTemp_K,
    storeTemp_K: a.storeTemp_K,
    staticGauge_Pa: a.staticGauge_Pa,
    reducingGauge_Pa: a.reducingGauge_Pa,
    supplyGauge_Pa: a.reducedGauge_Pa,
    chargeGauge_Pa: a.chargeGauge_Pa,
    maxGauge_Pa: a.maxGauge_Pa,
    chargeAbs_Pa: a.chargeGauge_Pa + a.atmosphere_Pa,
    maxAbs_Pa: a.maxGauge_Pa + a.atmosphere_Pa,
    expansion_m3: a.expansion_m3,
    temperatureReliefGauge_Pa: a.temperatureReliefGauge_Pa,
    fitted_m3: a.fitted_m3,
  }
  const lowest = [
    ...(a.expansionReliefGauge_Pa === undefined ? [] : ['the expansion relief']),
    'the temperature relief',
    ...(a.ratedGauge_Pa === undefined ? [] : ['the store’s rating']),
  ].join(', ')
  return [
    {
      ...water,
      title: 'Supply at the store (gauge)',
      formula: a.hasReducing
        ? 'p = the lower of the main and the reducing valve'
        : 'p = the main, static',
      put: a.hasReducing ? '{staticGauge_Pa}, {reducingGauge_Pa}' : '{staticGauge_Pa}',
      figures,
      result: 'supplyGauge_Pa',
      source: sources.arithmetic,
    },
    {
      ...water,
      title: 'Maximum pressure allowed (gauge)',
      formula: `p = nine tenths of the lowest of ${lowest}, or the practice’s own limit`,
      put: 'from {temperatureReliefGauge_Pa}',
      figures,
      result: 'maxGauge_Pa',
      source: sources.potableVessel,
    },
    {
      ...water,
      title: 'Water that expands',
      formula: 'Ve = V · (density cold / density hot − 1)',
      put: '{store_m3} from {coldTemp_K} to {storeTemp_K}',
      figures,
      result: 'expansion_m3',
      source: sources.if97,
    },
    ...(a.needed_m3 === undefined
      ? []
      : [
          {
            ...water,
            title: 'Potable vessel',
            formula: 'V = Ve / (1 − p_charge / p_max), absolute',
            put: '{expansion_m3} / (1 − {chargeAbs_Pa} abs / {maxAbs_Pa} abs)',
            figures: { ...figures, needed_m3: a.needed_m3 },
            result: 'needed_m3',
            source: sources.potableVessel,
          } satisfies Working,
        ]),
    ...(a.forecast?.outcome === 'settles'
      ? [
          {
            ...water,
            title: 'Pressure when the store is hot (gauge)',
            formula: 'V · (1 − p_charge/p_hot) = V · (1 − p_charge/p_supply) + Ve, absolute',
            put: '{fitted_m3} at {chargeGauge_Pa}, from {supplyGauge_Pa}, with {expansion_m3}',
            figures: { ...figures, hotGauge_Pa: a.forecast.hotGauge_Pa },
            result: 'hotGauge_Pa',
            source: sources.gasLaw,
          } satisfies Working,
        ]
      : []),
    ...(a.runningGauge_Pa === undefined
      ? []
      : [
          {
            ...water,
            title: 'Supply with the wanted flow (gauge)',
            formula:
              'p = the lower of the main’s curve at the flow and the valve’s setting less its fall',
            put: 'at {flow_m3_s}',
            figures: { ...figures, flow_m3_s: a.wanted_m3_s, runsGauge_Pa: a.runningGauge_Pa },
            result: 'runsGauge_Pa',
            source: sources.hydrantFlow,
          } satisfies Working,
        ]),
  ]
}
