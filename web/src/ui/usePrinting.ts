import { useEffect, useState } from 'react'

/** The page is being printed: what is folded or far away is drawn, so that it stands on paper. */
export function usePrinting(): boolean {
  const [printing, setPrinting] = useState(false)
  useEffect(() => {
    const begin = () => setPrinting(true)
    const end = () => setPrinting(false)
    window.addEventListener('beforeprint', begin)
    window.addEventListener('afterprint', end)
    return () => {
      window.removeEventListener('beforeprint', begin)
      window.removeEventListener('afterprint', end)
    }
  }, [])
  return printing
}
