/** @jest-environment jsdom */
import { renderHook } from '@testing-library/react'
import { useSteady } from './useSteady'

test('a function is the same at every render, and does what the last one does', () => {
  const { result, rerender } = renderHook(
    ({ factor }) => useSteady({ times: (n: number) => n * factor }),
    { initialProps: { factor: 2 } },
  )
  const { times } = result.current
  expect(times(3)).toBe(6)
  rerender({ factor: 5 })
  expect(result.current.times).toBe(times)
  expect(times(3)).toBe(15)
})
