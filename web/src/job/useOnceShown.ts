import { useEffect, useLayoutEffect, useRef } from 'react'
import { useJobActions } from './jobParts'

/**
 * An act that goes by the figures shown, such as a step from where a rung stands: it is done to the
 * figures of what was typed last, and not at all where what would do it is gone with them.
 */
export function useOnceShown<Args extends readonly unknown[]>(
  act: (...args: Args) => void,
): (...args: Args) => void {
  const { onceShown } = useJobActions()
  const latest = useRef<((...args: Args) => void) | undefined>(act)
  useLayoutEffect(() => {
    latest.current = act
  })
  useEffect(() => () => void (latest.current = undefined), [])
  return (...args) => onceShown(() => latest.current?.(...args))
}
