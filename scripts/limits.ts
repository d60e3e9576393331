import { performance } from 'node:perf_hooks'

const middleOf = (runs: readonly number[]): number =>
  [...runs].sort((a, b) => a - b)[Math.floor(runs.length / 2)] ?? 0

function once_ms(): number {
  const start = performance.now()
  let sum = 0
  for (let k = 0; k < 100; k++) for (let i = 1; i < 1e5; i++) sum += Math.sqrt(i) / i
  return (performance.now() - start) / (sum > 0 ? 100 : 1)
}
let kept: number | undefined
/**
 * A fixed piece of work: what this machine does in it today stands beside every absolute limit, ms.
 */
const calibration_ms = (): number => (kept ??= middleOf(Array.from({ length: 5 }, once_ms)))

/** Prints the median of runs, ms, beside its limit. */
export function sayLimit(name: string, runs: readonly number[], limit_ms: number): void {
  const middle = middleOf(runs)
  console.log(
    `${name}: ${middle.toFixed(3)} ms, limit ${limit_ms} ms: ${middle <= limit_ms ? 'kept' : 'OVER'} (median of five; the calibration loop takes ${calibration_ms().toFixed(3)} ms here)`,
  )
}
