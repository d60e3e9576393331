import { ofKind } from '../job/records'
import { confirmGuard, leakMadeSafe, putBack, signStep } from './signing'
import { practiceNames } from '../practice/practiceNames'
import { applyEdits } from '../job/edits'
import { house } from './house.testing'
import { judge } from './judge'
import { withinLimits } from './judgeSteps'
import { apprentice, lead, Site } from './onSite.testing'
import { solve } from './solve'

test.each(practiceNames)(
  '%s: the sequences have two dozen steps or more, each with its reason, and can be walked to their end',
  (practice) => {
    const site = new Site(house(practice))
    site.tightness(0)
    expect(site.judge().steps.length).toBeGreaterThanOrEqual(24)
    expect(site.judge().steps.every(({ step }) => step.why.length > 30)).toBe(true)
    site.until(undefined)
    expect(site.judge().off).toEqual([])
    expect(site.judge().steps.every(({ progress }) => progress.state === 'done')).toBe(true)
  },
)
test('what a step leaves off stands on the strip until it is put back', () => {
  const site = new Site(house())
  site.until('heating.vessel-charge')
  expect(site.judge().off.map((item) => item.body.name)).toEqual(['Boiler and pump supply'])
})
test('no power before the circuit is full and vented, however it is asked for', () => {
  const site = new Site(house())
  site.tightness(0)
  site.until('heating.fill')
  const power = site.judge().off.find(({ body }) => body.state === 'power-off')
  expect(putBack(site.judge(), power?.id ?? '')).toMatchObject({ ok: false, code: 'guard-open' })
  site.until('heating.power-on')
  expect(putBack(site.judge(), power?.id ?? '')).toMatchObject({
    ok: false,
    says: expect.stringContaining('Zone valves'),
  })
})
test('North America: the lever is back before the purge outlet is shut', () => {
  const site = new Site(house('north-america'))
  site.until('heating.purge-shut')
  expect(confirmGuard(site.judge(), 'heating.purge-shut', 'outlet-shut')).toMatchObject({
    ok: false,
    code: 'guard-open',
    says: expect.stringContaining('lever'),
  })
  const lever = site.judge().off.find(({ body }) => body.state === 'lever-over')
  site.take(putBack(site.judge(), lever?.id ?? ''))
  expect(confirmGuard(site.judge(), 'heating.purge-shut', 'outlet-shut').ok).toBe(true)
})
test('UK and Ireland: the filling link stays on the strip until it is shut, disconnected and capped', () => {
  const site = new Site(house())
  site.until('heating.link-off')
  expect(site.judge().off.some((item) => item.body.state === 'linked')).toBe(true)
  expect(signStep(site.judge(), 'heating.link-off', lead)).toMatchObject({
    ok: false,
    code: 'guard-open',
  })
})
test('a step that needs a ticket cannot be signed without it, and a reading cannot be left out', () => {
  const site = new Site(house())
  site.take(confirmGuard(site.judge(), 'heating.power-off', 'proved-dead'))
  site.take(confirmGuard(site.judge(), 'heating.power-off', 'cooled'))
  expect(signStep(site.judge(), 'heating.power-off', apprentice)).toMatchObject({
    ok: false,
    code: 'ticket-missing',
  })
  site.take(signStep(site.judge(), 'heating.power-off', lead))
  site.take(confirmGuard(site.judge(), 'heating.vessel-charge', 'empty'))
  expect(signStep(site.judge(), 'heating.vessel-charge', lead)).toMatchObject({
    ok: false,
    code: 'reading-missing',
  })
})
test('a step cannot be signed out of its order or twice', () => {
  const site = new Site(house())
  expect(signStep(site.judge(), 'heating.fill', lead)).toMatchObject({ ok: false, code: 'not-yet' })
  site.until('heating.vessel-charge')
  expect(signStep(site.judge(), 'heating.power-off', lead)).toMatchObject({
    ok: false,
    code: 'no-such-step',
  })
})
test('gas is not opened before a tightness test has passed; a failed one does not count', () => {
  const site = new Site(house())
  site.until('start.boiler.gas-on', 'start.boiler')
  const open = () => {
    const now = site.now('start.boiler')
    return now?.progress.state === 'now' && now.progress.openGuards[0]?.guard.text
  }
  expect(open()).toMatch(/tightness/)
  const failed = site.tightness(90)
  expect(site.judge().tests[0]?.verdict.outcome).toBe('failed')
  expect(open()).toMatch(/tightness/)
  site.add({ kind: 'repaired', testId: failed, what: 'joint remade' })
  site.tightness(0)
  expect(site.judge().tests.map((one) => one.verdict.outcome)).toEqual(['failed', 'passed'])
  expect(site.judge().tests[0]?.repaired?.what).toBe('joint remade')
  expect(open()).toBe('Connected as its maker says, trap and valve in place')
})
test('a test that passed clears when its point is soaped dry; what bubbles or was repaired asks for another', () => {
  const site = new Site(house())
  const tight = () => site.judge().gasTests.find(({ id }) => id === 'tightness')
  const stands = () => [tight()?.state, site.judge().gasTight]
  expect(stands()).toEqual(['not-made', false])
  site.tightness(90, 'tightness')
  expect(stands()).toEqual(['not-passed', false])
  const passed = site.tightness(0, 'tightness')
  expect(stands()).toEqual(['test-point', false])
  site.add({ kind: 'test-point', testId: passed, soaped: 'bubbles' })
  expect(stands()).toEqual(['test-point', false])
  site.add({ kind: 'test-point', testId: passed, soaped: 'dry' })
  expect(stands()).toEqual(['passed', true])
  const [joint] = tight()?.register[0]?.joints ?? []
  const soap = (result: 'dry' | 'bubbles') =>
    site.add({
      kind: 'soaped',
      testId: passed,
      joints: [joint?.id ?? ''],
      where: joint?.name ?? '',
      result,
    })
  soap('dry')
  expect(stands()).toEqual(['passed', true])
  soap('bubbles')
  soap('dry')
  expect(stands()).toEqual(['bubbles', false])
  site.add({ kind: 'repaired', testId: passed, what: 'olive remade' })
  expect(stands()).toEqual(['repaired', false])
  expect(site.judge().sheets.tightness.missing.map(({ what }) => what)).toContainEqual(
    expect.stringMatching(/anew: something was repaired/),
  )
  const again = site.tightness(0, 'tightness')
  site.add({ kind: 'test-point', testId: again, soaped: 'dry' })
  expect(stands()).toEqual(['passed', true])
})
test('a leak made safe is mended by a gas test that passes after it, never by one of before', () => {
  const site = new Site(house())
  const tight = () =>
    site.add({ kind: 'test-point', testId: site.tightness(0, 'tightness'), soaped: 'dry' })
  const open = () => site.judge().sheets.list.findings.map(({ id }) => id)
  tight()
  site.add({ kind: 'made-safe', where: 'the range cock', how: 'capped', without: 'the range' })
  expect(open()).toContain('made-safe-not-mended')
  tight()
  expect(open()).not.toContain('made-safe-not-mended')
})
test('what a test took off is back before the step it was named for', () => {
  const site = new Site(house())
  site.tightness(0)
  site.until('heating.power-on')
  const off = site.add({
    ...{ kind: 'off', name: 'Relief valves', state: 'disconnected', where: 'Boiler' },
    ...{ because: 'hydrostatic test', backBefore: 'power-on' },
  })
  const open = () => {
    const now = site.now()
    return now?.progress.state === 'now'
      ? now.progress.openGuards.map(({ guard }) => guard.text)
      : []
  }
  expect(open()).toContain('Back in place: Relief valves')
  site.take(
    putBack(
      site.judge(),
      site.judge().off.find(({ body }) => body.name === 'Relief valves')?.id ?? '',
    ),
  )
  expect(open()).not.toContain('Back in place: Relief valves')
  expect(off).toBeDefined()
})
test('what a leak put out is lit again only when the leak is mended and the gas is back', () => {
  const site = new Site(house())
  const off = (state: 'shut' | 'unlit', name: string) =>
    site.add({ kind: 'off', name, state, where: 'the range cock', because: leakMadeSafe })
  site.add({ kind: 'made-safe', where: 'the range cock', how: 'valve-shut', without: 'the range' })
  off('shut', 'Gas to the range')
  off('unlit', 'Range')
  const item = (name: string) => site.judge().off.find(({ body }) => body.name === name)?.id ?? ''
  expect(putBack(site.judge(), item('Range'))).toMatchObject({
    code: 'guard-open',
    says: expect.stringContaining('made safe, not mended'),
  })
  site.add({ kind: 'test-point', testId: site.tightness(0, 'tightness'), soaped: 'dry' })
  expect(putBack(site.judge(), item('Range'))).toMatchObject({
    code: 'guard-open',
    says: expect.stringContaining('Gas to the range'),
  })
  site.take(putBack(site.judge(), item('Gas to the range')))
  site.take(putBack(site.judge(), item('Range')))
  expect(site.judge().off.map(({ body }) => body.name)).not.toContain('Range')
})
test('pipe that was here is asked to be tested too, and neither test stands for the other', () => {
  const plain = house()
  const [first] = plain.gas.segments
  const site = new Site(
    applyEdits(plain, [{ path: ['gas', 'segments', 0, 'laid'], value: 'was-here' }]),
  )
  expect(first?.laid).toBeNull()
  const states = () => site.judge().gasTests.map(({ id, asked, state }) => [id, asked, state])
  expect(states()).toContainEqual(['existing', true, 'not-made'])
  const has = (id: string) => site.judge().gasTests.some((one) => one.id === id)
  for (const id of ['tightness', 'existing'].filter(has)) {
    expect(site.judge().gasTight).toBe(false)
    const testId = site.tightness(0, id)
    site.add({ kind: 'test-point', testId, soaped: 'dry' })
  }
  expect(site.judge().gasTight).toBe(true)
})
test('readings are judged against the design', () => {
  const reading = {
    label: '',
    measure: 'water-pressure' as const,
    least: 1e5,
    most: 1.2e5,
    limitSays: '',
  }
  expect([
    withinLimits(reading, 0.99e5),
    withinLimits(reading, 1.2e5),
    withinLimits(reading, 1.21e5),
  ]).toEqual([false, true, false])
  expect(withinLimits({ ...reading, least: undefined, most: undefined }, 1)).toBeUndefined()
})
test('a sheet is proven by name, and a change to what it rests on opens it again', () => {
  const site = new Site(house())
  const sheet = site.judge().sheets.vessel
  expect(sheet.state).toBe('ready')
  site.add({ kind: 'sheet-checked', sheet: 'vessel', restsOn: sheet.restsOn })
  expect(site.judge().sheets.vessel.state).toBe('checked')
  const taller = {
    ...site.document,
    survey: {
      ...site.document.survey,
      topEmitterHeight_m: { value: 6, basis: 'measured' as const, from: '' },
    },
  }
  expect(judge(solve(taller), { entries: site.records, samples: {} }).sheets.vessel.state).toBe(
    'ready',
  )
  expect(judge(solve(taller), { entries: site.records, samples: {} }).sheets.gas.restsOn).toBe(
    site.judge().sheets.gas.restsOn,
  )
})
test('the handover names everything that is missing and everything still off', () => {
  const site = new Site(house())
  site.until('heating.vessel-charge')
  const missing = site.judge().missing.map((gap) => gap.what)
  expect(missing).toContain('A gas tightness test')
  expect(missing).toContain('Boiler and pump supply is still off')
  expect(site.judge().canSign).toBe(false)
})
test('a correction replaces the record it names and both stay', () => {
  const site = new Site(house())
  const first = site.add({
    kind: 'reading',
    field: 'survey.elevation_m',
    si: 1,
    typed: '1',
    basis: 'read',
    instrument: '',
  })
  site.records.push({
    id: 'record-corrected',
    at: '2026-11-20T10:00:00.000Z',
    by: 'lead',
    replaces: first,
    reason: 'misread',
    body: {
      kind: 'reading',
      field: 'survey.elevation_m',
      si: 2,
      typed: '2',
      basis: 'read',
      instrument: '',
    },
  })
  expect(ofKind(site.records, 'reading').map((record) => record.body.si)).toEqual([2])
  expect(site.records).toHaveLength(2)
})
