import type { JobDocument } from '../../job/document'
import type { BodyOf, JobRecord } from '../../job/records'
import { ofKind } from '../../job/records'
import { inWords } from '../../job/questions'
import type { Practice } from '../../practice/practice'
import { showIn } from '../../units/format'
import type { Show } from '../../units/format'
import type { Series } from '../series/shape'
import { handTests } from './kinds'
import { madeOnNow } from './madeOn'
import type { At, Found, Given, HandTest } from './spec'
import { atOf, cannotTell, targetsOf } from './spec'
import { ranges } from '../../units/measure'

/**
 * A reading that is to be made or was, with what it comes to. The last one of its kind at its place
 * counts.
 */
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
    /** What an instrument sent while its clock ran. */
    readonly series?: Series
    /** It passed, and what it was made on is another now. */
    readonly isOutdated: boolean
  }
  /** How often it was read before. */
  readonly before: number
}

/**
 * What readings come to; figures that are missing or that nothing can be computed with cannot tell.
 */
export function foundOf(kind: HandTest, given: Given, at: At, show: Show): Found {
  const open = unanswered(kind, given)
  if (open.length > 0) return cannotTell(`Not read: ${open.join('; ')}.`)
  const outside = kind.asks.filter((ask) => {
    const [least, most] = 'choices' in ask ? [0, ask.choices.length - 1] : ranges[ask.measure].hard
    const si = given[ask.key]
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
      const here = atOf(document, practice, appliance)
      return {
        kind,
        target,
        before: Math.max(0, mine.length - 1),
        ...(last ? { last: lastOf(kind, last, here, show) } : {}),
      }
    }),
  )
}

type Measured = JobRecord & { readonly body: BodyOf<'measured'> }

/**
 * What was read last, judged as the job stands now: what passed on other pipes says nothing of
 * these.
 */
function lastOf(
  kind: HandTest,
  { id, at, by, body }: Measured,
  here: At,
  show: Show,
): NonNullable<JudgedHandTest['last']> {
  const found = foundOf(kind, body.values, here, show)
  const isOutdated =
    found.outcome === 'passed' && body.on !== undefined && body.on !== madeOnNow(kind, here)
  return {
    recordId: id,
    at,
    by,
    given: body.values,
    instrument: body.instrument,
    ...(body.series ? { series: body.series } : {}),
    isOutdated,
    found: isOutdated
      ? cannotTell(
          `What was tested was changed since: make it again. It was: ${found.says}`,
          found.figures,
        )
      : found,
  }
}

/**
 * A test of an appliance that is no longer on this job, or of a kind that is not made here: kept
 * and told, and held against nothing.
 */
export interface SetAside {
  readonly recordId: string
  readonly name: string
  readonly typed: readonly string[]
  readonly at: string
  readonly by: string
}

/**
 * Every test by hand that stands in no row of this job, oldest first: what was recorded can be
 * read.
 */
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
