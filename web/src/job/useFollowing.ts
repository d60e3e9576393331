import { useDeferredValue, useLayoutEffect, useState } from 'react'
import { flushSync } from 'react-dom'

/** What somebody does to a page, before it hears of it. */
const acts = ['keydown', 'pointerdown', 'click'] as const

/**
 * A value that follows `now` at the next chance, so that what was typed shows first; at once where
 * somebody acts meanwhile, so that nothing is done to what is shown no more.
 */
export function useFollowing<T extends object>(now: T): T {
  const late = useDeferredValue(now)
  const [caughtUp, setCaughtUp] = useState<T>()
  const shown = caughtUp === now ? now : late
  const isBehind = shown !== now
  useLayoutEffect(() => {
    if (!isBehind) return
    const catchUp = () => flushSync(() => setCaughtUp(now))
    for (const act of acts) window.addEventListener(act, catchUp, { capture: true, once: true })
    return () => {
      for (const act of acts) window.removeEventListener(act, catchUp, { capture: true })
    }
  }, [isBehind, now])
  return shown
}
