/** Readings of one instrument since the clock was started: seconds, and SI as it sent it. */
export type Series = readonly (readonly [at_s: number, value: number])[]

/**
 * What a pressure does over time: it stands, falls ever slower as plastic does that creeps, or
 * falls on as what leaks.
 */
export type SeriesShape = 'stands' | 'creeps' | 'leaks' | 'cannot-tell'

/**
 * A fall that a gauge for water shows as none, Pa: a tenth of a bar. Common practice, no source.
 */
export const standsWithin_Pa = 1e4

/** Readings before this are the pump's, s. Assumed. */
const first_s = 30
const fewest = 12
/**
 * One way of falling has to fit so many times as well as the other to be told from it. Assumed;
 * held against simulated runs in the test.
 */
const timesBetter = 4
/** Logarithms tell from a line only over such a stretch of time. */
const leastStretch = 6

interface Fit {
  /** Sum of the squares of what is left over. */
  readonly left: number
  readonly slope: number
}

function fitted(points: readonly { readonly x: number; readonly y: number }[]): Fit {
  const mean = (of: (point: { x: number; y: number }) => number) =>
    points.reduce((sum, point) => sum + of(point), 0) / points.length
  const [x, y] = [mean((one) => one.x), mean((one) => one.y)]
  const sum = (of: (point: { x: number; y: number }) => number) =>
    points.reduce((total, point) => total + of(point), 0)
  const slope = sum((one) => (one.x - x) * (one.y - y)) / sum((one) => (one.x - x) ** 2)
  return { slope, left: sum((one) => (one.y - y - slope * (one.x - x)) ** 2) }
}

/**
 * How a pressure fell, by its shape over time: creep of plastic goes with the logarithm of time, a
 * leak nearly with time itself. Pressures in Pa; a fall within `perceptible_Pa` is none. Needs
 * twelve readings over a stretch of time of one to six, else it cannot tell. Source: creep of
 * plastic under load goes with log time (common practice, no source).
 */
export function shapeOf(series: Series, perceptible_Pa: number): SeriesShape {
  const late = series.filter(([at_s]) => at_s >= first_s)
  const [from, to] = [late[0], late.at(-1)]
  if (!from || !to || late.length < fewest || to[0] < leastStretch * from[0]) return 'cannot-tell'
  if (from[1] - to[1] <= perceptible_Pa) return 'stands'
  const line = fitted(late.map(([at_s, y]) => ({ x: at_s, y })))
  const log = fitted(late.map(([at_s, y]) => ({ x: Math.log(at_s), y })))
  if (log.slope < 0 && line.left > timesBetter * log.left) return 'creeps'
  return line.slope < 0 && log.left > timesBetter * line.left ? 'leaks' : 'cannot-tell'
}

export const shapeWords: Readonly<Record<SeriesShape, string>> = {
  stands: 'It stands.',
  creeps: 'It falls ever slower, as plastic does that creeps.',
  leaks: 'It falls on steadily, as what leaks.',
  'cannot-tell': 'Its shape does not tell creep from a leak.',
}

/** Most readings that a record holds; past it every second one goes. */
export const mostInSeries = 720

/** A series with one reading more: those of before come less often when there are many. */
export const withReading = (series: Series, reading: Series[number]): Series =>
  series.length < mostInSeries
    ? [...series, reading]
    : [...series.filter((_, i) => i % 2 === 0), reading]
