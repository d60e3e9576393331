/**
 * The factors between the units people write and SI. Exact by definition except where a line says
 * otherwise. Source: international yard and pound 1959; conventional inch of water 249.08891 Pa
 * (1000 kg/m³, 9.80665 m/s²); Btu (International Table) 1055.05585262 J.
 */
export const psi_Pa = 6894.757293168361
export const inchWater_Pa = 249.08891
export const foot_m = 0.3048
export const inch_m = 0.0254
export const btu_J = 1055.05585262
export const btuPerHour_W = btu_J / 3600
export const usGallon_m3 = 0.003785411784
export const imperialGallon_m3 = 0.00454609
export const cubicFoot_m3 = 0.028316846592
export const pound_kg = 0.45359237
export const zeroCelsius_K = 273.15
export const gravity_m_s2 = 9.80665
export const standardAtmosphere_Pa = 101325

/** What a figure measures: decides which units it can be written in. */
export type Kind =
  | 'pressure'
  | 'length'
  | 'temperature'
  | 'temperature-difference'
  | 'power'
  | 'volume'
  | 'flow'
  | 'velocity'
  | 'duration'
  | 'ratio'
  | 'heating-value'
  | 'area'
  | 'hardness'
  | 'mass-flow'

export interface Unit {
  readonly kind: Kind
  /** How the unit is shown. */
  readonly symbol: string
  /** Spellings understood, lower case, without spaces or full stops. */
  readonly spellings: readonly string[]
  readonly factor: number
  /** Added after the factor; only temperatures have one. */
  readonly offset?: number
  /** Decimals shown when nothing else is asked for. */
  readonly decimals: number
}

const unit = (
  kind: Kind,
  symbol: string,
  factor: number,
  decimals: number,
  spellings: readonly string[],
  offset?: number,
): Unit => ({
  kind,
  symbol,
  factor,
  decimals,
  spellings,
  ...(offset === undefined ? {} : { offset }),
})

export const units = {
  Pa: unit('pressure', 'Pa', 1, 0, ['pa', 'pascal', 'pascals']),
  kPa: unit('pressure', 'kPa', 1000, 2, ['kpa']),
  mbar: unit('pressure', 'mbar', 100, 2, ['mbar', 'mb', 'millibar', 'hpa']),
  bar: unit('pressure', 'bar', 1e5, 2, ['bar', 'bars', 'barg', 'bar(g)']),
  psi: unit('pressure', 'psi', psi_Pa, 1, ['psi', 'psig', 'lb/in2', 'lbs']),
  inwc: unit('pressure', 'in wc', inchWater_Pa, 2, [
    'inwc',
    'inwg',
    'inh2o',
    '"wc',
    '"wg',
    'inwatercolumn',
    'inchwc',
    'incheswc',
    'wc',
  ]),
  ozIn2: unit('pressure', 'oz/in²', psi_Pa / 16, 1, ['oz/in2', 'osi', 'ozin2']),
  mH2O: unit('pressure', 'm head', 9806.65, 1, ['mhead', 'mh2o', 'mwc', 'mwg']),
  ftH2O: unit('pressure', 'ft head', 2989.0669, 1, ['fthead', 'fth2o', 'ftwc']),
  MPa: unit('pressure', 'MPa', 1e6, 3, ['mpa']),
  mm: unit('length', 'mm', 0.001, 0, ['mm', 'millimetre', 'millimetres', 'millimeter']),
  cm: unit('length', 'cm', 0.01, 1, ['cm']),
  m: unit('length', 'm', 1, 1, ['m', 'metre', 'metres', 'meter', 'meters']),
  in: unit('length', 'in', inch_m, 2, ['in', 'inch', 'inches', '"', '″']),
  ft: unit('length', 'ft', foot_m, 1, ['ft', 'foot', 'feet', "'", '′']),
  C: unit('temperature', '°C', 1, 0, ['c', '°c', 'degc', 'celsius', 'degreesc'], zeroCelsius_K),
  F: unit(
    'temperature',
    '°F',
    5 / 9,
    0,
    ['f', '°f', 'degf', 'fahrenheit', 'degreesf'],
    zeroCelsius_K - 160 / 9,
  ),
  kelvin: unit('temperature', 'K', 1, 1, ['k', 'kelvin']),
  K: unit('temperature-difference', 'K', 1, 1, ['k', 'c', '°c']),
  Fdiff: unit('temperature-difference', '°F', 5 / 9, 1, ['f', '°f']),
  W: unit('power', 'W', 1, 0, ['w', 'watt', 'watts']),
  kW: unit('power', 'kW', 1000, 1, ['kw', 'kilowatt', 'kilowatts']),
  kBtuH: unit('power', 'kBtu/h', btu_J / 3.6, 1, [
    'kbtu/h',
    'kbtuh',
    'mbh',
    'kbtu',
    'thousandbtu/h',
  ]),
  BtuH: unit('power', 'Btu/h', btu_J / 3600, 0, ['btu/h', 'btuh', 'btu', 'btu/hr']),
  MJh: unit('power', 'MJ/h', 1e6 / 3600, 0, ['mj/h', 'mjh', 'mj/hr', 'mj']),
  L: unit('volume', 'L', 0.001, 1, ['l', 'litre', 'litres', 'liter', 'liters', 'ltr']),
  m3: unit('volume', 'm³', 1, 3, ['m3', 'm³']),
  usGal: unit('volume', 'US gal', usGallon_m3, 1, [
    'gal',
    'usgal',
    'usgallon',
    'gallon',
    'gallons',
    'usgallons',
  ]),
  impGal: unit('volume', 'imp gal', imperialGallon_m3, 1, [
    'impgal',
    'ukgal',
    'imperialgallon',
    'imperialgallons',
  ]),
  ft3: unit('volume', 'ft³', cubicFoot_m3, 2, ['ft3', 'ft³', 'cuft', 'cf']),
  m3s: unit('flow', 'm³/s', 1, 6, ['m3/s', 'm³/s']),
  m3h: unit('flow', 'm³/h', 1 / 3600, 2, ['m3/h', 'm³/h', 'm3h']),
  Lmin: unit('flow', 'L/min', 0.001 / 60, 1, ['l/min', 'lpm', 'lmin', 'litres/min']),
  Lh: unit('flow', 'L/h', 0.001 / 3600, 2, ['l/h', 'lph']),
  Ls: unit('flow', 'L/s', 0.001, 3, ['l/s']),
  gpm: unit('flow', 'gpm', usGallon_m3 / 60, 1, ['gpm', 'usgpm', 'gal/min']),
  kgh: unit('mass-flow', 'kg/h', 1 / 3600, 1, ['kg/h']),
  lbh: unit('mass-flow', 'lb/h', pound_kg / 3600, 1, ['lb/h', 'lbs/h']),
  cfh: unit('flow', 'ft³/h', cubicFoot_m3 / 3600, 1, ['cfh', 'ft3/h', 'ft³/h']),
  ms: unit('velocity', 'm/s', 1, 1, ['m/s']),
  fts: unit('velocity', 'ft/s', foot_m, 1, ['ft/s', 'fps']),
  s: unit('duration', 's', 1, 0, ['s', 'sec', 'second', 'seconds']),
  min: unit('duration', 'min', 60, 1, ['min', 'minute', 'minutes']),
  h: unit('duration', 'h', 3600, 1, ['h', 'hr', 'hour', 'hours']),
  percent: unit('ratio', '%', 0.01, 1, ['%', 'percent']),
  ppmV: unit('ratio', 'ppm', 1e-6, 0, ['ppm']),
  MJm3: unit('heating-value', 'MJ/m³', 1e6, 1, ['mj/m3', 'mj/m³']),
  m2: unit('area', 'm²', 1, 0, ['m2', 'm²', 'sqm']),
  ft2: unit('area', 'ft²', foot_m ** 2, 0, ['ft2', 'ft²', 'sqft']),
  /** Hardness as calcium carbonate. */
  mgL: unit('hardness', 'mg/L', 0.001, 0, ['mg/l', 'ppm']),
  gpg: unit('hardness', 'gpg', 0.01711806, 1, ['gpg', 'gr/gal', 'gr/usgal', 'grains']),
  dH: unit('hardness', '°dH', 0.017848, 1, ['dh', '°dh']),
  BtuFt3: unit('heating-value', 'Btu/ft³', btu_J / cubicFoot_m3, 0, [
    'btu/ft3',
    'btu/ft³',
    'btu/cf',
  ]),
} as const satisfies Record<string, Unit>

export type UnitName = keyof typeof units

/** A quantity in SI from a figure in a unit. Any finite figure; temperatures become kelvin. */
export const toSi = (figure: number, name: UnitName): number => {
  const { factor, offset = 0 }: Unit = units[name]
  return figure * factor + offset
}

/** The figure in a unit of a quantity in SI; the inverse of {@link toSi}. */
export const fromSi = (si: number, name: UnitName): number => {
  const { factor, offset = 0 }: Unit = units[name]
  return (si - offset) / factor
}
