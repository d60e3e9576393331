import type { Measure } from '../units/measure'
import { ranges } from '../units/measure'
import type { Known } from './known'

/** Range of an assumption that states none: a fifth either way, or 5 K. Assumed. */
export const usualGuess = { ratio: 0.2, temp_K: 5 } as const

/** The range that an assumed value carries: its own, or the usual one of a guess. */
export const rangeOf = (known: NonNullable<Known>, measure: Measure): readonly [number, number] =>
  known.between ??
  (ranges[measure].kind === 'temperature'
    ? [known.value - usualGuess.temp_K, known.value + usualGuess.temp_K]
    : [known.value * (1 - usualGuess.ratio), known.value * (1 + usualGuess.ratio)])
