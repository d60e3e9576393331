import type { UnitSet } from '../units/measure'

/** The units of a metric place. */
export const metric: UnitSet = {
  'water-pressure': 'bar',
  'gas-pressure': 'mbar',
  length: 'm',
  elevation: 'm',
  height: 'm',
  temperature: 'C',
  'temperature-difference': 'K',
  power: 'kW',
  'small-power': 'W',
  volume: 'L',
  'small-volume': 'L',
  'water-flow': 'Lmin',
  'gas-flow': 'm3h',
  'leak-flow': 'Lh',
  'mass-flow': 'kgh',
  velocity: 'ms',
  duration: 'min',
  seconds: 's',
  bore: 'mm',
  ratio: 'percent',
  'co-share': 'ppmV',
  'heating-value': 'MJm3',
  area: 'm2',
  hardness: 'mgL',
  concentration: 'mgL',
}

/** A flow in litres per hour as m³/s. */
export const litresPerHour = (figure: number) => figure / 3.6e6
