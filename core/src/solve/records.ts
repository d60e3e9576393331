import type { JobRecord } from '../job/records'
import type { Sample } from '../bench/gas-tightness/run'

export interface Records {
  readonly entries: readonly JobRecord[]
  /** Samples by test, oldest first. */
  readonly samples: Readonly<Record<string, readonly Sample[]>>
  /** Letter of the revision under which the design is signed and frozen. */
  readonly frozen?: string | null
}
