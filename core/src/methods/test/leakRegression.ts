import { expectAbove0 } from '../../answer/expect'
import { standardAtmosphere_Pa } from '../../units/units'
import { leastSquares } from './leastSquares'
import { studentT } from './studentT'

/** One reading of a closed pipe: gauge pressure, gas temperature, barometer. */
export interface PipeReading {
  readonly at_s: number
  readonly gauge_Pa: number
  readonly temp_K: number
  readonly atmosphere_Pa: number
}

/**
 * The leak that a series of readings shows: the slope of the absolute pressure brought to one
 * temperature, with its interval, as flow at that temperature and 101 325 Pa (negative for an
 * apparent gain). Rigid pipe, ideal gas, independent errors of reading. At least three readings at
 * different times, confidence between 0 and 1, else RangeError. Source: sources.leastSquares,
 * sources.idealGas.
 */
export function leakRegression({
  readings,
  volume_m3,
  referenceTemp_K,
  confidence,
}: {
  readonly readings: readonly PipeReading[]
  readonly volume_m3: number
  readonly referenceTemp_K: number
  readonly confidence: number
}) {
  expectAbove0({ volume_m3, referenceTemp_K })
  const bare = leastSquares(readings.map(({ at_s, gauge_Pa }) => ({ at_s, value: gauge_Pa })))
  const line = leastSquares(
    readings.map(({ at_s, gauge_Pa, temp_K, atmosphere_Pa }) => {
      expectAbove0({ temp_K, atmosphere_Pa })
      return { at_s, value: ((gauge_Pa + atmosphere_Pa) * referenceTemp_K) / temp_K }
    }),
  )
  const t = studentT(confidence, line.count - 2)
  const flow_m3_s = (slope_Pa_s: number) => (-slope_Pa_s * volume_m3) / standardAtmosphere_Pa
  const low_m3_s = flow_m3_s(line.slope_per_s + t * line.error_per_s)
  return {
    slopeUncorrected_Pa_s: bare.slope_per_s,
    slopeCorrected_Pa_s: line.slope_per_s,
    slopeError_Pa_s: line.error_per_s,
    studentT: t,
    leak_m3_s: flow_m3_s(line.slope_per_s),
    low_m3_s,
    high_m3_s: flow_m3_s(line.slope_per_s - t * line.error_per_s),
    isShown: low_m3_s > 0,
  }
}
