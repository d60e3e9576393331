import type { Practice } from '@hestian/core'
import { inWords, recordSays } from '@hestian/core'
import type { Outgoing } from './outbox'

type Words = Practice['words']

/** What waits to be sent, by a name that whoever recorded it knows. */
export const outgoingName = (entry: Outgoing, words: Words): string =>
  entry.kind === 'evidence'
    ? entry.type === 'application/pdf'
      ? 'A paper'
      : 'A photograph'
    : inWords(recordSays(entry.record.body), words)
