import type { Evidence, Known, Measure, SiteBasis } from '@hestian/core'
import { parseQuantity } from '@hestian/core'
import { useState } from 'react'
import { useDesign, useReadBy } from '../job/JobContext'
import type { Entry, QuantityProps } from './quantity'

/** What was typed and not used yet survives a reload of the page. */
function useTyped(
  key: string,
  initial: string,
): readonly [string, (text: string) => void, () => void] {
  const stored = `typed:${location.pathname}:${key}`
  const [text, setText] = useState(() => {
    try {
      return sessionStorage.getItem(stored) ?? initial
    } catch {
      return initial
    }
  })
  const write = (next: string) => {
    setText(next)
    try {
      if (next === initial) sessionStorage.removeItem(stored)
      else sessionStorage.setItem(stored, next.slice(0, 4000))
    } catch {
      /* kept in memory only */
    }
  }
  return [
    text,
    write,
    () => {
      try {
        sessionStorage.removeItem(stored)
      } catch {
        /* nothing was stored */
      }
    },
  ]
}

/** What is wrong with the ends of an assumption's range; both left out is a range too. */
function rangeRefused(
  ends: readonly (ReturnType<typeof parseQuantity> | undefined)[],
): string | undefined {
  if (ends.every((end) => end === undefined)) return undefined
  const [from, to] = ends
  if (from?.outcome !== 'understood' || to?.outcome !== 'understood')
    return 'Give both ends, each with its unit, or leave both out.'
  return from.si > to.si ? 'The lower end comes first.' : undefined
}

function errorOf(parsed: ReturnType<typeof parseQuantity>, touched: boolean): string | undefined {
  if (parsed.outcome === 'ambiguous') return parsed.says
  return parsed.outcome === 'refused' && touched ? parsed.says : undefined
}

/** The ends of an assumption's range as they are typed, and what is made of them. */
function useRange(measure: Measure, value: Known, isAsked: boolean) {
  const given = value?.between
  const { solution } = useDesign()
  const { show } = useReadBy()
  const [range, setRange] = useState<readonly [string, string]>(
    given ? [show(given[0], measure), show(given[1], measure)] : ['', ''],
  )
  const ends = range.map((end) =>
    end.trim() === '' ? undefined : parseQuantity(end, measure, solution.practice.units[measure]),
  )
  const [low, high] = ends.flatMap((end) => (end?.outcome === 'understood' ? [end.si] : []))
  return {
    range,
    setRange,
    rangeSays: isAsked ? rangeRefused(ends) : undefined,
    /** Both of them, SI, where both are understood. */
    between: low !== undefined && high !== undefined ? ([low, high] as const) : undefined,
  }
}

/** What is typed into the editor of a quantity, and what is made of it. */
export function useEntry({
  place,
  measure,
  value,
  how,
}: Pick<QuantityProps, 'place' | 'measure' | 'value' | 'how'>) {
  const { solution } = useDesign()
  const { show } = useReadBy()
  const [typed, setTyped, forget] = useTyped(
    place,
    value === null ? '' : show(value.value, measure),
  )
  const [basis, setBasis] = useState<SiteBasis>(value?.basis ?? 'measured')
  const [from, setFrom] = useState(value?.from ?? how ?? '')
  const [confirmed, setConfirmed] = useState<string>()
  const [tried, setTried] = useState(false)
  const [photos, setPhotos] = useState<readonly Evidence[]>([])
  const { between, ...ends } = useRange(measure, value, basis === 'assumed')
  const parsed = parseQuantity(typed, measure, solution.practice.units[measure])
  const understood = parsed.outcome === 'understood' ? parsed : undefined
  const asks = confirmed === typed ? undefined : understood?.question
  /** What it comes to; undefined while something about it is not settled, which is then said. */
  const entry = (): Entry | undefined => {
    setTried(true)
    if (!understood || asks || ends.rangeSays) return undefined
    const said = { typed: typed.slice(0, 80), basis, from: from.slice(0, 200), photos }
    return { si: understood.si, ...said, ...(between ? { between } : {}) }
  }
  return {
    ...{ typed, type: setTyped, forget },
    ...{ basis, setBasis, from, setFrom },
    ...ends,
    ...{ photos, setPhotos },
    parsed,
    si: understood?.si,
    /** A question about a value that hardly anybody means; gone once it is confirmed. */
    asks,
    confirm: () => setConfirmed(typed),
    error: errorOf(parsed, tried || typed.length > 0),
    entry,
  }
}

export type EntryInHand = ReturnType<typeof useEntry>
