import { kestrelWeir } from '../../../../demo/src/documents'
import type { JobRecord, RecordBody } from '../../job/records'
import { bubbled, jointRegister, jointsOf, stillCuring, temporaryJoints } from './joints'

const job = kestrelWeir()
const [first] = job.gas.segments
if (!first) throw new Error('no pipe')
const at = (minute: number) => `2026-11-28T10:${String(minute).padStart(2, '0')}:00.000Z`
const record = (minute: number, body: RecordBody): JobRecord => ({
  id: `record-${String(minute).padStart(4, '0')}`,
  at: at(minute),
  by: 'lead',
  body,
})
const soaped = (minute: number, joint: string, result: 'dry' | 'bubbles') =>
  record(minute, { kind: 'soaped', testId: 'test-0001', joints: [joint], where: joint, result })
const everything = { pipes: 'all', testId: undefined } as const

test('every bend, tee and end of a pipe is a joint, and each has a name of its own', () => {
  for (const segment of job.gas.segments) {
    const joints = jointsOf(job, segment)
    const ends = segment.applianceId === null ? 0 : 2
    expect(joints).toHaveLength(1 + segment.elbows + segment.branchTees + ends)
    expect(new Set(joints.map(({ name }) => name)).size).toBe(joints.length)
  }
  const ids = job.gas.segments.flatMap((segment) => jointsOf(job, segment).map(({ id }) => id))
  expect(new Set(ids).size).toBe(ids.length)
})

/** As far as the records go, a test that began there; on a server whose clock is an hour ahead. */
const begun = (testId: string): JobRecord => ({
  ...record(59, { kind: 'test-ended', testId, early: false }),
  body: { kind: 'test-begun', testId } as RecordBody,
})

test('the last soap counts, and only since the test began, whatever the clocks say', () => {
  const joint = `${first.id}.start`
  const entries = [
    begun('test-0001'),
    soaped(1, joint, 'bubbles'),
    soaped(5, joint, 'dry'),
    begun('test-0002'),
  ]
  const seen = (testId: string | undefined) =>
    jointRegister(job, entries, { pipes: 'all', testId })[0]?.joints[0]?.soaped?.result
  expect(seen(undefined)).toBe('dry')
  expect(seen('test-0001')).toBe('dry')
  expect(seen('test-0002')).toBeUndefined()
})

test('what bubbled once since a test stays found, though it was dry after and its phone is slow', () => {
  const joint = `${first.id}.start`
  const entries = [
    begun('test-0001'),
    soaped(1, joint, 'bubbles'),
    soaped(5, joint, 'dry'),
    begun('test-0002'),
  ]
  expect(bubbled(entries, everything)).toEqual([joint])
  expect(bubbled(entries, { pipes: [first.id], testId: 'test-0001' })).toEqual([joint])
  expect(bubbled(entries, { pipes: ['another'], testId: 'test-0001' })).toEqual([])
  expect(bubbled(entries, { pipes: 'all', testId: 'test-0002' })).toEqual([])
})

test('compound cures to its time and not past it; temporary joints are named until they are made for good', () => {
  const made = (minute: number, lasts: 'permanent' | 'temporary', curesUntil_ms: number | null) =>
    record(minute, { kind: 'joints-made', pipe: first.id, how: 'threaded', lasts, curesUntil_ms })
  const register = jointRegister(job, [made(1, 'temporary', 5000)], everything)
  expect(stillCuring(register, 4999).map(({ pipeName }) => pipeName)).toEqual([first.name])
  expect(stillCuring(register, 5000)).toEqual([])
  expect(temporaryJoints(register)).toEqual([first.name])
  const forGood = jointRegister(
    job,
    [made(1, 'temporary', 5000), made(2, 'permanent', null)],
    everything,
  )
  expect(temporaryJoints(forGood)).toEqual([])
  expect(stillCuring(forGood, 0)).toEqual([])
})
