import type { LogColumns, Sample } from '@hestian/core'
import { readLog } from '@hestian/core'

/** A file as it was read, and what its columns are said to be. */
export interface Log {
  readonly name: string
  readonly rows: readonly (readonly string[])[]
  readonly columns: LogColumns
  /** When files that count from nothing begin, ms since 1970. */
  readonly start_ms: number
}

/** Readings of a log from where the pipe was pumped up: the first row that can be read. */
export const samplesOf = (log: Log): readonly Sample[] =>
  readLog(log.rows, log.columns, log.start_ms).samples
