import type { JobRecord, JobState, Judgement, RecordBody, Signing, Solution } from '@hestian/core'
import { judge, solve } from '@hestian/core'
import { Refusal } from '../app/refusal'

/** A job solved and judged again on the server, as it is whenever something is signed or printed. */
export function judged(state: JobState): {
  readonly solution: Solution
  readonly judgement: Judgement
} {
  const solution = solve(state.document)
  return {
    solution,
    judgement: judge(solution, {
      entries: state.records,
      samples: state.samples,
      frozen: state.frozen,
    }),
  }
}

/** Records made from what core allows, the first under the caller's id so that sending it twice stores it once. */
export function recordsOf(
  signing: Signing,
  act: { readonly id: string; readonly by: string },
  at: string,
): JobRecord[] {
  if (!signing.ok) throw new Refusal(signing.code, signing.says)
  return numbered(signing.bodies, act, at)
}

export const numbered = (
  bodies: readonly RecordBody[],
  act: { readonly id: string; readonly by: string },
  at: string,
): JobRecord[] =>
  bodies.map((body, i) => ({
    id: i === 0 ? act.id : `${act.id}-${i}`.slice(0, 60),
    at,
    by: act.by,
    body,
  }))

/** Whether a request under this id was already carried out. */
export const isRepeat = (state: JobState, id: string): boolean =>
  state.records.some((record) => record.id === id)
