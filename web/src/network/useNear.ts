import type { RefObject } from 'react'
import { useEffect, useState } from 'react'
import { usePrinting } from '../ui/usePrinting'

/** From so many rows on only those near what is looked at are drawn. */
export const manyRows = 60

/** How far outside the window a row is drawn already, as CSS has it. */
const ahead = '600px 0px'

/**
 * The rows near the window, by what their `data-row` says; undefined where all are drawn: there are
 * few of them, the page is being printed, or the browser cannot tell.
 */
export function useNear(
  frame: RefObject<HTMLElement | null>,
  rows: readonly string[],
): ReadonlySet<string> | undefined {
  const [near, setNear] = useState<ReadonlySet<string>>(new Set())
  const printing = usePrinting()
  const canTell = typeof IntersectionObserver !== 'undefined'
  const many = canTell && rows.length > manyRows
  const order = rows.join(' ')
  useEffect(() => {
    if (!many) return
    const watch = new IntersectionObserver(
      (seen) =>
        setNear((before) => {
          const now = new Set(before)
          for (const { target, isIntersecting } of seen) {
            const id = (target as HTMLElement).dataset.row ?? ''
            if (isIntersecting) now.add(id)
            else now.delete(id)
          }
          return now
        }),
      { rootMargin: ahead },
    )
    for (const row of frame.current?.querySelectorAll('[data-row]') ?? []) watch.observe(row)
    return () => watch.disconnect()
  }, [frame, many, order])
  return many && !printing ? near : undefined
}
