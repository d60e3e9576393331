import type { Answered, Asked } from './asked'
import type { JobAnswer, Question, ToSolve } from './handed'
import { hearing } from './handed'
import { NotFetched } from './NotFetched'
import { takeWorker } from './startWorker'

/** What a question came to, or what went wrong. */
export type Heard = JobAnswer | { readonly of: Question; readonly failed: Error }

interface Asking {
  /** Asks, and hears of it once; a question that is followed by another is not answered. */
  readonly ask: (question: Question, hear: (heard: Heard) => void) => void
  /** Starts what will be asked, so that it is there when it is. */
  readonly begin: () => void
}

const notHere =
  'What works out the figures is not on this device yet, and the server does not answer.'
const noAnswer = 'What works out the figures gave no answer.'
/** A page waits this long for an answer: a slow phone takes a second, something that died for ever. */
const patience_ms = 20_000

/** Has the job that is open solved off the page, in a worker that is kept for the next question. */
export function solving(start: () => Worker): Asking {
  let worker: Worker | undefined
  let n = 0
  let told: Partial<Question> = {}
  let heardFrom = hearing()
  let last: { readonly of: Question; readonly hear: (heard: Heard) => void } | undefined
  let hasAnswered = false
  let timer: ReturnType<typeof setTimeout> | undefined
  const fail = (failed: Error) => {
    clearTimeout(timer)
    // The next question starts another one, and tells it everything.
    worker?.terminate()
    worker = undefined
    last?.hear({ of: last.of, failed })
  }
  const begin = (): Worker => {
    if (worker) return worker
    const begun = start()
    worker = begun
    told = {}
    hasAnswered = false
    heardFrom = hearing()
    begun.onmessage = ({ data }: MessageEvent<Answered>) => {
      if (data.kind !== 'solved') return
      hasAnswered = true
      if (data.job.n === n) clearTimeout(timer)
      if ('failed' in data.job)
        return data.job.n === n ? fail(new Error(data.job.failed)) : undefined
      // Heard though it is overtaken: what has not changed since is not handed over again.
      const heard = last && heardFrom(data.job.found, last.of)
      if (heard && data.job.n === n) last?.hear(heard)
    }
    begun.onerror = () => fail(new NotFetched(notHere))
    return begun
  }
  return {
    begin: () => void begin(),
    ask: (question, hear) => {
      const to = begin()
      n += 1
      last = { of: question, hear }
      const changed = (Object.keys(question) as (keyof Question)[]).filter(
        (key) => told[key] !== question[key],
      )
      told = question
      const job: ToSolve = { n, ...Object.fromEntries(changed.map((key) => [key, question[key]])) }
      clearTimeout(timer)
      timer = setTimeout(
        () => fail(hasAnswered ? new Error(noAnswer) : new NotFetched(notHere)),
        patience_ms,
      )
      to.postMessage({ kind: 'solve', job } satisfies Asked)
    },
  }
}

/** The one of this page. */
export const solvingHere = solving(takeWorker)
