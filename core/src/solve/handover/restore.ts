import { answerOf } from '../../answer/sheet'
import { storeSetting_K } from '../../job/storeSetting'
import { hotWaterHeater, stored } from '../../job/hotWaterHeater'
import { inWords } from '../../job/questions'
import type { Show } from '../../units/format'
import type { Solution } from '../solve'
import type { JudgedLeaving } from './leaving'

/** A setting as it is to be found again after a reset, a new board or a power cut. */
export interface Setting {
  readonly what: string
  readonly value: string
}

/** What is set here, from the design and from what was written down on leaving. */
export function settingsToRestore(
  solution: Solution,
  leaving: readonly JudgedLeaving[],
  show: Show,
): readonly Setting[] {
  const { practice } = solution
  const changed = leaving.find(({ id }) => id === 'settings')?.answered
  return [
    ...ofHeating(solution, show),
    ...ofHotWater(solution, show),
    {
      what: 'Changed from the factory’s',
      value: changed ? changed.body.says : 'Nobody has said yet.',
    },
  ].map(({ what, value }) => ({ what: inWords(what, practice.words), value }))
}

function ofHeating({ document, vessel, circuit }: Solution, show: Show): readonly Setting[] {
  if (!document.heating) return []
  const v = answerOf(vessel)
  const c = answerOf(circuit)
  const { maxFlowTemp_K, highLimitTemp_K } = document.survey
  return [
    ...(maxFlowTemp_K
      ? [{ what: 'Flow temperature, highest', value: show(maxFlowTemp_K.value, 'temperature') }]
      : []),
    ...(highLimitTemp_K
      ? [{ what: 'High limit', value: show(highLimitTemp_K.value, 'temperature') }]
      : []),
    ...(v
      ? [
          { what: 'Cold fill, at the gauge', value: show(v.fillGauge_Pa, 'water-pressure') },
          {
            what: 'Charge of the {vessel}, water side empty',
            value: show(v.need.chargeGauge_Pa, 'water-pressure'),
          },
          {
            what: '{reliefValve}, set',
            value: `${show(v.inputs.reliefSetGauge_Pa, 'water-pressure')}; it is never adjusted`,
          },
        ]
      : []),
    ...(c
      ? [
          {
            what: '{pump}',
            value: `${show(c.flow_m3_s, 'water-flow')} through the circuit; ${c.pump?.label ?? 'none chosen'}`,
          },
          ...c.zones.map(({ zone, flow_m3_s, setting_m3_s }) => ({
            what: zone.name,
            value: `${show(flow_m3_s, 'water-flow')}; ${setting_m3_s === undefined ? 'valve open' : `valve passes ${show(setting_m3_s, 'water-flow')} at ${show(1e5, 'water-pressure')}`}`,
          })),
        ]
      : []),
  ]
}

function ofHotWater({ document, practice, safety }: Solution, show: Show): readonly Setting[] {
  const heater = hotWaterHeater(document)
  if (!document.hotWater || !heater) return []
  const a = answerOf(safety)
  const keeps = heater.kind !== 'instantaneous-heater' && stored.includes(heater.kind as never)
  return [
    ...(keeps
      ? [
          {
            what: `${heater.name}, thermostat`,
            value: show(storeSetting_K(document, practice), 'temperature'),
          },
        ]
      : []),
    ...(a?.hasReducing
      ? [{ what: '{reducingValve}', value: show(a.reducingGauge_Pa, 'water-pressure') }]
      : []),
    ...(a?.vesselWanted
      ? [
          {
            what: 'Charge of the {vessel} on the hot water',
            value: show(a.chargeGauge_Pa, 'water-pressure'),
          },
        ]
      : []),
  ]
}
