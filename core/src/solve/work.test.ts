import { juniperRidge, kestrelWeir, thornfieldScoutHut } from '../../../demo/src/documents'
import { blankDocument } from '../job/document'
import { applyEdits } from '../job/edits'
import type { JobRecord, RecordBody } from '../job/records'
import { workKinds } from '../job/workDocument'
import { practices } from '../practice/practices'
import type { Person } from '../practice/tickets'
import { beginExchange, chooseWork } from '../work/begin'
import { isSheetAsked, strangeSheets } from './askedSheets'
import { change } from './findingCases.testing'
import { judge } from './judge'
import { sheetIds } from './sheetIds'
import { tickItem } from './signing'
import { solve } from './solve'
import { summaryOf } from './summary'
import { openUnsafe } from './unsafe'

const kestrel = kestrelWeir()
const hut = thornfieldScoutHut()
const record = (id: string, body: RecordBody): JobRecord => ({
  ...{ id: `record-${id}`, at: '2026-11-20T10:00:00Z', by: 'a' },
  body,
})
const judged = (job: typeof hut, entries: readonly JobRecord[] = []) =>
  judge(solve(job), { entries, samples: {} })
const unsafeFlue: RecordBody = {
  ...{ kind: 'unsafe', class: 'immediate', what: 'flue apart', done: 'shut off' },
  ...{ label: 'hung', notice: 'signed', toWhom: '', reportedTo: '', sheet: 'place' },
}

describe('what the work asks', () => {
  test('are sheets that there are', () => {
    expect(strangeSheets()).toEqual([])
  })
  test('is everything while nobody has said what it is', () => {
    const unsaid = change(hut, { 'work.kinds': [] })
    expect(sheetIds.filter((id) => !isSheetAsked(id, unsaid))).toEqual([])
    expect(judged(unsaid).missing.map(({ what }) => what)).toContain('What the work is')
  })
  test('of a relief exchanged is at most a dozen questions, and the plate stands among them', () => {
    const blank = blankDocument({ name: 'Hut', address: '1 Lane', practice: 'north-america' })
    let count = 0
    const newId = () => `row-${++count}`
    const chosen = applyEdits(blank, chooseWork(blank, ['safety-part-exchanged'], newId))
    const begun = applyEdits(
      chosen,
      beginExchange(chosen, 'relief-valve', practices['north-america'].words, newId),
    )
    const { sheets } = judged(begun)
    const asked = sheets.exchange.missing.map(({ what }) => what)
    expect(asked).toHaveLength(11)
    expect(asked[0]).toBe('Maximum working pressure of Boiler')
    expect(asked[1]).toBe('Heat input of Boiler')
    // The worst cause brings one more: whether it is put right.
    const weeping = applyEdits(begun, [{ path: ['work', 'exchange', 'cause'], value: 'vessel' }])
    expect(judged(weeping).sheets.exchange.missing).toHaveLength(11)
    const others = Object.values(sheets).filter(
      ({ id }) => !['exchange', 'list', 'steps'].includes(id),
    )
    expect(others.filter(({ state }) => state === 'incomplete').map(({ id }) => id)).toEqual([
      'handover',
    ])
  })
  test('is wider with another kind, and narrower without: what is filled stays and is judged', () => {
    const narrow = change(kestrel, { 'work.kinds': ['inspection-only'] })
    expect(judged(narrow).sheets.vessel.state).toBe('invited')
    const bad = change(narrow, { 'appliances.0.maxWorkingGauge_Pa.value': 200000 })
    const { sheets, missing } = judged(bad)
    expect(sheets.vessel.state).toBe('stop')
    expect(missing.some(({ finding }) => finding?.id === 'relief-above-weakest')).toBe(true)
  })
  test.each(workKinds)('%s cannot be signed before anything is done', (kind) => {
    const blank = blankDocument({ name: 'A', address: '', practice: 'uk-ireland' })
    let count = 0
    const job = applyEdits(
      blank,
      chooseWork(blank, [kind], () => `row-${++count}`),
    )
    expect(judged(job).canSign).toBe(false)
  })
})

describe('the work list', () => {
  const holder = (...tickets: Person['tickets'][number][]): Person => ({
    ...{ id: 'a', name: 'A. Fitter', role: 'lead' },
    tickets,
  })
  const plain = { answer: 'done' as const, because: '', text: '' }
  const { items } = judged(change(hut, { 'work.kinds': ['boiler-exchanged', 'heating-new'] }))

  test.each([
    ['what is not on it', 'purged', holder('gas'), plain, 'no-such-step'],
    ['without its ticket', 'dead', holder('gas'), plain, 'ticket-missing'],
    ['without its reading', 'water-test', holder(), plain, 'reading-missing'],
    [
      'passed over without a reason',
      'isolated',
      holder(),
      { ...plain, answer: 'not-here' as const },
      'reading-missing',
    ],
    [
      'what is always called for, passed over',
      'back-on',
      holder(),
      { ...plain, answer: 'not-here' as const, because: 'no time' },
      'reading-missing',
    ],
  ] as const)('%s is refused', (_, item, person, ticking, code) => {
    expect(tickItem({ items }, item, person, ticking)).toMatchObject({ ok: false, code })
  })
  test('done with its reading becomes a record', () => {
    const reading = { si: 0, typed: '0 psi' }
    expect(tickItem({ items }, 'water-test', holder(), { ...plain, reading })).toEqual({
      ok: true,
      bodies: [{ kind: 'ticked', item: 'water-test', ...plain, ...reading }],
    })
  })
  test('joints made with a flame want their ticket; that there were none, anyone says', () => {
    const text = 'plant room, 14:10'
    expect(tickItem({ items }, 'flame-work', holder('gas'), { ...plain, text })).toMatchObject({
      ok: false,
      code: 'ticket-missing',
      says: expect.stringContaining('flame work'),
    })
    expect(tickItem({ items }, 'flame-work', holder('flame'), { ...plain, text })).toMatchObject({
      ok: true,
    })
    const none = { ...plain, answer: 'not-here' as const, because: 'all pressed' }
    expect(tickItem({ items }, 'flame-work', holder(), none)).toMatchObject({ ok: true })
    // A tester from outside did it: a firm without that ticket says so, with the reason.
    const fed = change(hut, {
      'work.kinds': ['heating-new'],
      'water.makeUp.device': 'backflow-preventer',
    })
    const outside = { ...none, because: 'tested by the water company’s tester, report 12' }
    expect(tickItem(judged(fed), 'backflow-tested', holder(), outside)).toMatchObject({ ok: true })
    expect(tickItem(judged(fed), 'backflow-tested', holder(), { ...plain, text })).toMatchObject({
      ok: false,
      code: 'ticket-missing',
    })
    // Where only doing it tells, passing it over wants the ticket too.
    expect(tickItem({ items }, 'dead', holder(), none)).toMatchObject({ ok: false })
  })
  test('wants a few words where it asks for them', () => {
    const leak = judged(change(hut, { 'work.kinds': ['leak-made-safe'] }))
    expect(tickItem(leak, 'leak-found', holder('gas'), plain)).toMatchObject({ ok: false })
    expect(tickItem(leak, 'leak-found', holder('gas'), { ...plain, text: 'union' })).toMatchObject({
      ok: true,
    })
  })
})

describe('an unsafe situation', () => {
  test('stands between the job and its signature until it is put right', () => {
    const seen = record('u', unsafeFlue)
    const open = judged(hut, [seen])
    expect(openUnsafe(open.unsafe)).toHaveLength(1)
    expect(open.missing.map(({ what }) => what)).toContain('Unsafe and not put right: flue apart')
    const ended = judged(hut, [
      seen,
      record('e', { kind: 'unsafe-ended', unsafe: seen.id, how: 'renewed' }),
    ])
    expect(openUnsafe(ended.unsafe)).toEqual([])
    expect(ended.unsafe[0]?.ended?.how).toBe('renewed')
  })
  test('is on the board, and the work beside it', () => {
    const summary = summaryOf({
      ...{ id: 'hut', number: '1', document: hut, frozen: null, samples: {} },
      records: [record('u', unsafeFlue)],
    })
    expect(summary).toMatchObject({ unsafe: 1, work: 'One safety part exchanged' })
  })
})

test('a discharge inspected as sound that the design finds wrong is a contradiction, and said so', () => {
  const juniper = juniperRidge()
  const seen = record('d', {
    ...{ kind: 'inspected', item: 'discharge', verdict: 'sound', limit: '', note: '', because: '' },
  })
  const said = (job: typeof juniper) =>
    judged(job, [seen]).sheets.inspection.findings.map(({ id }) => id)
  expect(said(juniper)).toContain('inspected-against-figures')
  const right = change(juniper, { reliefs: [] })
  expect(said(right)).not.toContain('inspected-against-figures')
})
test('a leak made safe is not forgotten when the work is said to be another', () => {
  const made = record('m', { kind: 'made-safe', where: 'union', how: 'capped', without: 'heater' })
  for (const kinds of [['leak-made-safe'], ['inspection-only'], []]) {
    const { missing } = judged(change(hut, { 'work.kinds': kinds }), [made])
    expect(missing.map(({ finding }) => finding?.id)).toContain('made-safe-not-mended')
  }
})
test('a job signed before anybody was asked what the work is stays whole', () => {
  const unsaid = change(hut, { 'work.kinds': [] })
  const signed = { entries: [], samples: {}, frozen: 'A' }
  expect(judge(solve(unsaid), signed).sheets.work.state).toBe('does-not-apply')
  expect(judged(unsaid).sheets.work.state).toBe('incomplete')
})
