import { useSyncExternalStore } from 'react'
import { phoneQuery } from './phone'

const subscribe = (listener: () => void) => {
  const list = matchMedia(phoneQuery)
  list.addEventListener('change', listener)
  return () => list.removeEventListener('change', listener)
}

/** Whether the page is as narrow as a phone: a drawing is then drawn smaller, not shrunk. */
export const useNarrow = (): boolean =>
  useSyncExternalStore(subscribe, () => matchMedia(phoneQuery).matches)
