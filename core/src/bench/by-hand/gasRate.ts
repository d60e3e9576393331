import { grossInput_W } from '../../methods/gas/fuel'
import { clockedInput, meterCorrection } from '../../methods/gas/rate'
import { siteAtmosphere_Pa } from '../../job/siteAtmosphere'
import { burnerHere } from './madeOn'
import type { At, Given, HandTest } from './spec'
import { cannotTell, failed, passed } from './spec'

/** How far the timed input may be from the plate's. Common practice, no source. */
const tolerance = 0.05
/** At which the heating value is told: 15 °C and 101 325 Pa, absolute. */
const reference = { referenceAbs_Pa: 101325, referenceTemp_K: 288.15 } as const

const correctionOf = ({ meter_Pa, temp_K }: Given, atmosphere_Pa: number): number =>
  meter_Pa === undefined || temp_K === undefined
    ? 1
    : meterCorrection({ gasGauge_Pa: meter_Pa, gasTemp_K: temp_K, atmosphere_Pa, ...reference })

const plate_W = ({ appliance, gas }: At): number | undefined =>
  appliance?.input_W ? grossInput_W(appliance.input_W.value, appliance.inputSaid, gas) : undefined

/** The input by timing the meter with this burner alone at full load. Source: sources.idealGas. */
export const gasRate: HandTest = {
  id: 'gas-rate',
  name: 'Gas rate by the meter',
  why: 'Everything else off, pilots too, this burner at full load for ten minutes; then time a whole turn of the dial. The longer it is timed, the less the thumb counts.',
  at: 'each-burner',
  asks: [
    { key: 'volume_m3', label: 'Gas that went through', measure: 'small-volume' },
    { key: 'time_s', label: 'In', measure: 'seconds', clock: () => undefined },
    {
      key: 'heat_J_m3',
      label: 'Heating value, gross',
      measure: 'heating-value',
      optional: 'The practice’s is taken.',
    },
    {
      key: 'meter_Pa',
      label: 'Pressure at the meter',
      measure: 'gas-pressure',
      optional: 'With its temperature it brings the volume to what is billed.',
    },
    {
      key: 'temp_K',
      label: 'Gas at the meter',
      measure: 'temperature',
      optional: 'With its pressure.',
    },
  ],
  confirms: [{ id: 'alone', says: 'Nothing else burned, pilots included' }],
  madeOn: burnerHere,
  source: () => ({
    basis: 'common-practice',
    says: 'No source: within 5 % of the plate; the maker’s figure wins',
  }),
  judge: (given, at, show) => {
    const { volume_m3 = 0, time_s = 0, heat_J_m3 = at.gas.grossHeat_J_m3 } = given
    const correction = correctionOf(given, atmosphereOf(at))
    const { flow_m3_s, gross_W } = clockedInput({
      volume_m3,
      time_s,
      grossHeat_J_m3: heat_J_m3,
      correction,
    })
    const net_W = gross_W / at.gas.grossOverNet
    const figures = [
      { label: 'Flow by the meter', told: show(flow_m3_s, 'gas-flow') },
      { label: 'Input, gross', told: show(gross_W, 'power') },
      { label: 'Input, net', told: show(net_W, 'power') },
      { label: 'Heating value', told: show(heat_J_m3, 'heating-value') },
    ]
    const wanted_W = plate_W(at)
    if (wanted_W === undefined)
      return cannotTell(
        `The meter says ${show(gross_W, 'power')} gross; the plate’s input is not read.`,
        figures,
      )
    const over = gross_W / wanted_W - 1
    const percent = `${(100 * Math.abs(over)).toFixed(1)} %`
    const says = `The meter says ${show(gross_W, 'power')} gross, ${percent} ${over < 0 ? 'under' : 'over'} the plate’s ${show(wanted_W, 'power')}.`
    return Math.abs(over) <= tolerance * (1 + 1e-6)
      ? passed(says, figures)
      : failed('fix', `${says} Within 5 % is usual.`, figures)
  },
}

const atmosphereOf = ({ document }: At): number => siteAtmosphere_Pa(document)
