import { blankDocument } from '../job/document'
import { applyEdits, readDocument } from '../job/edits'
import type { JobRecord } from '../job/records'
import { exchangedParts, workKinds } from '../job/workDocument'
import { practices } from '../practice/practices'
import { practiceNames } from '../practice/practiceNames'
import { beginExchange, chooseWork } from './begin'
import { guessWork, kindsOf, workKindList } from './kinds'
import { judgeItems, workItems } from './list'
import type { TickItem } from './tickItems'
import { tickItems } from './tickItems'

const blank = (practice: (typeof practiceNames)[number] = 'uk-ireland') =>
  blankDocument({ name: 'A job', address: '', practice })
const ids = () => {
  let count = 0
  return () => `row-${++count}`
}

describe('the kinds of work', () => {
  test('stand in the list in the order they are named, each once', () => {
    expect(workKindList.map(({ id }) => id)).toEqual(workKinds)
  })
  test('ask of their list only what there is, and each item is asked by some kind', () => {
    const known = new Set<string>(tickItems.map(({ id }) => id))
    const asked = new Set<string>(workKindList.flatMap(({ list }) => list))
    expect([...asked].filter((id) => !known.has(id))).toEqual([])
    const hazards = ['asbestos', 'dead', 'cool']
    const before: readonly TickItem[] = tickItems.filter((item: TickItem) => item.before)
    const kept = [...hazards, ...before.map(({ id }) => id)]
    expect([...known].filter((id) => !asked.has(id) && !kept.includes(id))).toEqual([])
    expect(before.filter(({ id }) => asked.has(id))).toEqual([])
  })
  test.each(workKinds)('%s: what it cannot be without is put down with the choice', (kind) => {
    const job = applyEdits(blank(), chooseWork(blank(), [kind], ids()))
    expect(readDocument(job)).toMatchObject({ ok: true })
    const needs = kindsOf(job).flatMap((one) => one.needs)
    expect(job.heating !== null).toBe(needs.includes('heating'))
    expect(job.hotWater !== null).toBe(needs.includes('hot-water'))
    expect(job.survey.inspecting).toBe(needs.includes('inspecting'))
  })
  test('chosen again and wider, nothing that is filled is taken away or made twice', () => {
    const newId = ids()
    const first = applyEdits(blank(), chooseWork(blank(), ['boiler-exchanged'], newId))
    const wider = applyEdits(
      first,
      chooseWork(first, ['safety-part-exchanged', 'boiler-exchanged'], newId),
    )
    expect(wider.work.kinds).toEqual(['boiler-exchanged', 'safety-part-exchanged'])
    expect({ ...wider, work: first.work }).toEqual(first)
    const narrower = applyEdits(wider, chooseWork(wider, ['inspection-only'], newId))
    expect(narrower.appliances).toEqual(first.appliances)
    expect(narrower.heating).toEqual(first.heating)
  })
  test.each([
    ['heating-new'],
    ['stored-hot-water'],
    ['storage-heater-exchanged'],
    ['instantaneous-heater'],
    ['inspection-only'],
  ] as const)('%s is guessed from what it fills, for a job that nobody has asked', (kind) => {
    const job = applyEdits(blank(), chooseWork(blank(), [kind], ids()))
    expect(guessWork({ ...job, work: blank().work })).toEqual([kind])
  })
  test('of a blank job nothing is guessed', () => {
    expect(guessWork(blank())).toEqual([])
  })
})

describe.each(practiceNames)('an exchange in %s', (practice) => {
  test.each(exchangedParts)(
    'of a %s begins with the plant, the old part and the new one',
    (part) => {
      const job = applyEdits(
        blank(practice),
        beginExchange(blank(practice), part, practices[practice].words, ids()),
      )
      expect(readDocument(job)).toMatchObject({ ok: true })
      expect(job.appliances.map(({ stay }) => stay)).toEqual(['stays'])
      expect(job.parts.map(({ stay }) => stay)).toEqual(['goes', 'new'])
      const names = job.parts.map(({ name }) => name).join()
      expect(names).toMatch(/^Old [a-zT&]+.*,New /)
      expect(names).not.toMatch(/[{}]/)
    },
  )
  test('of a plant that is there already adds no second one', () => {
    const newId = ids()
    const words = practices[practice].words
    const once = applyEdits(
      blank(practice),
      beginExchange(blank(practice), 'relief-valve', words, newId),
    )
    const twice = applyEdits(once, beginExchange(once, 'expansion-vessel', words, newId))
    expect(twice.appliances).toEqual(once.appliances)
  })
})

describe('the work list', () => {
  const withKinds = (...kinds: (typeof workKinds)[number][]) =>
    applyEdits(blank(), chooseWork(blank(), kinds, ids()))
  const items = (...kinds: (typeof workKinds)[number][]) =>
    workItems(withKinds(...kinds)).map(({ id }) => id)

  test('asks for asbestos, power and heat first where something comes out, and not where nothing does', () => {
    expect(items('boiler-exchanged').slice(0, 3)).toEqual(['asbestos', 'dead', 'cool'])
    // What it isolates has steps of its own.
    expect(items('burner-part-exchanged')).toEqual(['asbestos', 'back-on'])
    expect(items('leak-made-safe')).not.toContain('asbestos')
    expect(items('inspection-only')).toEqual(['told'])
  })
  test('names what two kinds ask once', () => {
    const both = items('boiler-exchanged', 'stored-hot-water')
    expect(new Set(both).size).toBe(both.length)
  })
  test('asks for the test of a backflow preventer where one feeds the circuit, and only there', () => {
    const asked = (device: 'backflow-preventer' | 'double-check' | null, kind = 'heating-new') => {
      const job = withKinds(kind as 'heating-new')
      return workItems({
        ...job,
        water: { ...job.water, makeUp: { ...job.water.makeUp, device } },
      }).some(({ id }) => id === 'backflow-tested')
    }
    expect(asked('backflow-preventer')).toBe(true)
    expect(asked('double-check')).toBe(false)
    expect(asked(null)).toBe(false)
    // Work on stored hot water alone asks for nothing of the circuit.
    expect(asked('backflow-preventer', 'stored-hot-water')).toBe(false)
  })
  test('asks for flame work wherever pipes are joined', () => {
    const joined = workKinds.filter((kind) => items(kind).includes('flame-work'))
    expect(joined).toEqual([
      'heating-new',
      'boiler-exchanged',
      'stored-hot-water',
      'storage-heater-exchanged',
      'instantaneous-heater',
      'pipework-restored',
    ])
  })
  test('shows what was ticked on a list of before, and nothing of it where it was not', () => {
    const ticked: JobRecord = {
      ...{ id: 'one-0001', at: '2026-11-20T10:00:00Z', by: 'a' },
      body: { kind: 'ticked', item: 'hot-read', answer: 'done', because: '', text: '', si: 1e5 },
    }
    const job = withKinds('safety-part-exchanged')
    const begun = applyEdits(
      job,
      beginExchange(job, 'relief-valve', practices['uk-ireland'].words, ids()),
    )
    const shown = (entries: JobRecord[]) => judgeItems(begun, entries).map(({ item }) => item.id)
    expect(shown([])).toEqual(['asbestos', 'back-on'])
    expect(shown([ticked])).toEqual(['asbestos', 'hot-read', 'back-on'])
  })
  test('the last record of an item counts; one that is replaced does not', () => {
    const ticked = (id: string, text: string, replaces?: string): JobRecord => ({
      ...{ id, at: '2026-11-20T10:00:00Z', by: 'a', ...(replaces ? { replaces } : {}) },
      body: { kind: 'ticked', item: 'told', answer: 'done', because: '', text },
    })
    const last = (...entries: JobRecord[]) =>
      judgeItems(withKinds('inspection-only'), entries)[0]?.ticked?.body.text
    expect(last()).toBeUndefined()
    expect(last(ticked('one-0001', 'tenant'), ticked('two-0001', 'owner'))).toBe('owner')
    expect(last(ticked('one-0001', 'tenant'), ticked('two-0001', 'both', 'one-0001'))).toBe('both')
  })
})
