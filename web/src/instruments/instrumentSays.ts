import type { Instrument } from '@hestian/core'
import { calibrationSays, practices, showIn } from '@hestian/core'

export const kindWords: Readonly<Record<Instrument['kind'], string>> = {
  digital: 'Digital gauge',
  'water-gauge': 'Water gauge',
  analyser: 'Flue gas analyser',
  thermometer: 'Thermometer',
}

/** The firm's list has no practice: pressures of gas in millibar. */
const show = showIn(practices['uk-ireland'].units)

/** A gauge in a line: what it is, its number, what it shows, until when its calibration holds. */
export function instrumentSays(
  { kind, serial, step_Pa, most_Pa, accuracy, calibratedUntil, retired }: Instrument,
  today: string,
): string {
  return [
    kindWords[kind],
    serial && `no. ${serial}`,
    step_Pa === null ? '' : `steps of ${show(step_Pa, 'gas-pressure')}`,
    most_Pa === null ? '' : `to ${show(most_Pa, 'gas-pressure')}`,
    accuracy,
    calibrationSays(calibratedUntil, today),
    retired ? 'retired' : '',
  ]
    .filter(Boolean)
    .join(', ')
}
