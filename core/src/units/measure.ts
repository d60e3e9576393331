import type { Kind, UnitName } from './units'
import { units } from './units'

/**
 * A figure's role on site. Gas and water pressures are both pressures, but nobody reads them in the
 * same unit.
 */
export type Measure =
  | 'water-pressure'
  | 'gas-pressure'
  | 'length'
  | 'elevation'
  | 'height'
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
  | 'co-share'
  | 'heating-value'
  | 'area'
  | 'hardness'
  | 'concentration'
  | 'mass-flow'

/**
 * What an entry may be. Outside `hard` it cannot be; outside `usual` it is a question, never a
 * refusal. An amount that is not nothing is at least `least`: a millionth of a litre is a slip of
 * the unit, and methods divide by it. SI.
 */
interface Range {
  readonly kind: Kind
  readonly hard: readonly [number, number]
  readonly usual: readonly [number, number]
  readonly least?: number
}

/** Whether a value is an amount too small to be one. */
export const isNext0 = (si: number, measure: Measure): boolean => {
  const { least } = ranges[measure]
  return least !== undefined && si !== 0 && Math.abs(si) < least * (1 - 1e-9)
}

/**
 * Usual ranges: common practice, no source; they exist to catch a slip of unit. Hard limits: what
 * cannot be on this planet or in a house.
 */
export const ranges: Record<Measure, Range> = {
  'water-pressure': { kind: 'pressure', hard: [0, 5e6], usual: [0, 1e6], least: 10 },
  'gas-pressure': { kind: 'pressure', hard: [0, 1e6], usual: [0, 6000], least: 0.1 },
  length: { kind: 'length', hard: [0, 1000], usual: [0, 60], least: 1e-3 },
  elevation: { kind: 'length', hard: [-430, 6000], usual: [-50, 3000] },
  /** Of one part over another; below is negative. */
  height: { kind: 'length', hard: [-300, 300], usual: [-20, 40] },
  temperature: { kind: 'temperature', hard: [223.15, 473.15], usual: [273.15, 383.15] },
  'temperature-difference': {
    kind: 'temperature-difference',
    hard: [0, 200],
    usual: [0, 60],
    least: 1e-3,
  },
  power: { kind: 'power', hard: [0, 5e6], usual: [500, 3e5], least: 1 },
  'small-power': { kind: 'power', hard: [0, 1e5], usual: [0, 2000], least: 0.1 },
  volume: { kind: 'volume', hard: [0, 100], usual: [0, 5], least: 1e-5 },
  'small-volume': { kind: 'volume', hard: [0, 100], usual: [0, 1], least: 1e-5 },
  'water-flow': { kind: 'flow', hard: [0, 1], usual: [0, 0.003], least: 1e-7 },
  'gas-flow': { kind: 'flow', hard: [0, 1], usual: [0, 0.01], least: 1e-8 },
  'leak-flow': { kind: 'flow', hard: [0, 1], usual: [0, 0.001], least: 1e-12 },
  velocity: { kind: 'velocity', hard: [0, 100], usual: [0, 30], least: 1e-3 },
  duration: { kind: 'duration', hard: [0, 6.048e5], usual: [0, 86400], least: 0.01 },
  seconds: { kind: 'duration', hard: [0.1, 3600], usual: [2, 300] },
  area: { kind: 'area', hard: [0, 1e5], usual: [1, 1000], least: 1e-2 },
  hardness: { kind: 'hardness', hard: [0, 5], usual: [0, 0.6], least: 1e-5 },
  /** Of what is dosed, in water. */
  concentration: { kind: 'hardness', hard: [0, 1], usual: [0, 0.25] },
  'mass-flow': { kind: 'mass-flow', hard: [0, 100], usual: [0, 1] },
  bore: { kind: 'length', hard: [0, 1], usual: [0, 0.11], least: 1e-5 },
  ratio: { kind: 'ratio', hard: [0, 1], usual: [0, 1], least: 1e-5 },
  /** CO by volume of dry flue gas. */
  'co-share': { kind: 'ratio', hard: [0, 0.2], usual: [0, 0.002] },
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
    kgh: 'lbh',
    lbh: 'kgh',
  }
  const pair = pairs[shown]
  return pair && units[pair].kind === ranges[measure].kind ? pair : undefined
}

/**
 * The measure that a key's unit suffix names, for showing a working's figures; undefined when the
 * key has no unit.
 */
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
    kg_s: 'mass-flow',
    m2: 'area',
  }
  if (/bore_m$|diameter_m$/i.test(key)) return 'bore'
  if (/elevation_m$/.test(key)) return 'elevation'
  if (/^hardness/.test(key)) return 'hardness'
  if (/Loss_W$/.test(key)) return 'small-power'
  return table[suffix]
}
