import type { Notice } from '@hestian/core'
import { NoticeAnswer } from '@hestian/core'

/** An office that has not answered by then has not answered. */
const patience_ms = 10_000
/** Of an answer, that nobody fills the memory with. */
const longestAnswer = 64 * 1024

export type OfficeSaid = NoticeAnswer | { readonly outcome: 'unanswered' }

/**
 * Sends a notice over HTTP as JSON, under a key by which the office knows one that is sent again.
 * Anything but an answer that can be understood counts as none: it may have arrived, and is sent
 * again under the same key.
 */
export async function tellOffice(
  address: string,
  key: string,
  notice: Notice,
  most_ms = patience_ms,
): Promise<OfficeSaid> {
  try {
    const response = await fetch(new URL('/notices', address), {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'idempotency-key': key },
      body: JSON.stringify(notice),
      signal: AbortSignal.timeout(most_ms),
    })
    const text = (await response.text()).slice(0, longestAnswer)
    return NoticeAnswer.parse(JSON.parse(text))
  } catch {
    return { outcome: 'unanswered' }
  }
}
