import type { Sample } from '@hestian/core'
import { missed_ms, replayGrace_ms } from '../gauges/replay'

/**
 * Tells of each sample, in the order they come, whether all before it are there. After a break live
 * samples arrive ahead of those that the gauge sends again; judged then, the hole between them
 * would end a test with which nothing is wrong. A gauge that has no memory, or was really silent,
 * is waited for no longer than {@link replayGrace_ms}.
 */
export function catchingUp(
  last_ms: number,
  now: () => number,
): (sample: Pick<Sample, 'at_ms'>) => boolean {
  let newest_ms = last_ms
  let holeSeen_ms: number | undefined
  let sentAgain = false
  return ({ at_ms }) => {
    if (at_ms <= newest_ms) {
      sentAgain ||= holeSeen_ms !== undefined
      return false
    }
    if (at_ms - newest_ms > missed_ms) {
      holeSeen_ms ??= now()
      sentAgain = false
    }
    newest_ms = at_ms
    if (holeSeen_ms !== undefined && (sentAgain || now() - holeSeen_ms >= replayGrace_ms))
      holeSeen_ms = undefined
    return holeSeen_ms === undefined
  }
}
