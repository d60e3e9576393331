import { useLayoutEffect, useRef, useState } from 'react'

type Action = (...args: never[]) => unknown

/**
 * The same functions at every render, each doing what the last rendered one does: whoever is handed
 * one need not be drawn again because it was made anew.
 */
export function useSteady<T extends { readonly [Name in keyof T]: Action }>(actions: T): T {
  const latest = useRef(actions)
  useLayoutEffect(() => {
    latest.current = actions
  })
  const [steady] = useState(
    () =>
      Object.fromEntries(
        (Object.keys(actions) as (keyof T)[]).map((name) => [
          name,
          (...args: never[]) => latest.current[name](...args),
        ]),
      ) as T,
  )
  return steady
}
