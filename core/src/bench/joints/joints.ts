import type { JobDocument } from '../../job/document'
import type { GasSegment } from '../../job/gasDocument'
import type { BodyOf, JobRecord } from '../../job/records'
import { ofKind } from '../../job/records'
import { meterNode } from '../../methods/network/tree'

/** A joint of the gas pipes, as it follows from how they lie. */
export interface Joint {
  readonly id: string
  readonly name: string
}

export type MadeHow = BodyOf<'joints-made'>

/** What was last seen at a joint, and when. */
export interface SoapedJoint extends Joint {
  readonly soaped?: { readonly result: 'dry' | 'bubbles'; readonly at: string; readonly by: string }
}

/**
 * The joints of one pipe: how they were made, where anybody has said so, and what was seen at each.
 */
export interface PipeJoints {
  readonly pipeId: string
  readonly pipeName: string
  readonly joints: readonly SoapedJoint[]
  readonly made?: MadeHow & { readonly at: string; readonly by: string }
}

/** The joints of a pipe in the order one soaps them: where it leaves, its bends, its far end. */
export function jointsOf({ gas, appliances }: JobDocument, segment: GasSegment): readonly Joint[] {
  const from = gas.segments.find(({ id }) => id === segment.from)
  const head = fromName(segment, from)
  const end = appliances.find(({ id }) => id === segment.applianceId)?.name
  const joint = (key: string, name: string): Joint => ({ id: `${segment.id}.${key}`, name })
  return [
    joint('start', head),
    ...Array.from({ length: segment.elbows }, (_, i) => joint(`bend-${i + 1}`, `Bend ${i + 1}`)),
    ...Array.from({ length: segment.branchTees }, (_, i) => joint(`tee-${i + 1}`, `Tee ${i + 1}`)),
    ...(end === undefined
      ? []
      : [joint('shut-off', `Shut-off of ${end}`), joint('end', `Connection of ${end}`)]),
    ...(segment.regulator ? [joint('regulator', 'Inlet of the regulator')] : []),
  ]
}

function fromName({ from }: GasSegment, before: GasSegment | undefined): string {
  if (from === meterNode || !before) return 'At the meter'
  return before.regulator ? 'Outlet of the regulator' : `Where it leaves ${before.name}`
}

/**
 * What was recorded after a test began, in the order of the records: a phone's clock may be behind
 * the server's.
 */
export function sinceTest(
  entries: readonly JobRecord[],
  testId: string | undefined,
): readonly JobRecord[] {
  const begun = entries.findIndex(
    ({ body }) => body.kind === 'test-begun' && body.testId === testId,
  )
  return entries.slice(begun + 1)
}

/**
 * The joint register of the pipes under test, with what was soaped since a test began; without one,
 * ever.
 */
export function jointRegister(
  document: JobDocument,
  entries: readonly JobRecord[],
  {
    pipes,
    testId,
  }: { readonly pipes: 'all' | readonly string[]; readonly testId: string | undefined },
): readonly PipeJoints[] {
  const soaped = ofKind(sinceTest(entries, testId), 'soaped')
  const made = ofKind(entries, 'joints-made')
  return document.gas.segments
    .filter(({ id }) => pipes === 'all' || pipes.includes(id))
    .map((segment): PipeJoints => {
      const last = made.findLast(({ body }) => body.pipe === segment.id)
      return {
        pipeId: segment.id,
        pipeName: segment.name,
        joints: jointsOf(document, segment).map((joint): SoapedJoint => {
          const seen = soaped.findLast(({ body }) => body.joints.includes(joint.id))
          return seen
            ? { ...joint, soaped: { result: seen.body.result, at: seen.at, by: seen.by } }
            : joint
        }),
        ...(last ? { made: { ...last.body, at: last.at, by: last.by } } : {}),
      }
    })
}

/**
 * Joints whose compound is still curing at an instant, with the instant when the last of them may
 * stand pressure.
 */
export const stillCuring = (
  register: readonly PipeJoints[],
  now_ms: number,
): readonly { readonly pipeName: string; readonly until_ms: number }[] =>
  register.flatMap(({ pipeName, made }) =>
    made?.curesUntil_ms && made.curesUntil_ms > now_ms
      ? [{ pipeName, until_ms: made.curesUntil_ms }]
      : [],
  )

/** Joints that were made to come off again, and are still on. */
export const temporaryJoints = (register: readonly PipeJoints[]): readonly string[] =>
  register.flatMap(({ pipeName, made }) => (made?.lasts === 'temporary' ? [pipeName] : []))

/**
 * Every joint that bubbled under soap since a test began, by name: what bubbles is a leak, whatever
 * the gauge says.
 */
export const bubbled = (
  entries: readonly JobRecord[],
  {
    pipes,
    testId,
  }: { readonly pipes: 'all' | readonly string[]; readonly testId: string | undefined },
): readonly string[] =>
  ofKind(sinceTest(entries, testId), 'soaped')
    .filter(
      ({ body }) =>
        body.result === 'bubbles' &&
        (pipes === 'all' ||
          body.joints.some((joint) => pipes.some((id) => joint.startsWith(`${id}.`)))),
    )
    .map(({ body }) => body.where)
