import type { Measure, UnitSet } from './measure'
import { measureOfKey } from './measure'
import type { UnitName } from './units'
import { fromSi, units } from './units'

/** A figure with so many decimals, a true minus sign and thin-space groups of three. Never "-0". */
export function formatNumber(value: number, decimals: number): string {
  if (!Number.isFinite(value)) return '–'
  const rounded = value.toFixed(decimals)
  const [whole = '0', part] = rounded.replace('-', '').split('.')
  const grouped = whole.length > 4 ? whole.replace(/\B(?=(\d{3})+$)/g, '\u2009') : whole
  const negative = value < 0 && Number(rounded) !== 0
  return `${negative ? '−' : ''}${grouped}${part ? `.${part}` : ''}`
}

/**
 * A quantity in SI as a figure in a unit, rounded as a gauge of that unit reads unless decimals are
 * given.
 */
export const figureIn = (si: number, unit: UnitName, decimals?: number): string =>
  formatNumber(fromSi(si, unit), decimals ?? units[unit].decimals)

/** The same with its unit, kept on one line: `0.83 bar`. */
export const quantityIn = (si: number, unit: UnitName, decimals?: number): string =>
  `${figureIn(si, unit, decimals)}\u00a0${units[unit].symbol}`

/**
 * Shows quantities in a job's units: one is made per practice and handed to whatever writes a
 * sentence.
 */
export interface Show {
  (si: number, measure: Measure, decimals?: number): string
  readonly figure: (si: number, measure: Measure, decimals?: number) => string
  readonly unit: (measure: Measure) => string
  readonly key: (key: string, value: number, circuit: 'water' | 'gas') => string
  /** A water pressure that is set by hand, to the nearest mark a pump's gauge is set to. */
  readonly set: (si: number) => string
  /** Something by the length: `3.2 W a metre`, `3.3 Btu/h a foot`. SI, for a metre. */
  readonly perLength: (si_m: number, measure: Measure) => string
  /** The same with so many more decimals. */
  readonly finer: (more: number) => Show
}

/** Decimals that a measure is read to in a unit, where the unit's own do not suit. */
const decimalsOf = (measure: Measure, unit: UnitName): number => {
  if (measure === 'water-pressure' && unit === 'kPa') return 0
  if (measure === 'volume' && unit === 'L') return 0
  if (measure === 'bore') return unit === 'in' ? 3 : 1
  if (measure === 'elevation' || measure === 'area') return 0
  if (measure === 'gas-pressure' && unit === 'kPa') return 3
  if (measure === 'leak-flow' && unit === 'cfh') return 3
  return units[unit].decimals
}

/** Marks that a charge or a fill is set to by hand, Pa. Common practice, no source. */
const settingStep_Pa: Partial<Record<UnitName, number>> = {
  bar: 5000,
  kPa: 5000,
  psi: units.psi.factor / 2,
}

/** Under this a length in feet is read in inches, m. */
const readInInches_m = 0.6

export function showIn(set: UnitSet, more = 0): Show {
  const show = (si: number, measure: Measure, decimals?: number) => {
    // Two psi is 55 inches of water, and the two are often mixed up: from 1 psi on, gas is read in
    // psi.
    if (measure === 'gas-pressure' && set[measure] === 'inwc' && Math.abs(si) >= units.psi.factor)
      return quantityIn(si, 'psi', 1 + more)
    // Ten point three minutes read as ten minutes three: a duration is never a decimal.
    if (measure === 'duration') return durationWords(si)
    if (set[measure] === 'ft' && measure !== 'elevation' && Math.abs(si) < readInInches_m)
      return quantityIn(si, 'in', 1 + more)
    return quantityIn(si, set[measure], (decimals ?? decimalsOf(measure, set[measure])) + more)
  }
  return Object.assign(show, {
    figure: (si: number, measure: Measure, decimals?: number) =>
      figureIn(si, set[measure], (decimals ?? decimalsOf(measure, set[measure])) + more),
    unit: (measure: Measure) => units[set[measure]].symbol,
    key: (key: string, value: number, circuit: 'water' | 'gas') => {
      const measure = measureOfKey(key, circuit)
      if (measure) return show(value, measure)
      return /Ratio$|Fraction$/.test(key)
        ? quantityIn(value, 'percent', 2)
        : formatNumber(value, Math.abs(value) >= 100 ? 0 : 3)
    },
    set: (si: number) => {
      const step_Pa = settingStep_Pa[set['water-pressure']] ?? 5000
      return show(Math.round(si / step_Pa) * step_Pa, 'water-pressure')
    },
    perLength: (si_m: number, measure: Measure) => {
      const unit = set.length
      return `${show(si_m * units[unit].factor, measure)} a ${unit === 'ft' ? 'foot' : 'metre'}`
    },
    finer: (extra: number) => showIn(set, more + extra),
  })
}

/** So many decimals more at most, to tell two figures apart. */
const mostMore = 3
/** Figures nearer than this share are the same figure. */
const sameShare = 1e-6

/**
 * Says something with just enough decimals that two figures of one measure that differ never read
 * alike: a failed limit is not rounded away. What no decimal tells apart is said as usual.
 */
export function toldApart<T>(show: Show, say: (show: Show) => T): T {
  for (let more = 0; more <= mostMore; more++) {
    const heard: { readonly si: number; readonly measure: Measure; readonly text: string }[] = []
    const finer = more === 0 ? show : show.finer(more)
    const hear = (si: number, measure: Measure, text: string) => {
      heard.push({ si, measure, text })
      return text
    }
    const listening: Show = Object.assign(
      (si: number, measure: Measure, decimals?: number) =>
        hear(si, measure, finer(si, measure, decimals)),
      {
        ...finer,
        figure: (si: number, measure: Measure, decimals?: number) =>
          hear(si, measure, finer.figure(si, measure, decimals)),
      },
    )
    const said = say(listening)
    const alike = heard.some((one, i) =>
      heard
        .slice(0, i)
        .some(
          (other) =>
            one.measure === other.measure &&
            one.text === other.text &&
            Math.abs(one.si - other.si) >
              sameShare * Math.max(Math.abs(one.si), Math.abs(other.si)),
        ),
    )
    if (!alike) return said
  }
  return say(show)
}

/** Seconds as m:ss, never as decimal minutes. 644 is `10:44`. */
export function clock(seconds: number): string {
  const whole = Math.max(0, Math.round(seconds))
  const minutes = Math.floor(whole / 60)
  return `${String(minutes).padStart(2, '0')}:${String(whole % 60).padStart(2, '0')}`
}

/** A duration in words: `2 min`, `1 min 30 s`, from an hour and a half on `2 h 5 min`. */
export function durationWords(seconds: number): string {
  const whole = Math.round(seconds)
  if (whole >= 5400)
    return `${Math.floor(Math.round(whole / 60) / 60)} h ${Math.round(whole / 60) % 60} min`
  if (whole < 60) return `${whole} s`
  const minutes = Math.floor(whole / 60)
  return whole % 60 === 0 ? `${minutes} min` : `${minutes} min ${whole % 60} s`
}
