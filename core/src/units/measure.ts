import type { Kind, UnitName } from './units'
import { units } from './units'

/** A figure's role on site. Gas and water pressures are both pressures, but nobody reads them in the same unit. */
export type Measure =
  | 'water-pressure'
  | 'gas-pressure'
  | 'length'
  | 'elevation'
  | 'temperature'
  | 'temperature-difference'
  | 'power'
  | 'small-power'
  | 'volume'
  | 'small-volume'
  | 'water-flow'
  | 'gas-flow'
  | 'leak-flow'
  | 'velocity'
  | 'duration'
  | 'seconds'
  | 'bore'
  | 'ratio'
  | 'heating-value'
  | 'area'
  | 'hardness'

/** What an entry may be. Outside `hard` it cannot be; outside `usual` it is a question, never a refusal. SI. */
interface Range {
  readonly kind: Kind
  readonly hard: readonly [number, number]
  readonly usual: readonly [number, number]
}

/** Usual ranges: common practice, no source; they exist to catch a slip of unit. Hard limits: what cannot be on this planet or in a house. */
export const ranges: Record<Measure, Range> = {
  'water-pressure': { kind: 'pressure', hard: [0, 5e6], usual: [0, 1e6] },
  'gas-pressure': { kind: 'pressure', hard: [0, 1e6], usual: [0, 6000] },
  length: { kind: 'length', hard: [0, 1000], usual: [0, 60] },
  elevation: { kind: 'length', hard: [-430, 6000], usual: [-50, 3000] },
  temperature: { kind: 'temperature', hard: [223.15, 473.15], usual: [273.15, 383.15] },
  'temperature-difference': { kind: 'temperature-difference', hard: [0, 200], usual: [0, 60] },
  power: { kind: 'power', hard: [0, 5e6], usual: [500, 3e5] },
  'small-power': { kind: 'power', hard: [0, 1e5], usual: [0, 2000] },
  volume: { kind: 'volume', hard: [0, 100], usual: [0, 5] },
  'small-volume': { kind: 'volume', hard: [0, 100], usual: [0, 1] },
  'water-flow': { kind: 'flow', hard: [0, 1], usual: [0, 0.003] },
  'gas-flow': { kind: 'flow', hard: [0, 1], usual: [0, 0.01] },
  'leak-flow': { kind: 'flow', hard: [0, 1], usual: [0, 0.001] },
  velocity: { kind: 'velocity', hard: [0, 100], usual: [0, 30] },
  duration: { kind: 'duration', hard: [0, 6.048e5], usual: [0, 86400] },
  seconds: { kind: 'duration', hard: [0.1, 3600], usual: [2, 300] },
  area: { kind: 'area', hard: [0, 1e5], usual: [1, 1000] },
  hardness: { kind: 'hardness', hard: [0, 5], usual: [0, 0.6] },
  bore: { kind: 'length', hard: [0, 1], usual: [0, 0.11] },
  ratio: { kind: 'ratio', hard: [0, 1], usual: [0, 1] },
  'heating-value': { kind: 'heating-value', hard: [1e6, 2e8], usual: [1e7, 1.3e8] },
}

export type UnitSet = Readonly<Record<Measure, UnitName>>

/** A second unit that an entry is echoed in, so that a slip of unit shows. */
export const echoUnit = (measure: Measure, shown: UnitName): UnitName | undefined => {
  const pairs: Partial<Record<UnitName, UnitName>> = {
    bar: 'psi',
    psi: 'bar',
    kPa: measure === 'gas-pressure' ? 'mbar' : 'psi',
    mbar: 'inwc',
    inwc: 'mbar',
    m: 'ft',
    ft: 'm',
    mm: 'in',
    in: 'mm',
    C: 'F',
    F: 'C',
    kW: 'kBtuH',
    kBtuH: 'kW',
    W: 'BtuH',
    BtuH: 'W',
    MJh: 'kW',
    L: 'usGal',
    usGal: 'L',
    Lmin: 'gpm',
    gpm: 'Lmin',
    m3h: 'cfh',
    cfh: 'm3h',
    m2: 'ft2',
    ft2: 'm2',
    mgL: 'gpg',
    gpg: 'mgL',
  }
  const pair = pairs[shown]
  return pair && units[pair].kind === ranges[measure].kind ? pair : undefined
}

/** The measure that a key's unit suffix names, for showing a working's figures; undefined when the key has no unit. */
export function measureOfKey(key: string, circuit: 'water' | 'gas'): Measure | undefined {
  const suffix = key.slice(key.indexOf('_') + 1)
  if (!key.includes('_')) return undefined
  const table: Record<string, Measure> = {
    Pa: circuit === 'gas' ? 'gas-pressure' : 'water-pressure',
    m: 'length',
    K: key.startsWith('temp') || /Temp_K$/.test(key) ? 'temperature' : 'temperature-difference',
    W: 'power',
    m3: 'small-volume',
    m3_s: circuit === 'gas' ? 'gas-flow' : 'water-flow',
    m_s: 'velocity',
    s: 'duration',
    J_m3: 'heating-value',
    m2: 'area',
  }
  if (/bore_m$|diameter_m$/i.test(key)) return 'bore'
  if (/elevation_m$/.test(key)) return 'elevation'
  if (/^hardness/.test(key)) return 'hardness'
  if (/Loss_W$/.test(key)) return 'small-power'
  return table[suffix]
}
