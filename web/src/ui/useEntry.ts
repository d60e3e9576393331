import type { Evidence, SiteBasis } from '@hestian/core'
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

/** What is typed into the editor of a quantity, and what is made of it. */
export function useEntry({
  place,
  measure,
  value,
  how,
}: Pick<QuantityProps, 'place' | 'measure' | 'value' | 'how'>) {
  const { solution } = useDesign()
  const { show } = useReadBy()
  const text = (si: number) => show(si, measure)
  const [typed, setTyped, forget] = useTyped(place, value === null ? '' : text(value.value))
  const [basis, setBasis] = useState<SiteBasis>(value?.basis ?? 'measured')
  const [from, setFrom] = useState(value?.from ?? how ?? '')
  const [confirmed, setConfirmed] = useState<string>()
  const [tried, setTried] = useState(false)
  const [range, setRange] = useState<readonly [string, string]>(
    value?.between ? [text(value.between[0]), text(value.between[1])] : ['', ''],
  )
  const [photos, setPhotos] = useState<readonly Evidence[]>([])
  const units = solution.practice.units[measure]
  const ends = range.map((end) =>
    end.trim() === '' ? undefined : parseQuantity(end, measure, units),
  )
  const between = ends.flatMap((end) => (end?.outcome === 'understood' ? [end.si] : []))
  const rangeSays = basis === 'assumed' ? rangeRefused(ends) : undefined
  const parsed = parseQuantity(typed, measure, units)
  const understood = parsed.outcome === 'understood' ? parsed : undefined
  const asks = confirmed === typed ? undefined : understood?.question
  /** What it comes to; undefined while something about it is not settled, which is then said. */
  const entry = (): Entry | undefined => {
    setTried(true)
    if (!understood || asks || rangeSays) return undefined
    const [low, high] = between
    return {
      si: understood.si,
      typed: typed.slice(0, 80),
      basis,
      from: from.slice(0, 200),
      photos,
      ...(low !== undefined && high !== undefined ? { between: [low, high] } : {}),
    }
  }
  return {
    typed,
    type: setTyped,
    forget,
    basis,
    setBasis,
    from,
    setFrom,
    range,
    setRange,
    rangeSays,
    photos,
    setPhotos,
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
