import type { JobRecord, JobState, Sample } from '@hestian/core'

/** A job with one more record; one that is there already changes nothing. */
export const withRecord = (state: JobState, record: JobRecord): JobState =>
  state.records.some((one) => one.id === record.id)
    ? state
    : { ...state, records: [...state.records, record] }

/** A job with one more reading of a test; a repeat changes nothing. */
export function withSample(state: JobState, testId: string, sample: Sample): JobState {
  const samples = state.samples[testId] ?? []
  const isNewest = (samples.at(-1)?.at_ms ?? -1) < sample.at_ms
  if (!isNewest && samples.some(({ at_ms }) => at_ms === sample.at_ms)) return state
  const more = [...samples, sample]
  if (!isNewest) more.sort((a, b) => a.at_ms - b.at_ms)
  return { ...state, samples: { ...state.samples, [testId]: more } }
}

/**
 * What was fetched, with what was heard while it was on its way: records and samples are only ever
 * appended, so that an answer that set out before one was stored does not take it off the page
 * again.
 */
export function together(fetched: JobState, shown: JobState | undefined): JobState {
  if (!shown) return fetched
  const late = new Set(shown.records.map(({ id }) => id))
  for (const { id } of fetched.records) late.delete(id)
  const samples = Object.fromEntries(
    Object.entries(shown.samples).map(([testId, heard]) => {
      const read = fetched.samples[testId] ?? []
      const last_ms = read.at(-1)?.at_ms ?? -Infinity
      return [testId, [...read, ...heard.filter(({ at_ms }) => at_ms > last_ms)]]
    }),
  )
  return {
    ...fetched,
    records: [...fetched.records, ...shown.records.filter(({ id }) => late.has(id))],
    samples: { ...fetched.samples, ...samples },
  }
}
