import type {
  Ask,
  Found,
  GaugeState,
  Given,
  HandTest,
  JudgedHandTest,
  Parsed,
  RecordBody,
  Series,
  UnitSet,
} from '@hestian/core'
import { atOf, foundOf, madeOnNow, parseAsk, unanswered } from '@hestian/core'
import { useState } from 'react'
import { useGauges } from '../api/queries'
import { useDesign, useJobActions, useReadBy } from '../job/JobContext'
import { useKeptText } from '../job/useKeptText'
import { useSeries } from './useSeries'

export type Texts = Readonly<Record<string, string>>

/**
 * What is typed of a reading, as text by the key of its ask; it survives a reload until it is
 * recorded.
 */
function useTexts(what: string): readonly [Texts, (texts: Texts) => void] {
  const [kept, setKept] = useKeptText(what)
  return [
    kept === '' ? {} : (JSON.parse(kept) as Texts),
    (texts) => setKept(Object.keys(texts).length === 0 ? '' : JSON.stringify(texts)),
  ]
}

/**
 * A test by hand as it is typed: what was understood, what it would come to, and what it waits for
 * before it is recorded.
 */
interface Typing {
  readonly kind: HandTest
  readonly gauges: readonly GaugeState[]
  readonly texts: Texts
  readonly setTexts: (texts: Texts) => void
  readonly confirmed: readonly string[]
  readonly setConfirmed: (confirmed: readonly string[]) => void
  readonly parsed: ReadonlyMap<string, Parsed>
  readonly given: Given
  readonly found: Found
  readonly waits: string | undefined
  readonly series: Series
  readonly send: () => void
}

export function useHandTest({ kind, target }: JudgedHandTest, onDone: () => void): Typing {
  const { solution } = useDesign()
  const { record } = useJobActions()
  const { show } = useReadBy()
  const { document, practice } = solution
  const heard = useGauges({ when: true })
  const gauges = heard.data ?? []
  const [texts, setTexts] = useTexts(`by-hand:${kind.id}:${target.id}`)
  const [confirmed, setConfirmed] = useState<readonly string[]>([])
  const appliance = document.appliances.find(({ id }) => id === target.id)
  const parsed = parsedOf(kind, texts, practice.units)
  const given: Given = Object.fromEntries(
    [...parsed].flatMap(([key, one]) => (one.outcome === 'understood' ? [[key, one.si]] : [])),
  )
  const at = atOf(document, practice, appliance)
  const found = foundOf(kind, given, at, show)
  const on = madeOnNow(kind, at)
  const waits = waitsFor(kind, parsed, given, found.outcome === 'failed' ? undefined : confirmed)
  const series = seriesIn(texts)
  const running = kind.asks.map((ask) => texts[clockOf(ask)] ?? '').find(Boolean)
  useSeries({
    ...{ kind, gauges, series, from: texts.instrument ?? '' },
    heardAt: heard.dataUpdatedAt,
    startedAt: running === undefined ? undefined : Number(running),
    onSeries: (next) => setTexts({ ...texts, series: JSON.stringify(next) }),
  })
  const send = () => {
    const typed = Object.fromEntries(
      Object.keys(given).map((key) => [key, (texts[key] ?? '').slice(0, 80)]),
    )
    const body = {
      kind: 'measured' as const,
      reading: kind.id,
      target: target.id,
      values: given as Record<string, number>,
      typed,
      confirmed: [...confirmed],
      instrument: (texts.instrument ?? '').trim().slice(0, 200),
      ...(on === undefined ? {} : { on }),
      ...(series.length > 1
        ? { series: series.map(([at_s, si]): [number, number] => [at_s, si]) }
        : {}),
    } satisfies RecordBody
    if (record(body) === undefined) return
    for (const off of kind.leavesOff?.(at) ?? []) record(off)
    setTexts({})
    onDone()
  }
  return {
    ...{ kind, gauges, texts, setTexts, confirmed, setConfirmed, parsed, given, found, waits },
    ...{ series, send },
  }
}

const parsedOf = ({ asks }: HandTest, texts: Texts, units: UnitSet): ReadonlyMap<string, Parsed> =>
  new Map(
    asks.flatMap((ask): [string, Parsed][] => {
      const text = (texts[ask.key] ?? '').trim()
      return text === '' ? [] : [[ask.key, parseAsk(ask, text, units)]]
    }),
  )

/**
 * What a reading waits for before it can be recorded, in words. A failure waits for nothing that is
 * to be confirmed.
 */
function waitsFor(
  kind: HandTest,
  parsed: ReadonlyMap<string, Parsed>,
  given: Given,
  confirmed: readonly string[] | undefined,
): string | undefined {
  const open = unanswered(kind, given).length
  if ([...parsed.values()].some(({ outcome }) => outcome !== 'understood'))
    return 'a figure that is not understood'
  if (open > 0) return open === 1 ? 'one figure' : `${open} figures`
  if (!confirmed) return undefined
  const left = kind.confirms.filter(({ id }) => !confirmed.includes(id)).length
  if (left === 0) return undefined
  return left === 1 ? 'one thing to confirm' : `${left} things to confirm`
}

/** What was kept over time beside what is typed. */
function seriesIn({ series = '' }: Texts): Series {
  return series === '' ? [] : (JSON.parse(series) as Series)
}

/** Where the start of an ask's clock is kept, beside what is typed. */
export const clockOf = ({ key }: Ask): string => `clock:${key}`
