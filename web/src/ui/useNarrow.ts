import { useSyncExternalStore } from 'react'

const query = '(max-width: 720px)'
const subscribe = (listener: () => void) => {
  const list = matchMedia(query)
  list.addEventListener('change', listener)
  return () => list.removeEventListener('change', listener)
}

/** Whether the page is as narrow as a phone: a drawing is then drawn smaller, not shrunk. */
export const useNarrow = (): boolean =>
  useSyncExternalStore(subscribe, () => matchMedia(query).matches)
