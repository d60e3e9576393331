import type { TightnessRun } from './run'
import { windowOf } from './run'

/**
 * What a test that is read by eye waits for: time, or a reading. Seconds left, or since it was due.
 */
export interface TypedAsk {
  readonly asks: 'settle' | 'read-start' | 'hold' | 'read-end'
  readonly left_s: number
}

/** How soon before its time a reading may be taken, s. */
const early_s = 4

/**
 * What is to be done now in a test read by eye, on Hestian's clock: let it settle, read the start,
 * hold, read the end. The end is due a whole test time after the start was read, whenever that was.
 */
export function typedAsk(run: TightnessRun, now_ms: number): TypedAsk {
  const { from_ms, inside } = windowOf(run)
  const [first] = inside
  const due_ms = first ? first.at_ms + run.plan.test_s * 1000 : from_ms
  const left_s = (due_ms - now_ms) / 1000
  if (!first) return { asks: left_s > 0 ? 'settle' : 'read-start', left_s }
  return { asks: left_s > early_s ? 'hold' : 'read-end', left_s }
}
