import type { Channel, GaugeState, HandTest, Series } from '@hestian/core'
import { withReading } from '@hestian/core'
import { useEffect } from 'react'

/** So often a reading is kept, s. */
const every_s = 5

/** What of a test is kept over time: the first thing that it can take from an instrument. */
export const seriesOf = ({ asks }: HandTest): Channel | undefined =>
  asks.flatMap((ask) => ('live' in ask && ask.live ? [ask.live] : []))[0]

/**
 * The instrument whose readings are kept: the one that the test is read with, or the only one. Of
 * two that nobody told apart, none.
 */
export function heardFrom(
  gauges: readonly GaugeState[],
  channel: Channel,
  from: string,
): GaugeState | undefined {
  const heard = gauges.filter(
    ({ state, values }) => state === 'live' && values[channel] !== undefined,
  )
  return heard.find(({ name }) => name === from) ?? (heard.length === 1 ? heard[0] : undefined)
}

/** Keeps what an instrument shows while a clock runs, a reading each few seconds. */
export function useSeries({
  kind,
  gauges,
  from,
  heardAt,
  startedAt,
  series,
  onSeries,
}: {
  readonly kind: HandTest
  readonly gauges: readonly GaugeState[]
  /** What the test is read with, by name, as far as that was said. */
  readonly from: string
  /** When the instruments were last asked: each time is a chance for a reading. */
  readonly heardAt: number
  /** Of the clock that runs; undefined while none does. */
  readonly startedAt: number | undefined
  readonly series: Series
  readonly onSeries: (series: Series) => void
}): void {
  useEffect(() => {
    const channel = seriesOf(kind)
    if (!channel || startedAt === undefined) return
    const value = heardFrom(gauges, channel, from)?.values[channel]
    const at_s = Math.round((Date.now() - startedAt) / 100) / 10
    const last_s = series.at(-1)?.[0] ?? -Infinity
    if (value === undefined || at_s < 0 || at_s - last_s < every_s) return
    onSeries(withReading(series, [at_s, value]))
    // A reading is kept each time the instruments were heard, not each time anything else moved.
    // eslint-disable-next-line react-hooks/exhaustive-deps -- as said above
  }, [heardAt, startedAt])
}
