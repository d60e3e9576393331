import { useState } from 'react'

/**
 * A text that survives a reload of the page until it is taken: what was typed and not recorded yet.
 * Emptied by setting it empty; a form that begins with something begins with it again.
 */
export function useKeptText(what: string, begin = ''): readonly [string, (text: string) => void] {
  const key = `${what}:${location.pathname}`
  const [text, setText] = useState(() => {
    try {
      return sessionStorage.getItem(key) ?? begin
    } catch {
      return begin
    }
  })
  return [
    text,
    (next) => {
      setText(next)
      try {
        if (next === '') sessionStorage.removeItem(key)
        else sessionStorage.setItem(key, next)
      } catch {
        // Without storage it lives as long as the page.
      }
    },
  ]
}
