import { juniperRidge, thornfieldScoutHut } from '../../../demo/src/documents'
import type { JobDocument } from '../job/document'
import type { JobRecord } from '../job/records'
import { change, oneValue, several } from './findingCases.testing'
import { house } from './house.testing'
import { judge } from './judge'
import { lead, Site } from './onSite.testing'
import { skipStep } from './signing'
import { solve } from './solve'
import type { FindingId } from './wording'
import { findingIds } from './wording'

const juniper = juniperRidge()
const thornfield = thornfieldScoutHut()
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

  const seenAs = (verdict: 'sound' | 'unsafe' | 'look-again'): JobRecord => ({
    id: 'seen-0001',
    at: '2026-05-12T10:00:00Z',
    by: 'A. Fitter',
    body: { kind: 'inspected', item: inspected, verdict, limit: '', note: '', because: '' },
  })
  const walked = (verdict: 'sound' | 'unsafe' | 'look-again') =>
    judge(solve(juniper), {
      entries: [seenAs(verdict)],
      samples: {},
    }).sheets.inspection.findings.map(({ id }) => id)
  test.each(recorded)('%s, which a walk finds', (id, verdict) => {
    expect(walked(verdict)).toContain(id)
    expect(walked('sound')).not.toContain(id)
  })

  test('inspected-against-figures, which a walk finds where the survey says otherwise', () => {
    const with_ = (answer: string) =>
      judge(solve(change(juniper, { 'survey.looked.mainStopValve.answer': answer })), {
        entries: [seenAs('sound')],
        samples: {},
      }).sheets.inspection.findings.map(({ id }) => id)
    expect(with_('fails')).toContain('inspected-against-figures')
    expect(with_('works')).not.toContain('inspected-against-figures')
  })

  test('made-safe-not-mended, until it is tested again', () => {
    const leak = change(thornfield, { 'work.kinds': ['leak-made-safe'] })
    const made: JobRecord = {
      ...{ id: 'made-0001', at: '2026-11-20T10:00:00Z', by: 'A. Fitter' },
      body: { kind: 'made-safe', where: 'union', how: 'capped', without: '' },
    }
    const tested = (at: string): JobRecord => ({
      ...{ id: 'test-0001', at, by: 'A. Fitter' },
      body: { kind: 'ticked', item: 'retest', answer: 'done', because: '', text: 'no drop' },
    })
    const said = (entries: JobRecord[]) =>
      judge(solve(leak), { entries, samples: {} }).sheets.list.findings.map(({ id }) => id)
    expect(said([made])).toContain('made-safe-not-mended')
    expect(said([tested('2026-11-20T09:00:00Z'), made])).toContain('made-safe-not-mended')
    expect(said([made, tested('2026-11-20T12:00:00Z')])).not.toContain('made-safe-not-mended')
  })

  test('hand-test-failed, which the last reading at a burner is', () => {
    const read = (number: number, running_Pa: number): JobRecord => ({
      ...{ id: `read-000${number}`, at: '2026-11-20T10:00:00Z', by: 'A. Fitter' },
      body: {
        kind: 'measured',
        ...{ reading: 'water-flow', target: '', typed: {}, confirmed: [], instrument: '' },
        values: { static_Pa: 4e5, running_Pa, flow_m3_s: 2e-4 },
      },
    })
    const said = (entries: JobRecord[]) =>
      judge(solve(juniper), { entries, samples: {} }).sheets['by-hand'].findings.map(({ id }) => id)
    expect(said([read(1, 5e4)])).toContain('hand-test-failed')
    expect(said([read(1, 5e4), read(2, 2e5)])).not.toContain('hand-test-failed')
  })

  const byHand = (job: JobDocument, ...entries: JobRecord[]) =>
    judge(solve(job), { entries, samples: {} }).sheets['by-hand'].findings.map(({ id }) => id)
  const tested = (
    reading: string,
    values: Readonly<Record<string, number>>,
    on?: string,
  ): JobRecord => ({
    ...{ id: `test-${reading}`, at: '2026-11-20T10:00:00Z', by: 'A. Fitter' },
    body: {
      kind: 'measured',
      ...{ reading, target: '', typed: {}, confirmed: [], instrument: '', values: { ...values } },
      ...(on === undefined ? {} : { on }),
    },
  })
  const metal = { working_Pa: 3e5, start_Pa: 1.1e6, end_Pa: 1.1e6, held_s: 7200 }
  const air = { volume_m3: 0.08, start_Pa: 15000, end_Pa: 15000, held_s: 7200 }

  test('hand-test-outdated, which one is that passed on other pipes', () => {
    expect(byHand(juniper, tested('water-test-metal', metal, 'other pipes'))).toContain(
      'hand-test-outdated',
    )
    expect(byHand(juniper, tested('water-test-metal', metal))).not.toContain('hand-test-outdated')
  })
  test('hand-test-due, until water has stood where air stood in', () => {
    const stoodIn = tested('air-instead', air)
    expect(byHand(juniper, stoodIn)).toContain('hand-test-due')
    expect(byHand(juniper, stoodIn, tested('water-test-metal', metal))).not.toContain(
      'hand-test-due',
    )
    expect(
      byHand(juniper, stoodIn, tested('water-test-metal', { ...metal, held_s: 60 })),
    ).toContain('hand-test-due')
  })
  test('hold-point-open and -unknown, which keep the job from its signature', () => {
    const held = (test: string) => ({
      ...juniper,
      holdPoints: [{ id: 'hold-1', name: 'the floor is poured', test }],
    })
    const passed = tested('water-test-metal', metal)
    expect(byHand(held('water-test-metal'))).toContain('hold-point-open')
    expect(byHand(held('water-test-metal'), passed)).not.toContain('hold-point-open')
    expect(byHand(held('of-yesterday'), passed)).toContain('hold-point-unknown')
    expect(byHand(held('water-test-metal'), passed)).not.toContain('hold-point-unknown')
    const { missing } = judge(solve(held('water-test-metal')), { entries: [], samples: {} })
    expect(missing.map(({ what }) => what)).toContain('hold-point-open')
  })

  test('step-passed-over and -left-unknown, by what they leave unknown', () => {
    const found = (...steps: readonly string[]) => {
      const site = new Site(house())
      for (const step of steps) {
        site.until(step)
        site.take(skipStep(site.judge(), step, lead, 'nobody was there'))
      }
      return site.judge().sheets.steps.findings.map(({ id }) => id)
    }
    expect(found()).toEqual([])
    expect(found('heating.treated')).toEqual(['step-passed-over'])
    expect(found('heating.relief-check')).toEqual(['step-left-unknown'])
  })

  test('has its case here', () => {
    const has = new Set<FindingId>([
      ...[...oneValue, ...several, ...recorded].map(([id]) => id),
      'inspected-against-figures',
      'made-safe-not-mended',
      'hand-test-failed',
      'hand-test-outdated',
      'hand-test-due',
      'hold-point-open',
      'hold-point-unknown',
      'step-passed-over',
      'step-left-unknown',
    ])
    expect(findingIds.filter((id) => !has.has(id))).toEqual([])
  })
})
