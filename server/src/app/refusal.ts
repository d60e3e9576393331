import type { RefusalCode } from '@hestian/core'
import { refusals } from '@hestian/core'

/** A request that cannot be granted now: a code of the table and a sentence with the facts. */
export class Refusal extends Error {
  readonly code: RefusalCode
  /** What is here now, where it helps to decide. */
  readonly current: unknown

  constructor(code: RefusalCode, says: string, current?: unknown) {
    super(says)
    this.code = code
    this.current = current
  }

  get status(): number {
    return refusals[this.code].status
  }
}
