import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { documentVersion } from '../job/document'
import type { JobDocument } from '../job/document'
import type { JobRecord } from '../job/records'
import { inWords } from '../job/questions'
import { practiceNames } from '../practice/practiceNames'
import { practices } from '../practice/practices'
import { symptoms } from '../sequences/causes'
import { sequenceKinds } from '../sequences/kinds'
import { after, dangersOf, is, isNot, met, metAll, set } from '../sequences/plant'
import type { Hazard, PlantState } from '../sequences/plant'
import { house } from './house.testing'
import { apprentice, lead, Site } from './onSite.testing'
import { decide, numbered, recordsOfAct, requestOf } from './siteAct'
import type { SiteAct } from './siteAct'
import { confirmGuard, putBack, signStep, skipStep, undoStep } from './signing'
import { exchangeJob, sequenceJobs } from './sequenceJobs.testing'
import { solve } from './solve'
import { summaryOf } from './summary'

const jobs = sequenceJobs()
const idsOf = (job: JobDocument) => solve(job).sequences.list.map(({ id }) => id)

describe('a condition of the plant', () => {
  const known: PlantState = after(new Map(), {
    ...set('water', 'heating', 'vented'),
    ...set('supply', 'heating', 'off'),
  })
  test.each([
    [is('water', 'heating', 'vented'), 'yes'],
    [is('water', 'heating', 'empty', 'vented'), 'yes'],
    [is('water', 'heating', 'empty'), 'no'],
    [isNot('water', 'heating', 'empty'), 'yes'],
    [isNot('water', 'heating', 'vented'), 'no'],
    [is('relief', 'heating', 'in-place'), 'unknown'],
    [isNot('relief', 'heating', 'in-place'), 'unknown'],
  ])('%j is %s', (condition, told) => expect(met(condition, known)).toBe(told))

  const [yes, no, unknown] = [
    is('water', 'heating', 'vented'),
    is('water', 'heating', 'empty'),
    is('relief', 'heating', 'in-place'),
  ] as const
  test('of several: one that is not met decides; else one that is unknown', () => {
    expect(metAll([yes, no, unknown], known)).toBe('no')
    expect(metAll([yes, unknown], known)).toBe('unknown')
    expect(metAll([yes, yes], known)).toBe('yes')
    expect(metAll([], known)).toBe('yes')
  })
})

describe('a danger', () => {
  const dry: Hazard = {
    id: 'dry',
    says: 'It would run dry.',
    when: [is('supply', 'a', 'on'), isNot('water', 'a', 'vented')],
  }
  const on = set('supply', 'a', 'on')
  test('is there when all of it is so, and when nobody has recorded enough to tell', () => {
    const full = after(new Map(), set('water', 'a', 'vented'))
    const empty = after(new Map(), set('water', 'a', 'empty'))
    expect(dangersOf([dry], full, on)).toEqual([])
    expect(dangersOf([dry], empty, on)[0]?.there).toBe('yes')
    expect(dangersOf([dry], new Map(), on)[0]?.there).toBe('unknown')
  })
  test('is nothing to a change that has no part in it', () => {
    expect(dangersOf([dry], new Map(), set('relief', 'a', 'in-place'))).toEqual([])
    expect(dangersOf([dry], new Map(), {})).toEqual([])
  })
  test('that lies in the change of one thing is asked for only when that is changed', () => {
    const live: Hazard = {
      id: 'live',
      says: 'A wire would be handled live.',
      when: [isNot('supply', 'a', 'dead')],
      changing: 'wire.a',
    }
    expect(dangersOf([live], new Map(), on)).toEqual([])
    expect(dangersOf([live], new Map(), set('wire', 'a', 'parted'))).toHaveLength(1)
  })
})

describe('the sequences of a job', () => {
  test.each([
    ['new heating', 'heating start.boiler limits.boiler first-heat controls second-look'],
    [
      'heating and a cylinder',
      'heating store.store start.boiler limits.boiler first-heat controls second-look',
    ],
    [
      'two boilers',
      'heating start.boiler start.second limits.boiler limits.second first-heat controls second-look',
    ],
    ['gas storage heater', 'gas-heater.boiler second-look'],
    ['electric storage heater', 'electric-heater.boiler second-look'],
    ['heat pump heater', 'electric-heater.boiler second-look'],
    ['instantaneous heater', 'instantaneous.boiler second-look'],
    ['burner part', 'burner-part.boiler gas-capped'],
    ['pipework restored', 'drain-part gas-cut gas-capped'],
    ['leak made safe', 'gas-capped'],
    ['relief-valve at the boiler', 'exchange'],
  ])('of %s follow from its work', (name, ids) => {
    for (const practice of practiceNames)
      expect(idsOf(jobs[`${practice}, ${name}`] as JobDocument).join(' ')).toBe(ids)
  })
  test('have a step for every zone, and one more for a zone more', () => {
    const job = house()
    const [zone] = job.heating?.zones ?? []
    const wider = {
      ...job,
      heating: job.heating && {
        ...job.heating,
        zones: [...job.heating.zones, { ...zone, id: 'loft', name: 'Loft' }],
      },
    } as JobDocument
    const purges = (of: JobDocument) =>
      solve(of)
        .sequences.list.flatMap(({ steps }) => steps)
        .filter(({ short }) => short.startsWith('Purged'))
        .map(({ short }) => short)
    expect(purges(job)).toEqual(['Purged: House'])
    expect(purges(wider)).toEqual(['Purged: House', 'Purged: Loft'])
  })
  test('each kind of them is asked by some job here', () => {
    const asked = new Set(Object.values(jobs).flatMap((job) => idsOf(job).map(first)))
    // Balancing wants two zones; it is on the demo's jobs.
    expect(sequenceKinds.map(({ id }) => id).filter((id) => !asked.has(id))).toEqual(['balancing'])
  })
  test.each(Object.keys(jobs))('%s: can be done to its end, and nothing stays off', (name) => {
    const site = new Site(jobs[name] as JobDocument)
    site.until(undefined)
    const { work, off } = site.judge()
    expect(off).toEqual([])
    expect(work.sequences.every(({ done, steps }) => done === steps.length)).toBe(true)
  })
  test('every id in them is its own, and every step has a reason one can read', () => {
    for (const job of Object.values(jobs)) {
      const steps = solve(job).sequences.list.flatMap((one) => one.steps)
      expect(new Set(steps.map(({ id }) => id)).size).toBe(steps.length)
      for (const step of steps) {
        expect(step.why.length).toBeGreaterThan(30)
        expect(`${step.title} ${step.why}`).not.toMatch(/[{}]|undefined|NaN/)
        expect(step.guards.length + (step.reading ? 1 : 0)).toBeGreaterThan(0)
      }
    }
  })
  test('what a step leaves off is put back by a guard of the step it names', () => {
    for (const job of Object.values(jobs))
      for (const { steps } of solve(job).sequences.list)
        for (const { leavesOff } of steps)
          for (const { key, backBefore } of leavesOff) {
            const target = steps.find(({ id }) => id === backBefore)
            expect(target?.guards).toContainEqual(
              expect.objectContaining({ kind: 'put-back', offKey: key }),
            )
          }
  })
})
const first = (id: string): string => id.split('.')[0] ?? ''

describe('what nobody has recorded', () => {
  test('blocks: a step passed over leaves unknown what rests on it', () => {
    const site = new Site(house())
    site.until('heating.relief-check')
    site.take(skipStep(site.judge(), 'heating.relief-check', lead, 'the tag is painted over'))
    site.until('heating.fill')
    const { progress } = site.step('heating.fill')
    if (progress.state !== 'now') throw new Error('fill is not next')
    expect(progress.openGuards[0]).toMatchObject({
      because: 'nobody has recorded how it is with the relief of the heating with its discharge',
    })
    expect(progress.dangers.map(({ danger }) => danger.hazard.id)).toContain('no-relief.heating')
    expect(confirmGuard(site.judge(), 'heating.fill', 'made-up')).toMatchObject({ ok: false })
  })
  test('holds what would be opened, while nobody has seen it cool', () => {
    const site = new Site(exchangeJob('uk-ireland', 'relief-valve', 'boiler'))
    site.until('exchange.cooled')
    site.take(skipStep(site.judge(), 'exchange.cooled', lead, 'no thermometer'))
    site.until('exchange.out')
    const { progress } = site.step('exchange.out')
    if (progress.state !== 'now') throw new Error('out is not next')
    const ids = progress.dangers.map(({ danger }) => danger.hazard.id)
    expect(ids).toContain('opened-hot.heating')
    // Known to be hot it is held as well.
    const { hazards } = site.solution().sequences
    const hot = after(new Map(), set('heat', 'heating', 'hot'))
    const told = dangersOf(hazards, hot, set('part', 'heating', 'out'))
    expect(told.find(({ hazard }) => hazard.id === 'opened-hot.heating')?.there).toBe('yes')
  })
  test('is told apart from what is known to be wrong', () => {
    const site = new Site(exchangeJob('uk-ireland', 'relief-valve', 'boiler'))
    site.until('exchange.in')
    const known = site.judge().work.plant.known
    expect(known.get('relief.heating')?.value).toBe('away')
    expect(known.get('pressure.heating')?.value).toBe('none')
  })
  test('names where it is lifted', () => {
    const site = new Site(house())
    site.tightness(0)
    const { progress } = site.step('start.boiler.gas-on')
    expect(progress.state).toBe('now')
    site.until('start.boiler.light', 'start.boiler')
    const light = site.step('start.boiler.light').progress
    if (light.state !== 'now') throw new Error('light is not next')
    const ids = light.dangers.map(({ danger }) => danger.hazard.id)
    expect(ids).toContain('dry-flame.heating')
    expect(light.dangers.flatMap(({ leadsTo }) => leadsTo)).toContainEqual(
      expect.objectContaining({ kind: 'step', stepId: 'heating.cold-fill' }),
    )
  })
})

describe('a step', () => {
  test('passed over wants a reason, and somebody who may sign it', () => {
    const site = new Site(house())
    expect(skipStep(site.judge(), 'heating.power-off', apprentice, 'in a hurry')).toMatchObject({
      code: 'ticket-missing',
    })
    expect(skipStep(site.judge(), 'heating.power-off', lead, ' ')).toMatchObject({
      code: 'reading-missing',
    })
    expect(skipStep(site.judge(), 'heating.fill', lead, 'not here')).toMatchObject({
      code: 'not-yet',
    })
    site.take(skipStep(site.judge(), 'heating.power-off', lead, 'no electricity here'))
    expect(site.step('heating.power-off').progress).toMatchObject({
      state: 'skipped',
      because: 'no electricity here',
    })
    expect(skipStep(site.judge(), 'heating.power-off', lead, 'again')).toMatchObject({ ok: false })
  })
  test('taken back is open again, and what it had made of the plant is unknown', () => {
    const site = new Site(house())
    site.until('heating.zones-open')
    const undo = undoStep(site.judge(), 'heating.relief-check', lead, 'wrong valve looked at')
    if (!undo.ok || !undo.undoing) throw new Error('not undone')
    expect(site.judge().work.plant.known.get('relief.heating')?.value).toBe('in-place')
    for (const body of undo.bodies) site.add(body, undo.undoing)
    expect(site.step('heating.relief-check').progress.state).toBe('now')
    expect(site.judge().work.plant.known.has('relief.heating')).toBe(false)
    expect(undoStep(site.judge(), 'heating.relief-check', lead, 'again')).toMatchObject({
      code: 'no-such-step',
    })
    expect(site.records.at(-1)).toMatchObject({ reason: 'wrong valve looked at' })
  })
  test('taken back takes its confirmations with it: each is looked at again', () => {
    const site = new Site(house())
    site.until('heating.treated')
    const undo = undoStep(site.judge(), 'heating.fill', lead, 'a drain was open')
    if (!undo.ok || !undo.undoing) throw new Error('not undone')
    for (const body of undo.bodies) site.add(body, undo.undoing)
    const { progress } = site.step('heating.fill')
    if (progress.state !== 'now') throw new Error('fill is not next')
    expect(progress.openGuards.map(({ guard }) => guard.text)).toContain(
      'Every joint made up, every drain shut',
    )
    expect(site.judge().work.plant.known.has('part.heating')).toBe(false)
    // What it left off stays off until it is put back by name.
    const links = () => site.judge().off.filter(({ body }) => body.state === 'linked').length
    expect(links()).toBe(1)
    site.until('heating.treated')
    expect(links()).toBe(1)
  })
  test('taken back wants a reason and the ticket', () => {
    const site = new Site(house())
    site.until('heating.vessel-charge')
    expect(undoStep(site.judge(), 'heating.power-off', apprentice, 'by mistake')).toMatchObject({
      code: 'ticket-missing',
    })
    expect(undoStep(site.judge(), 'heating.power-off', lead, '')).toMatchObject({
      code: 'reading-missing',
    })
  })
  test('whose reading is outside its limits wants its cause and what was done', () => {
    const site = new Site(house())
    site.until('heating.cold-fill')
    site.take(confirmGuard(site.judge(), 'heating.cold-fill', 'still'))
    const reading = { si: 5e5, typed: '5 bar' }
    const sign = (more: object) =>
      signStep(site.judge(), 'heating.cold-fill', lead, { reading, ...more })
    expect(sign({})).toMatchObject({ code: 'reading-missing' })
    expect(sign({ cause: 'Not found' })).toMatchObject({ code: 'reading-missing' })
    expect(sign({ cause: 'Not found', action: 'let down to 1.4 bar' })).toMatchObject({
      ok: true,
      bodies: [{ cause: 'Not found', action: 'let down to 1.4 bar' }],
    })
  })
  test('keeps no cause where its reading is inside them', () => {
    const site = new Site(house())
    site.until('heating.cold-fill')
    site.take(confirmGuard(site.judge(), 'heating.cold-fill', 'still'))
    const si = site.step('heating.cold-fill').step.reading?.target ?? 0
    const signing = signStep(site.judge(), 'heating.cold-fill', lead, {
      ...{ reading: { si, typed: '' }, cause: 'Not found', action: 'nothing' },
    })
    expect(signing).toMatchObject({ ok: true })
    expect(JSON.stringify(signing)).not.toContain('Not found')
  })
  test('out of reach of the server, each state it rests on can be recorded as seen now', () => {
    const site = new Site(house())
    site.until('heating.fill')
    const looked = confirmGuard(site.judge(), 'heating.fill', 'now-relief.heating')
    expect(looked.ok).toBe(true)
    site.take(looked)
    const { progress } = site.step('heating.fill')
    if (progress.state !== 'now') throw new Error('fill is not next')
    expect(progress.guards[0]?.seenNow).toBeDefined()
    expect(confirmGuard(site.judge(), 'heating.fill', 'now-gas-tight').ok).toBe(false)
  })
})

describe('several sequences', () => {
  test('run side by side, and what one of them brings about counts for the others', () => {
    const site = new Site(house())
    site.tightness(0)
    site.until(undefined, 'heating')
    expect(site.step('start.boiler.gas-on').progress.state).toBe('now')
    expect(site.step('limits.boiler.dead').progress.state).toBe('now')
    const supply = () => site.judge().work.plant.known.get('supply.heating')?.value
    expect(supply()).toBe('on')
    site.until('limits.boiler.part', 'limits.boiler')
    expect(supply()).toBe('dead')
    // Dead for the limits, nothing is lit meanwhile.
    site.until('start.boiler.light', 'start.boiler')
    const { progress } = site.step('start.boiler.light')
    expect(progress.state === 'now' && progress.openGuards.map(({ because }) => because)).toContain(
      'the electricity of the heating is off and proved dead',
    )
  })
  test('a wire is parted and remade dead, each time', () => {
    const site = new Site(house())
    site.tightness(0)
    site.until(undefined, 'heating')
    site.until('limits.boiler.dead-again', 'limits.boiler')
    const wire = site.judge().off.find(({ body }) => body.name.startsWith('Sensor wire'))
    expect(putBack(site.judge(), wire?.id ?? '')).toMatchObject({
      ok: false,
      says: expect.stringMatching(/handled live.*electricity of the heating is on/),
    })
    site.until('limits.boiler.remade', 'limits.boiler')
    expect(putBack(site.judge(), wire?.id ?? '').ok).toBe(true)
  })
})

describe('records of before there were several sequences', () => {
  const site = () => {
    const old = new Site(house())
    for (const stepId of [
      'power-off',
      'vessel-charge',
      'relief-check',
      'zones-open',
      'fill',
      'purge',
    ])
      old.add({
        kind: 'step',
        stepId,
        guards: [],
        ...(stepId === 'vessel-charge' ? { si: 79000 } : {}),
      })
    old.add({
      ...{ kind: 'off', name: 'Filling link', state: 'linked', where: '', because: '' },
      ...{ backBefore: 'link-off', stepId: 'fill#link' },
    })
    return old
  }
  test('still say which steps are done, and what they made of the plant', () => {
    const old = site()
    expect(old.step('heating.fill').progress.state).toBe('done')
    expect(old.step('heating.purge-all').progress.state).toBe('done')
    expect(old.step('heating.treated').progress.state).toBe('now')
    const { known } = old.judge().work.plant
    expect(known.get('relief.heating')?.value).toBe('in-place')
    expect(known.get('link.heating')?.value).toBe('linked')
  })
  test('and what they left off is put back by the step of today', () => {
    const old = site()
    old.until('heating.link-off')
    const { progress } = old.step('heating.link-off')
    expect(progress.state === 'now' && progress.openGuards[0]?.leadsTo).toMatchObject({
      kind: 'off',
      name: 'Filling link',
    })
    old.until('heating.joints')
    expect(old.judge().work.plant.known.get('link.heating')?.value).toBe('off')
  })
  test('a heater of a job without heating has its own', () => {
    const old = new Site(jobs['uk-ireland, gas storage heater'] as JobDocument)
    old.add({ kind: 'step', stepId: 'isolate', guards: [] })
    expect(old.step('gas-heater.boiler.isolate').progress.state).toBe('done')
  })
})

describe('a visit', () => {
  const act = (site: Site, what: SiteAct) => {
    const decision = decide(site.judge(), lead, what)
    if (decision.ok) decision.bodies.forEach((body) => site.add(body))
    return decision
  }
  test('is begun once, and ended with what was done', () => {
    const site = new Site(house())
    expect(
      act(site, { do: 'visit-end', end: { done: 'all', left: '', staysOff: {} } }),
    ).toMatchObject({ code: 'no-such-step' })
    act(site, { do: 'visit-begin', with: 'Isla' })
    expect(act(site, { do: 'visit-begin', with: '' })).toMatchObject({ code: 'not-yet' })
    const end = (done: string) =>
      act(site, { do: 'visit-end', end: { done, left: 'balancing', staysOff: {} } })
    expect(end(' ')).toMatchObject({ code: 'reading-missing' })
    expect(end('filled it').ok).toBe(true)
    expect(site.judge().visits).toMatchObject([
      { body: { with: 'Isla' }, ended: { body: { done: 'filled it', left: 'balancing' } } },
    ])
    expect(act(site, { do: 'visit-begin', with: '' }).ok).toBe(true)
  })
  test('is not ended while something is off that nobody has explained', () => {
    const site = new Site(house())
    act(site, { do: 'visit-begin', with: '' })
    site.until('heating.vessel-charge')
    const [off] = site.judge().off
    const end = (staysOff: Record<string, string>) =>
      act(site, { do: 'visit-end', end: { done: 'isolated', left: '', staysOff } })
    expect(end({})).toMatchObject({
      code: 'guard-open',
      says: expect.stringContaining('Boiler and pump supply is still off'),
    })
    expect(end({ [off?.id ?? '']: ' ' })).toMatchObject({ code: 'guard-open' })
    expect(end({ [off?.id ?? '']: 'goes on tomorrow' }).ok).toBe(true)
  })
})

describe('an act on site', () => {
  const acts: readonly SiteAct[] = [
    { do: 'guard', stepId: 'heating.power-off', guardId: 'proved-dead' },
    { do: 'sign', stepId: 'heating.power-off', given: {} },
    { do: 'skip', stepId: 'heating.power-off', because: 'why' },
    { do: 'undo', stepId: 'heating.power-off', because: 'why' },
    { do: 'put-back', offId: 'off-0001' },
    { do: 'visit-begin', with: 'Isla' },
    { do: 'visit-end', end: { done: 'all', left: '', staysOff: {} } },
  ]
  test('has an address of its own', () => {
    const paths = acts.map((act) => requestOf(act).path)
    expect(new Set(paths).size).toBe(acts.length)
    expect(paths.every((path) => path.startsWith('/'))).toBe(true)
  })
  test('numbers its records from its own id, so that page and server store the same', () => {
    const bodies = [
      { kind: 'visit-begun', with: '' },
      { kind: 'step-undone', stepId: 'a' },
    ] as const
    const ids = numbered(bodies, { id: 'x'.repeat(60), by: 'lead' }, '2026-11-20T10:00:00Z')
    expect(ids.map(({ id }) => id)).toEqual(['x'.repeat(60), `${'x'.repeat(54)}-1`])
    const [undone] = recordsOfAct(
      { ok: true, bodies, undoing: { replaces: 'step-0001', reason: 'by mistake' } },
      { id: 'act-0001', by: 'lead' },
      '2026-11-20T10:00:00Z',
    )
    expect(undone).toMatchObject({ replaces: 'step-0001', reason: 'by mistake' })
  })
})

test('each symptom has causes to choose from and a test that decides', () => {
  for (const { causes, decides } of Object.values(symptoms)) {
    expect(causes.length).toBeGreaterThan(1)
    expect(decides).toMatch(/[.?]$/)
  }
  expect(documentVersion).toBe(9)
})

test('the causes are said in the words of every place', () => {
  for (const practice of practiceNames) {
    const said = Object.values(symptoms).flatMap(({ causes }) =>
      causes.map((cause) => inWords(cause, practices[practice].words)),
    )
    expect(said.filter((cause) => /[{}]|undefined/.test(cause))).toEqual([])
    expect(said.every((cause) => /^[A-Z]/.test(cause))).toBe(true)
    const { vessel, fillDevice } = practices[practice].words
    const started = (word: string) => `${word.charAt(0).toUpperCase()}${word.slice(1)}`
    expect(said).toContain(`${started(vessel)} too small`)
    expect(said).toContain(`${started(fillDevice)} lets by`)
  }
})

test('a sequence is a folder and a line: each folder has its spec, and the list has it once', () => {
  const folder = join(__dirname, '../sequences')
  const list = readFileSync(join(folder, 'kinds.ts'), 'utf8')
  const folders = readdirSync(folder, { withFileTypes: true })
    .filter((entry) => entry.isDirectory())
    .map(({ name }) => name)
  expect(folders).toHaveLength(sequenceKinds.length)
  for (const name of folders) {
    const spec = readFileSync(join(folder, name, 'sequence.ts'), 'utf8')
    const exported = /export const (\w+): SequenceSpec/.exec(spec)?.[1] ?? name
    expect(list.split(`'./${name}/sequence'`)).toHaveLength(2)
    expect(list.split(new RegExp(`^  ${exported},$`, 'm'))).toHaveLength(2)
  }
})

describe('the board', () => {
  const line = (...records: readonly JobRecord[]) =>
    summaryOf({
      ...{ id: 'job', number: '1', document: house(), frozen: null, samples: {} },
      records,
    }).waits
  const record = (id: string, body: JobRecord['body']): JobRecord => ({
    ...{ id, at: '2026-11-20T10:00:00Z', by: 'lead' },
    body,
  })
  test('says that a visit goes on, what the last one left, and the snag that was promised first', () => {
    const begun = record('visit-01', { kind: 'visit-begun', with: '' })
    const ended = record('visit-02', {
      ...{ kind: 'visit-ended', visit: 'visit-01', done: 'filled', staysOff: {} },
      left: 'balancing of the upper floor, the two towel rails and the bench in the hall',
    })
    const snag = (id: string, what: string, due: string | null) =>
      record(id, { kind: 'snag', what, owner: 'Tobias', due })
    const plain = line()
    expect(line(begun)).toBe(`${plain}; a visit goes on`)
    expect(line(begun, ended)).toMatch(/; left: balancing of the upper floor, .{10,}…$/)
    expect(
      line(
        snag('snag-001', 'lag the pipe', '2026-12-09'),
        snag('snag-002', 'hang the cord', '2026-12-04'),
        snag('snag-003', 'paint', null),
      ),
    ).toBe(`${plain}; promised for 2026-12-04: hang the cord`)
  })
})
