import type { Practice } from '@hestian/core'
import { inWords, recordSays } from '@hestian/core'
import type { Outgoing } from './outbox'

type Words = Practice['words']

/** What waits to be sent, by a name that whoever recorded it knows. */
export function outgoingName(entry: Outgoing, words: Words): string {
  switch (entry.kind) {
    case 'record':
      return inWords(recordSays(entry.record.body), words)
    case 'act':
      return inWords(entry.says, words)
    case 'sample':
      return 'A reading of a test'
    case 'evidence':
      return entry.type === 'application/pdf' ? 'A paper' : 'A photograph'
  }
}
