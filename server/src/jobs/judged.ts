import type { JobRecord, JobState, Judgement, Signing, Solution } from '@hestian/core'
import { judge, numbered, solve } from '@hestian/core'
import { Refusal } from '../app/refusal'

/**
 * A job solved and judged again on the server, as it is whenever something is signed or printed.
 */
export function judged(state: JobState): {
  readonly solution: Solution
  readonly judgement: Judgement
} {
  const solution = solve(state.document)
  const { records: entries, samples, frozen } = state
  return { solution, judgement: judge(solution, { entries, samples, frozen }) }
}

interface Acting {
  readonly id: string
  readonly by: string
}

/**
 * Records made from what core allows, the first under the caller's id so that sending it twice
 * stores it once.
 */
export function recordsOf(signing: Signing, act: Acting, at: string): JobRecord[] {
  if (!signing.ok) throw new Refusal(signing.code, signing.says)
  return numbered(signing.bodies, act, at)
}
