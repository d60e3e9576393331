import { answerOf } from '../../answer/sheet'
import type { JobDocument } from '../../job/document'
import { blankHotWater } from '../../job/hotWaterDocument'
import type { RecordBody } from '../../job/records'
import { practiceNames } from '../../practice/practiceNames'
import { practices } from '../../practice/practices'
import { paperIds } from '../../practice/handoverRules'
import { gaugeFace } from '../../sheets/vessel/gaugeFace'
import { showIn } from '../../units/format'
import { house, read } from '../house.testing'
import { lead, Site } from '../onSite.testing'
import { exchangeJob, sequenceJobs } from '../sequenceJobs.testing'
import { skipStep } from '../signing'
import { changedSheets } from './changed'
import { deviationsOf } from './deviations'
import type { HouseholderQuestion } from './householder'
import { householderPage, householderQuestions } from './householder'
import { labelCode, labelsOf } from './labels'
import { labelSheetIds, labelSheets, labelsOn } from './labelSheets'
import { householderLacks, leavingItems } from './leaving'
import { papersOf } from './papers'
import { settingsToRestore } from './restore'
import { servicePlan } from './service'

/** The house with all that its household is told. */
const told = (job: JobDocument = house()): JobDocument => ({
  ...job,
  water: { ...job.water, makeUp: { ...job.water.makeUp, device: 'disconnected-link' } },
  handover: {
    shutOffs: { gas: 'left of the door', water: 'under the sink', power: 'on the board' },
    call: { name: 'Lowmoor Heating', phone: '01632 960 100', outOfHours: '01632 960 101' },
    nextVisit: '2027-11-01',
    words: '',
  },
})
const leave = (site: Site, item: string, answer: 'done' | 'not-done' = 'done', says = 'seen') =>
  site.add({ kind: 'leaving', item, answer, says } as RecordBody)
const pageOf = (site: Site) => {
  const solution = site.solution()
  return householderPage(solution, site.judge().leaving, showIn(solution.practice.units))
}
const says = (site: Site, id: HouseholderQuestion) => {
  const found = pageOf(site).find((one) => one.id === id)
  return { text: found?.says.join(' ') ?? '', lacks: found?.lacks }
}

describe('before one leaves', () => {
  const asked = (job: JobDocument) => new Site(job).judge().leaving.map(({ id }) => id)
  test('what is asked follows from what is there', () => {
    expect(asked(house())).toEqual(
      expect.arrayContaining(['back-on', 'seals', 'settings', 'filters', 'alarm', 'shown']),
    )
    expect(asked(house())).not.toContain('aerators')
    expect(asked({ ...house(), hotWater: blankHotWater })).toContain('aerators')
    const unlit = { ...house(), appliances: [] }
    expect(asked(unlit)).not.toContain('alarm')
    expect(asked(unlit)).not.toContain('seals')
  })
  test('a small job asks none of it, and what stands in the work list is not asked twice', () => {
    expect(asked(exchangeJob('uk-ireland', 'relief-valve', 'boiler'))).toEqual([])
    const fresh = house()
    fresh.work = { ...fresh.work, kinds: ['heating-new'] }
    expect(asked(fresh)).not.toContain('back-on')
    expect(asked(fresh)).toContain('shown')
  })
  test('each unanswered one stands between the job and its signature; the last answer counts', () => {
    const site = new Site(told())
    const open = () => site.judge().missing.filter(({ sheet }) => sheet === 'handover')
    expect(open()).toHaveLength(site.judge().leaving.length)
    expect(open()[0]?.what).toMatch(/^Not said yet: /)
    const first = leave(site, 'filters')
    expect(open()).toHaveLength(site.judge().leaving.length - 1)
    leave(site, 'filters', 'not-done', 'no isolating valves')
    const answered = site.judge().leaving.find(({ id }) => id === 'filters')?.answered
    expect(answered?.body).toMatchObject({ answer: 'not-done', says: 'no isolating valves' })
    expect(answered?.recordId).not.toBe(first)
  })
  test('every item has its own id and a reason', () => {
    expect(new Set(leavingItems.map(({ id }) => id)).size).toBe(leavingItems.length)
    for (const { why } of leavingItems) expect(why.length).toBeGreaterThan(30)
  })
  test('what the household cannot find stands in the way too, each in a line', () => {
    expect(householderLacks(house())).toEqual([
      'Where gas is shut is not said',
      'Where water is shut is not said',
      'Where the electricity is shut is not said',
      'Whom the householder calls is not said',
    ])
    expect(householderLacks(told())).toEqual([])
    const { call } = told().handover
    for (const half of [{ name: '' }, { phone: ' ' }])
      expect(
        householderLacks({
          ...told(),
          handover: { ...told().handover, call: { ...call, ...half } },
        }),
      ).toEqual(['Whom the householder calls is not said'])
    const [, ...electric] = householderLacks({
      ...house(),
      appliances: [],
      gas: { ...house().gas, segments: [] },
    })
    expect(electric).toHaveLength(2)
  })
})

describe('the householder’s page', () => {
  test.each(practiceNames)('%s: eight questions, each answered, none with a hole in it', (name) => {
    for (const job of [told(house(name)), house(name)]) {
      const page = pageOf(new Site(job))
      expect(page.map(({ asks }) => asks)).toEqual(Object.values(householderQuestions))
      for (const { says: lines } of page) {
        expect(lines.length).toBeGreaterThan(0)
        expect(lines.join(' ')).not.toMatch(/undefined|NaN|[{}]|null/)
      }
    }
  })
  test('the gauge it tells of is the one that is computed, in the units of the place', () => {
    const site = new Site(told())
    const vessel = answerOf(site.solution().vessel)
    const show = showIn(practices['uk-ireland'].units)
    expect(vessel?.forecast.outcome).toBe('settles')
    expect(says(site, 'normal').text).toContain(show(vessel?.fillGauge_Pa ?? 0, 'water-pressure'))
    expect(says(new Site(told(house('north-america'))), 'normal').text).toMatch(/\d\.\d\u00a0psi/)
  })
  test('where it shuts and whom to call are what was typed', () => {
    const site = new Site(told())
    expect(says(site, 'shut').text).toBe(
      'Gas: left of the door Water: under the sink Electricity: on the board',
    )
    expect(says(site, 'call').text).toContain('Lowmoor Heating, 01632\u00a0960\u00a0100.')
    expect(says(site, 'call').text).toContain('01632\u00a0960\u00a0101')
    expect(says(site, 'visit').text).toContain('2027-11-01')
  })
  test('what nobody has said is said to be unknown, never left out', () => {
    const site = new Site(house())
    for (const id of ['shut', 'call', 'visit', 'top-up', 'danger'] as const)
      expect({ id, lacks: says(site, id).lacks }).toEqual({ id, lacks: true })
    expect(says(site, 'top-up').text).toContain('Do not open anything')
    expect(says(site, 'danger').text).toContain('No working carbon monoxide alarm was seen here')
  })
  test('an alarm counts when it was seen, not when it was passed over', () => {
    const site = new Site(told())
    leave(site, 'alarm', 'not-done', 'householder buys one')
    expect(says(site, 'danger')).toMatchObject({ lacks: true })
    leave(site, 'alarm')
    expect(says(site, 'danger').lacks).toBe(false)
    expect(says(site, 'danger').text).toContain('test button')
  })
  const withFeed = (makeUp: Partial<JobDocument['water']['makeUp']>): JobDocument => {
    const job = told()
    return { ...job, water: { ...job.water, makeUp: { ...job.water.makeUp, ...makeUp } } }
  }
  test.each([
    [{ device: 'disconnected-link' }, /take it off and put the caps on/],
    [{ device: 'double-check', feedStays: 'shut' }, /^Only when.*Open the filling link a little/],
    [{ device: 'double-check', feedStays: 'open' }, /^You do not\./],
    [{ device: 'double-check', feedStays: null }, /Do not open anything: call/],
    [{ device: 'backflow-preventer', feedStays: 'shut' }, /not filled by hand/],
    [{ device: null }, /Do not open anything: call/],
  ] as const)('topping up by %j', (makeUp, pattern) => {
    expect(says(new Site(withFeed(makeUp)), 'top-up').text).toMatch(pattern)
  })
  test('an open vented circuit and none at all are not topped up by hand', () => {
    const job = told()
    const vented = {
      ...job,
      heating: job.heating && { ...job.heating, system: 'open-vented' as const },
    }
    expect(says(new Site(vented), 'top-up').text).toMatch(/the tank above fills it/)
    expect(says(new Site(vented), 'normal').text).toMatch(/no gauge to watch/)
    expect(says(new Site({ ...job, heating: null }), 'top-up').text).toMatch(
      /nothing here to top up/,
    )
  })
  test('where nothing burns it tells of no gas', () => {
    const job = { ...told(), appliances: [], gas: { ...house().gas, segments: [] } }
    const text = pageOf(new Site(job))
      .flatMap(({ says: lines }) => lines)
      .join(' ')
    expect(text).not.toMatch(/Smell of gas|Carbon monoxide|Gas:/)
  })
})

describe('the pack', () => {
  const due = (site: Site) =>
    papersOf(site.solution(), site.judge(), site.records).filter((one) => one.due)
  test('of a whole job holds all but what there is none of', () => {
    const site = new Site(told())
    const all = papersOf(site.solution(), site.judge(), site.records)
    expect(all.map(({ id }) => id)).toEqual(paperIds)
    expect(all.filter((one) => !one.due).map(({ id }) => id)).toEqual(['tests', 'photographs'])
    for (const { because } of all) expect(because).toMatch(/\.$/)
    site.tightness(0)
    const hash = 'a'.repeat(64)
    const photo = { hash, type: 'image/jpeg' as const, name: 'plate', bytes: 10 }
    site.add({ kind: 'leaving', item: 'photographed', answer: 'done', says: '', photos: [photo] })
    expect(due(site)).toHaveLength(paperIds.length)
  })
  test('of a small job is small', () => {
    const site = new Site(exchangeJob('uk-ireland', 'relief-valve', 'boiler'))
    expect(due(site).map(({ id }) => id)).toEqual(['certificate', 'commissioning', 'deviations'])
  })
  test('says which paper still has a hole in it', () => {
    const lacking = (job: JobDocument) =>
      due(new Site(job))
        .filter(({ lacks }) => lacks.length > 0)
        .map(({ id }) => id)
    expect(lacking(house())).toEqual(['householder', 'certificate', 'settings', 'service'])
    const site = new Site(told())
    for (const { id } of site.judge().leaving) leave(site, id)
    expect(due(site).flatMap(({ lacks }) => lacks)).toEqual([])
  })
  test('is called what the place calls it', () => {
    const names = (name: (typeof practiceNames)[number]) => practices[name].handover.papers
    expect(names('north-america').householder).toBe('Owner’s page')
    expect(names('uk-ireland').householder).toBe('Householder’s page')
    for (const name of practiceNames)
      expect(practices[name].handover.forms.length).toBeGreaterThan(0)
  })
})

describe('the lists of the pack', () => {
  const show = showIn(practices['uk-ireland'].units)
  test('settings hold the design’s figures, and say when nobody has said what was changed', () => {
    const site = new Site(told())
    const vessel = answerOf(site.solution().vessel)
    const before = settingsToRestore(site.solution(), site.judge().leaving, show)
    const value = (what: string) => before.find((one) => one.what === what)?.value
    expect(value('Cold fill, at the gauge')).toBe(show(vessel?.fillGauge_Pa ?? 0, 'water-pressure'))
    expect(value('Safety valve, set')).toContain('never adjusted')
    expect(before.at(-1)?.value).toBe('Nobody has said yet.')
    leave(site, 'settings', 'done', 'Pump to constant pressure')
    expect(settingsToRestore(site.solution(), site.judge().leaving, show).at(-1)?.value).toBe(
      'Pump to constant pressure',
    )
  })
  test('a service plan holds each thing against its figure, at the interval of the place', () => {
    const jobs = sequenceJobs()
    const eased = (name: string) =>
      servicePlan(new Site(jobs[name] as JobDocument).solution(), show).find(({ what }) =>
        what.includes('eased'),
      )?.months
    expect(eased('uk-ireland, heating and a cylinder')).toBe(12)
    expect(eased('australia-new-zealand, heating and a cylinder')).toBe(6)
    const plan = servicePlan(new Site(told()).solution(), show)
    expect(plan.find(({ what }) => what.startsWith('Charge'))?.against).toMatch(/bar$/)
    expect(plan.filter(({ who }) => who === 'householder')).toHaveLength(2)
    const preventer = told()
    preventer.water.makeUp.device = 'backflow-preventer'
    expect(servicePlan(new Site(preventer).solution(), show).map(({ what }) => what)).toContain(
      'Backflow preventer of the make-up tested by whoever the water company accepts for it',
    )
    expect(plan.some(({ what }) => what.startsWith('Backflow'))).toBe(false)
    for (const job of Object.values(jobs))
      for (const { what, source } of servicePlan(new Site(job).solution(), show))
        expect(`${what} ${source.says}`).not.toMatch(/[{}]|undefined|NaN/)
  })
  test('deviations hold what was passed over, left undone, assumed, and chosen otherwise', () => {
    const job = told()
    job.schools = {
      ...job.schools,
      reliefLifting: { side: 'b', because: 'old valves' },
    } as typeof job.schools
    job.survey = { ...job.survey, elevation_m: { value: 20, basis: 'assumed', from: 'guess' } }
    const site = new Site(job)
    leave(site, 'filters', 'not-done', 'no valves')
    site.until('heating.vessel-charge')
    site.take(skipStep(site.judge(), 'heating.vessel-charge', lead, 'charged last week'))
    const all = deviationsOf(site.solution(), site.judge(), show)
    const of = (group: string) => all.filter((one) => one.group === group)
    expect(of('Not done')[0]?.because).toBe('no valves')
    expect(of('Passed over')[0]?.because).toBe('charged last week')
    expect(
      of('Assumed')
        .map(({ what }) => what)
        .join(),
    ).toMatch(/20/)
    expect(of('School chosen')[0]?.what).toContain('Leave an old one alone')
    expect(all.map(({ what, because }) => what + because).join()).not.toMatch(/[{}]|undefined|NaN/)
  })
  test('a job that does as the place does deviates by no school', () => {
    const site = new Site(told())
    const groups = deviationsOf(site.solution(), site.judge(), show).map(({ group }) => group)
    expect(groups).not.toContain('School chosen')
    expect(groups).not.toContain('Passed over')
  })
})

describe('the gauge as it should read', () => {
  const draw = (name: (typeof practiceNames)[number]) => {
    const { units } = practices[name]
    return gaugeFace(
      { coldGauge_Pa: 1e5, hotGauge_Pa: 1.8e5, reliefGauge_Pa: 3e5 },
      showIn(units),
      units,
    )
  }
  test.each(practiceNames)('%s: a band from cold to hot, a mark where water is let out', (name) => {
    const { shapes, title } = draw(name)
    expect(JSON.stringify(shapes)).not.toMatch(/NaN|null|Infinity/)
    expect(shapes.filter(({ kind }) => kind === 'path')).toHaveLength(2)
    expect(title).toMatch(/^The gauge reads .* cold and .* hot; at .* water is let out\.$/)
  })
  test('the dial reaches past the relief and its figures are round', () => {
    const figures = draw('uk-ireland').shapes.flatMap((shape) =>
      shape.kind === 'text' ? shape.spans.map(({ text }) => Number(text)) : [],
    )
    const marks = figures.filter((figure) => Number.isFinite(figure))
    expect(Math.max(...marks)).toBeGreaterThanOrEqual(3 * 1.25)
    expect(marks.every((mark) => Math.abs(mark * 2 - Math.round(mark * 2)) < 1e-9)).toBe(true)
  })
})

test('values that are read are not deviations', () => {
  const job = told()
  job.survey = { ...job.survey, elevation_m: read(20) }
  const site = new Site(job)
  const all = deviationsOf(site.solution(), site.judge(), showIn(practices['uk-ireland'].units))
  expect(all.filter(({ group, what }) => group === 'Assumed' && /Elevation/.test(what))).toEqual([])
})

describe('labels', () => {
  const show = showIn(practices['uk-ireland'].units)
  const labels = (site: Site) => labelsOf(site.solution(), site.records, show)
  const of = (site: Site, id: string) => labels(site).find((one) => one.id === id)
  test('hold the figures of the design, and the day a thing was set where it was recorded', () => {
    const site = new Site(told())
    const vessel = answerOf(site.solution().vessel)
    const charge = show(vessel?.need.chargeGauge_Pa ?? 0, 'water-pressure')
    expect(of(site, 'vessel')?.lines).toEqual([
      `Charge ${charge}, water side empty`,
      'Set on ____________',
    ])
    site.until('heating.fill')
    expect(of(site, 'vessel')?.lines[1]).toBe('Set on 2026-11-20')
    expect(of(site, 'shut-water')?.lines).toEqual(['Under the sink'])
    expect(of(new Site(house()), 'shut-water')?.lines[0]).toMatch(/^Where: _+$/)
  })
  test('the day is that of the site, not of the server', () => {
    const site = new Site({
      ...told(house('australia-new-zealand')),
      site: { ...house().site, timeZone: 'Australia/Adelaide' },
    })
    const body = { kind: 'step', stepId: 'heating.vessel-charge', guards: [] } as const
    site.add({ ...body, guards: [] }, { at: '2026-11-20T20:00:00Z' })
    expect(of(site, 'vessel')?.lines[1]).toBe('Set on 2026-11-21')
  })
  test('a step that was passed over set nothing on that day', () => {
    const site = new Site(told())
    site.until('heating.vessel-charge')
    site.take(skipStep(site.judge(), 'heating.vessel-charge', lead, 'no pump here'))
    expect(of(site, 'vessel')?.lines[1]).toMatch(/____/)
  })
  test.each(Object.keys(sequenceJobs()))('%s: each has its own id, and no hole', (name) => {
    const site = new Site(sequenceJobs()[name] as JobDocument)
    const all = labels(site)
    expect(new Set(all.map(({ id }) => id)).size).toBe(all.length)
    expect(JSON.stringify(all)).not.toMatch(/undefined|NaN|[^,"]null|\{\w+\}/)
  })
  test('the code says the same in plain words, with the job and the day', () => {
    const label = { id: 'fill', title: 'Heating, at the gauge', lines: ['Cold 1.0 bar'] }
    expect(labelCode(label, { number: '0417', day: '2026-11-29' })).toBe(
      'Job 0417; Heating, at the gauge; Cold 1.0 bar; printed 2026-11-29',
    )
  })
  test.each(labelSheetIds)('%s: its labels fit on its paper and do not overlap', (id) => {
    const sheet = labelSheets[id]
    const [wide, high] = sheet.paper === 'A4' ? [210, 297] : [215.9, 279.4]
    const right = sheet.left + sheet.across * sheet.width + (sheet.across - 1) * sheet.gapX
    const foot = sheet.top + sheet.down * sheet.height + (sheet.down - 1) * sheet.gapY
    expect(right).toBeLessThanOrEqual(wide)
    expect(foot).toBeLessThanOrEqual(high)
    expect(labelsOn(id)).toBe(sheet.across * sheet.down)
  })
})

describe('what was changed since', () => {
  test('names the sheets that rest on something else, and none where nothing of the design moved', () => {
    const job = told()
    expect(changedSheets(job, structuredClone(job))).toEqual([])
    const renamed = { ...job, handover: { ...job.handover, nextVisit: '2028-01-01' } }
    expect(changedSheets(job, renamed)).toEqual([])
    const heating = job.heating && { ...job.heating, reliefSetGauge_Pa: read(2.5e5) }
    const changed = changedSheets(job, { ...job, heating })
    expect(changed).toContain('vessel')
    expect(changed).not.toContain('gas')
  })
})
