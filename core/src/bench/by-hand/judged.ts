import type { JobDocument } from '../../job/document'
import type { JobRecord } from '../../job/records'
import { ofKind } from '../../job/records'
import { inWords } from '../../job/questions'
import type { Practice } from '../../practice/practices'
import { showIn } from '../../units/format'
import type { Show } from '../../units/format'
import { handTests } from './kinds'
import type { At, Found, Given, HandTest } from './spec'
import { atOf, cannotTell, targetsOf } from './spec'
import { ranges } from '../../units/measure'

/** A reading that is to be made or was, with what it comes to. The last one of its kind at its place counts. */
export interface JudgedHandTest {
  readonly kind: HandTest
  /** Of its appliance; empty where it is read once. */
  readonly target: { readonly id: string; readonly name: string }
  readonly last?: {
    readonly recordId: string
    readonly at: string
    readonly by: string
    readonly given: Given
    readonly instrument: string
    readonly found: Found
  }
  /** How often it was read before. */
  readonly before: number
}

/** What readings come to; figures that are missing or that nothing can be computed with cannot tell. */
export function foundOf(kind: HandTest, given: Given, at: At, show: Show): Found {
  const open = unanswered(kind, given)
  if (open.length > 0) return cannotTell(`Not read: ${open.join('; ')}.`)
  const outside = kind.asks.filter(({ key, measure }) => {
    const [least, most] = ranges[measure].hard
    const si = given[key]
    return si !== undefined && !(si >= least && si <= most)
  })
  const [first] = outside
  if (first) return cannotTell(`${first.label}: that cannot be. Read it again.`)
  try {
    return kind.judge(given, at, show)
  } catch (error) {
    if (error instanceof RangeError)
      return cannotTell('Nothing can be computed from these figures. Read them again.')
    throw error
  }
}

/** Asks that must be answered before a reading says anything, and are not. */
export const unanswered = ({ asks }: HandTest, given: Given): readonly string[] =>
  asks.filter((ask) => !ask.optional && given[ask.key] === undefined).map(({ label }) => label)

/** Every reading of this job: what was read at what is there, judged as the plates stand now. */
export function judgeHandTests(
  document: JobDocument,
  practice: Practice,
  entries: readonly JobRecord[],
  show: Show = showIn(practice.units),
): readonly JudgedHandTest[] {
  const measured = ofKind(entries, 'measured')
  const here = handTests.filter(({ applies }) => applies?.(practice, document) ?? true)
  return here.flatMap((kind) =>
    targetsOf(kind, document).map((appliance): JudgedHandTest => {
      const target = { id: appliance?.id ?? '', name: appliance?.name ?? '' }
      const mine = measured.filter(
        ({ body }) => body.reading === kind.id && body.target === target.id,
      )
      const last = mine.at(-1)
      return {
        kind,
        target,
        before: Math.max(0, mine.length - 1),
        ...(last
          ? {
              last: {
                recordId: last.id,
                at: last.at,
                by: last.by,
                given: last.body.values,
                instrument: last.body.instrument,
                found: foundOf(kind, last.body.values, atOf(document, practice, appliance), show),
              },
            }
          : {}),
      }
    }),
  )
}

/** A test of an appliance that is no longer on this job, or of a kind that is not made here: kept and told, and held against nothing. */
export interface SetAside {
  readonly recordId: string
  readonly name: string
  readonly typed: readonly string[]
  readonly at: string
  readonly by: string
}

/** Every test by hand that stands in no row of this job, oldest first: what was recorded can be read. */
export function setAside(
  document: JobDocument,
  practice: Practice,
  entries: readonly JobRecord[],
): readonly SetAside[] {
  const rows = new Set(
    judgeHandTests(document, practice, []).map(({ kind, target }) => `${kind.id}/${target.id}`),
  )
  return ofKind(entries, 'measured')
    .filter(({ body }) => !rows.has(`${body.reading}/${body.target}`))
    .map(({ id, at, by, body }) => ({
      recordId: id,
      name: inWords(
        handTests.find((kind) => kind.id === body.reading)?.name ?? body.reading,
        practice.words,
      ),
      typed: Object.values(body.typed),
      at,
      by,
    }))
}
