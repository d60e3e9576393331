import { answers } from './answers'
import type { Asked } from './asked'

const answersTo = answers()
// The first of these takes a phone a tenth of a second: while nothing is asked yet.
new Intl.DateTimeFormat('en-GB', { timeZone: 'UTC' }).format()

/**
 * Computation, off the page. One of it stays and solves the job that is open; for what is heavy
 * there is one to a question, and a page that wants no answer any more ends it.
 */
addEventListener('message', ({ data }: MessageEvent<Asked>) =>
  answersTo(data, (message) => postMessage(message)),
)
