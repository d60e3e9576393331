import { juniperRidge } from '../../../demo/src/documents'
import type { JobDocument } from '../job/document'
import type { JobRecord } from '../job/records'
import { change, oneValue, several } from './findingCases.testing'
import { judge } from './judge'
import { solve } from './solve'
import type { FindingId } from './wording'
import { findingIds } from './wording'

const juniper = juniperRidge()
const recorded = [
  ['inspected-unsafe', 'unsafe'],
  ['inspected-look-again', 'look-again'],
] as const
const inspected = 'stop-valve'

const found = (job: JobDocument): readonly string[] => solve(job).findings.map(({ id }) => id)

describe('every finding', () => {
  test.each(oneValue)('%s', (id, job, path, shows, quiet) => {
    expect(found(change(job, { [path]: shows }))).toContain(id)
    expect(found(change(job, { [path]: quiet }))).not.toContain(id)
  })
  test.each(several)('%s', (id, job, shows, quiet) => {
    expect(found(change(job, shows))).toContain(id)
    expect(found(change(change(job, shows), quiet))).not.toContain(id)
  })

  const walked = (verdict: 'sound' | 'unsafe' | 'look-again') => {
    const seen: JobRecord = {
      id: 'seen-0001',
      at: '2026-05-12T10:00:00Z',
      by: 'A. Fitter',
      body: { kind: 'inspected', item: inspected, verdict, limit: '', note: '', because: '' },
    }
    return judge(solve(juniper), { entries: [seen], samples: {} }).sheets.inspection.findings.map(
      ({ id }) => id,
    )
  }
  test.each(recorded)('%s, which a walk finds', (id, verdict) => {
    expect(walked(verdict)).toContain(id)
    expect(walked('sound')).not.toContain(id)
  })

  test('has its case here', () => {
    const has = new Set<FindingId>([...oneValue, ...several, ...recorded].map(([id]) => id))
    expect(findingIds.filter((id) => !has.has(id))).toEqual([])
  })
})
