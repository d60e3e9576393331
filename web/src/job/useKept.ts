import { useKeptText } from './useKeptText'

/**
 * A value of plain data that survives a reload of the page until it is taken; what it begins as is
 * not kept.
 */
export function useKept<T>(what: string, begins: T): readonly [T, (value: T) => void] {
  const [text, setText] = useKeptText(what)
  return [
    text === '' ? begins : (JSON.parse(text) as T),
    (value) => setText(value === begins ? '' : JSON.stringify(value)),
  ]
}
