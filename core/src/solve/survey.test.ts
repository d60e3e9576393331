import fc from 'fast-check'
import { blankPart } from '../job/document'
import type { JobDocument } from '../job/document'
import { readDocument } from '../job/edits'
import { blankHotWater, blankOption } from '../job/hotWaterDocument'
import type { HeatOption, Outlet } from '../job/hotWaterDocument'
import type { JobRecord, RecordBody } from '../job/records'
import { templateOf } from '../job/template'
import { blankDocument } from '../job/document'
import { practiceChange } from './practiceChange'
import { practiceNames } from '../practice/practiceNames'
import { practices } from '../practice/practices'
import { sideOf } from '../practice/schools'
import { inspectionItems } from '../sheets/inspection/inspection'
import { inWords, judgeDraught, lookQuestions } from '../job/questions'
import { showIn } from '../units/format'
import { house, read } from './house.testing'
import { optionFindings } from '../sheets/heat/findings'
import { judge } from './judge'
import { sheetCode } from './sheetIds'
import { rangeOf } from '../job/guess'
import { leansOn } from './leansOn'
import { solve } from './solve'

const seen = (answer: string) => ({ answer, basis: 'measured', from: 'Seen' }) as never
const ids = (document: JobDocument, sheet: 'readings' | 'place' | 'plates' | 'site' | 'heat') => {
  const found = solve(document)[sheet]
  return found.applies ? found.findings.map((finding) => `${finding.severity} ${finding.id}`) : []
}
const withLooked = (
  answers: Partial<Record<keyof JobDocument['survey']['looked'], string>>,
): JobDocument => {
  const job = house()
  job.survey = {
    ...job.survey,
    looked: {
      ...job.survey.looked,
      ...Object.fromEntries(Object.entries(answers).map(([key, answer]) => [key, seen(answer)])),
    },
  }
  return job
}
const outlet = (id: string, kind: Outlet['kind'], more: Partial<Outlet> = {}): Outlet => ({
  id,
  name: id,
  kind,
  count: 1,
  flow_m3_s: read(9 / 60000),
  temp_K: null,
  tempered: 'yes',
  ...more,
})
const option = (
  id: string,
  kind: HeatOption['kind'],
  more: Partial<HeatOption> = {},
): HeatOption => ({
  ...blankOption({ id, name: id, kind }),
  hotWater_W: read(24000),
  heating_W: read(18000),
  leastOutput_W: read(4000),
  ...more,
})

/** A house with two showers, a bath and two ways of heating their water. */
function bathing(): JobDocument {
  const job = house()
  job.survey = {
    ...job.survey,
    incomingColdestTemp_K: read(278.15),
    topOutletHeight_m: read(4),
    mainPoints: [
      {
        id: 'one',
        name: 'Kitchen',
        gauge_Pa: read(2.2e5),
        by: 'container',
        container_m3: read(0.01),
        filled_s: read(30),
        flow_m3_s: null,
      },
    ],
    gasDistance_m: read(8),
    gasMeter_m3_s: read(6 / 3600),
  }
  job.heat = {
    ...job.heat,
    zones: [
      { id: 'all', name: 'House', heat: { by: 'estimate', area_m2: read(100), age: '1976-1995' } },
    ],
    options: [
      option('combi', 'combination', { leastFlow_m3_s: read(2 / 60000) }),
      option('store', 'system-cylinder', {
        store_m3: read(0.18),
        coil_W: read(20000),
        standingLoss_W: read(60),
      }),
    ],
    chosen: { optionId: 'store', because: 'two showers before school' },
  }
  job.hotWater = {
    ...blankHotWater,
    outlets: [outlet('upper', 'shower'), outlet('lower', 'shower'), outlet('bath', 'bath')],
  }
  return job
}

describe('readings', () => {
  test('a timed container makes a flow, the flow a curve, the curve what the main still gives', () => {
    const answer = solve(bathing()).readings
    if (!answer.applies || !answer.answer) throw new Error('no answer')
    expect((answer.answer.points[0]?.flow_m3_s ?? 0) * 60000).toBeCloseTo(20, 6)
    expect(answer.answer.curve?.staticGauge_Pa).toBe(3.5e5)
    const heat = solve(bathing()).heat
    const main = heat.applies ? heat.answer?.main_m3_s : undefined
    // Left at the heater: 1 bar and 4 m of water, 1.392 bar; the fall is 2.108 of the 1.3 bar
    // measured at 20 L/min.
    expect((main ?? 0) * 60000).toBeCloseTo(20 * (2.10773 / 1.3) ** 0.54, 2)
  })
  test('the main is judged: closed by a fitting, too high, or not to be told yet', () => {
    const job = { ...withLooked({ mainCheckValve: 'yes' }), hotWater: blankHotWater }
    expect(ids(job, 'readings')).toContain('note main-closed')
    expect(ids({ ...house(), hotWater: blankHotWater }, 'readings')).toContain(
      'note main-cannot-tell',
    )
    expect(
      ids({ ...job, survey: { ...job.survey, coldMainStaticGauge_Pa: read(6.2e5) } }, 'readings'),
    ).toContain('fix main-too-high')
  })
  test('gas: the fall, the meter’s range and its badge', () => {
    const job = house()
    job.survey = {
      ...job.survey,
      gasStaticGauge_Pa: read(2600),
      gasWorkingGauge_Pa: read(1800),
      gasMeter_m3_s: read(2 / 3600),
    }
    expect(ids(job, 'readings')).toEqual(
      expect.arrayContaining([
        'fix gas-static-to-working',
        'fix gas-meter-range',
        'fix gas-meter-too-small',
      ]),
    )
    expect(ids(withLooked({ gasSmell: 'yes' }), 'readings')).toContain('stop gas-smell')
  })
  test('an appliance that goes burns nothing and needs no plate', () => {
    const job = house()
    job.appliances = [
      ...job.appliances,
      { ...job.appliances[0], id: 'old', name: 'Old boiler', input_W: null, stay: 'goes' } as never,
    ]
    expect(solve(job).plates).toMatchObject({ missing: [] })
    const load = solve(job).readings
    expect(load.applies && load.answer?.load_m3_s).toBeCloseTo(30000 / 39.3e6, 9)
  })
})

describe('the place', () => {
  test('not looked at is missing, and is not no', () => {
    const blank = solve(house()).place
    expect(blank.applies && blank.missing.length).toBeGreaterThan(10)
    expect(ids(house(), 'place')).toEqual([])
    expect(ids(withLooked({ vehiclePath: 'no', freezing: 'no' }), 'place')).toEqual([])
  })
  test.each([
    ['vehiclePath', 'yes', 'fix vehicle-path'],
    ['reliefReach', 'blocked', 'stop relief-blocked'],
    ['airSource', 'room-short', 'stop combustion-air-short'],
    ['flueRoute', 'blocked', 'stop flue-unsound'],
    ['drain', 'none', 'fix no-drain'],
    ['powerIsolator', 'shared', 'fix supply-shared'],
    ['livingBelow', 'yes', 'note pan-wanted'],
    ['combustibles', 'short', 'fix clearance-short'],
  ] as const)('%s: %s is found as %s', (key, answer, found) =>
    expect(ids(withLooked({ [key]: answer }), 'place')).toContain(found),
  )
  test('a low flame in a garage is found unless it is sealed', () => {
    const low = (air: string) => {
      const job = withLooked({ location: 'garage', airSource: air })
      job.survey.ignitionHeight_m = read(0.2)
      return ids(job, 'place')
    }
    expect(low('room-enough')).toContain('fix ignition-low')
    expect(low('sealed')).not.toContain('fix ignition-low')
  })
  test('a draught passes only whole, and smoke that comes out always fails', () => {
    const all = ['windows-shut', 'fans-on', 'appliances-on', 'flue-hot'] as const
    expect(judgeDraught({ held: all, smoke: 'in' }).outcome).toBe('passed')
    expect(judgeDraught({ held: all.slice(1), smoke: 'in' })).toEqual({
      outcome: 'cannot-tell',
      without: ['windows-shut'],
    })
    expect(judgeDraught({ held: [], smoke: 'out' }).outcome).toBe('failed')
    const job = withLooked({ openFlued: 'yes' })
    expect(ids(job, 'place')).toContain('fix draught-not-tried')
    job.survey.draught = { held: [...all], smoke: 'out', note: '', at: '2026-05-12T10:00:00Z' }
    expect(ids(job, 'place')).toContain('stop draught-failed')
  })
  test.each(practiceNames)(
    'what a blank job still needs is said in the words of %s',
    (practice) => {
      const blank = blankDocument({ name: 'A', address: '', practice })
      const { sheets } = judge(solve(blank), { entries: [], samples: {} })
      const needs = Object.values(sheets).flatMap((sheet) => sheet.missing.map((gap) => gap.what))
      expect(needs.join('; ')).not.toMatch(/[{}]/)
      expect(needs).toContain(`The ${practices[practice].words.shutOff} on the main`)
    },
  )
  test('every question has a reason, a way and its words in every practice', () => {
    for (const practice of practiceNames)
      for (const question of lookQuestions) {
        for (const text of [question.label, question.why, question.how])
          expect(inWords(text, practices[practice].words)).not.toMatch(/[{}]|undefined/)
        expect(question.answers.length).toBeGreaterThan(1)
      }
  })
})

test('what is old is found against the day of the visit, and missing papers stay to the end', () => {
  const job = house()
  job.survey.visitedOn = '2026-05-12'
  job.parts = [
    {
      ...blankPart({
        id: 'relief',
        name: 'Old safety valve',
        kind: 'relief-valve',
        circuit: 'heating',
      }),
      madeYear: 2012,
    },
    {
      ...blankPart({ id: 'vessel', name: 'Vessel', kind: 'expansion-vessel', circuit: 'heating' }),
      madeYear: 2020,
    },
  ]
  expect(ids(job, 'plates')).toEqual(expect.arrayContaining(['fix part-old', 'fix papers-missing']))
  expect(ids(job, 'plates').filter((id) => id.endsWith('part-old'))).toHaveLength(1)
})

describe('heat and hot water', () => {
  test('options are compared on the coldest water', () => {
    const { heat } = solve(bathing())
    if (!heat.applies || !heat.answer) throw new Error('no answer')
    const [combi, store] = heat.answer.options
    expect(heat.answer.load_W).toBe(8000)
    // 24 kW from 5 to 40 °C: 9.84 L/min.
    expect((combi?.comparison?.mixed_m3_s ?? 0) * 60000).toBeCloseTo((24000 / (4180 * 35)) * 60, 3)
    expect(store?.comparison?.limitedBy).toBe('coil')
    expect(store?.comparison?.simulatedReheat?.took_s).toBeGreaterThan(
      store?.comparison?.reheat_s ?? Infinity,
    )
    expect(store?.gasPipe).toMatch(/mm$/)
    expect(heat.missing).toEqual([])
    expect(
      heat
        .workings()
        .map((working) => working.title)
        .join(),
    ).toContain('perfect layers')
  })
  test('what an option violates is to be fixed on the chosen one and said of the others', () => {
    const job = bathing()
    const { heat } = solve(job)
    const combi = heat.applies ? heat.answer?.options[0] : undefined
    if (!heat.applies || !heat.answer || !combi) throw new Error('no answer')
    expect(
      optionFindings(job, heat.answer, combi, 0).map(
        (finding) => `${finding.severity} ${finding.id}`,
      ),
    ).toContain('note option-short-of-hot-water')
    expect(ids(job, 'heat').join()).not.toContain('meter')
    job.heat.chosen = { optionId: 'combi', because: 'no room for a store' }
    expect(ids(job, 'heat')).toContain('fix option-short-of-hot-water')
    job.survey.gasMeter_m3_s = read(1 / 3600)
    expect(ids(job, 'heat')).toContain('fix option-meter-cannot')
  })
  test('an outlet that nothing keeps from scalding is found, and a store set low for bacteria', () => {
    const job = bathing()
    if (!job.hotWater) throw new Error('no hot water')
    job.hotWater.outlets = [outlet('bath', 'bath', { tempered: 'no' })]
    expect(ids(job, 'heat')).toContain('fix outlet-scalds')
    job.hotWater.storeTemp_K = read(321)
    expect(ids(job, 'heat')).toContain('fix store-breeds')
    expect(ids(job, 'heat')).not.toContain('fix outlet-scalds')
  })
  test('a table that does not cover offers the household’s own pattern', () => {
    const job = { ...bathing(), practice: 'north-america' as const }
    if (job.hotWater) job.hotWater.outlets = [outlet('basin', 'washbasin')]
    const { heat } = solve(job)
    expect(
      heat.applies &&
        heat.findings.find((finding) => finding.id === 'demand-not-covered')?.remedy?.edits[0]
          ?.path,
    ).toEqual(['schools', 'simultaneousUse'])
  })
  test('a job with neither heating nor hot water has no such sheet', () =>
    expect(solve({ ...house(), heating: null, appliances: [] }).heat).toMatchObject({
      applies: false,
    }))
})

describe('assumptions', () => {
  test('an answer names what it leans on and how far that may move', () => {
    const job = house()
    if (!job.heating) throw new Error('no heating')
    job.heating.emitters = [
      {
        id: 'rads',
        name: 'Radiators',
        zoneId: 'all',
        type: null,
        loadEach_W: null,
        count: 10,
        waterEach_m3: { value: 0.008, basis: 'assumed', from: 'Guess' },
      },
    ]
    const fitted = (value: number) => {
      const { vessel } = solve({
        ...job,
        heating: {
          ...job.heating,
          emitters: [
            {
              id: 'rads',
              name: 'Radiators',
              zoneId: 'all',
              type: null,
              loadEach_W: null,
              count: 10,
              waterEach_m3: { value, basis: 'assumed', from: '' },
            },
          ],
        } as never,
      })
      return vessel.applies ? vessel.answer?.fitted_m3 : undefined
    }
    const [leaning] = leansOn(job, 'vessel')
    if (!leaning) throw new Error('leans on nothing')
    expect(fitted(leaning.to * 0.999)).toBe(fitted(0.008))
    expect(fitted(leaning.to * 1.01)).not.toBe(fitted(0.008))
    expect(leansOn(house(), 'vessel')).toEqual([])
  })
  test('a guess without a range carries the usual one', () => {
    expect(rangeOf({ value: 100, basis: 'assumed', from: '' }, 'length')).toEqual([80, 120])
    expect(
      rangeOf({ value: 300, basis: 'assumed', from: '', between: [290, 320] }, 'temperature'),
    ).toEqual([290, 320])
  })
})

describe('practices', () => {
  test('switching re-words and re-judges and changes no stored value', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...practiceNames),
        fc.constantFrom(...practiceNames),
        (from, to) => {
          const job = { ...bathing(), practice: from }
          const before = JSON.stringify(job)
          const change = practiceChange(job, to)
          expect(JSON.stringify(job)).toBe(before)
          if (from === to)
            expect([
              ...change.units,
              ...change.words,
              ...change.methods,
              ...change.answers,
              ...change.appear,
              ...change.go,
            ]).toEqual([])
          else expect(change.words.length).toBeGreaterThan(0)
        },
      ),
    ))
  test('a school is the practice’s only one, the installer’s, or the usual one', () => {
    const { schools } = house()
    expect(sideOf('hotWaterTemperature', 'uk-ireland', schools)).toBe('a')
    expect(
      sideOf('hotWaterTemperature', 'north-america', {
        ...schools,
        hotWaterTemperature: { side: 'a', because: 'an old boiler', basis: 'chosen' },
      }),
    ).toBe('a')
    expect(
      sideOf('hotWaterTemperature', 'australia-new-zealand', {
        ...schools,
        hotWaterTemperature: { side: 'b', because: '', basis: 'chosen' },
      }),
    ).toBe('a')
  })
})

test('a document of the first version comes forward: what it did not ask is not looked at yet, what it held stays', () => {
  const {
    schools: _s,
    parts: _p,
    heat: _h,
    hotWater: _w,
    survey,
    appliances,
    site,
    ...rest
  } = house()
  const {
    looked: _l,
    supplies: _u,
    draught: _d,
    inspecting: _i,
    placePhotos: _ph,
    mainPoints: _m,
    visitedOn: _v,
    ...old
  } = survey
  const first = {
    ...rest,
    version: 1,
    site: { ...site, seismic: true },
    survey: old,
    appliances: appliances.map(
      ({ stay: _1, madeYear: _2, papers: _3, photos: _4, ...plate }) => plate,
    ),
  }
  const result = readDocument(first)
  if (!result.ok) throw new Error(result.says)
  expect(result.document.survey.looked.shakes?.answer).toBe('yes')
  expect(result.document.survey.looked.vehiclePath).toBeNull()
  expect(result.document.survey.gasWorkingGauge_Pa).toEqual(survey.gasWorkingGauge_Pa)
  expect(result.document.appliances[0]).toMatchObject({ stay: 'new', name: 'Boiler' })
})

test('a job as a template keeps its design in pencil and leaves its evidence behind', () => {
  const job = bathing()
  const copy = templateOf(job, {
    name: 'Next house',
    number: '0417',
    blank: blankDocument({ name: 'x', address: '', practice: job.practice }),
  })
  expect(copy.survey.gasWorkingGauge_Pa).toBeNull()
  expect(copy.appliances[0]?.input_W).toEqual({
    value: 30000,
    basis: 'assumed',
    from: 'as on job 0417',
  })
  expect(copy.site).toMatchObject({ name: 'Next house', address: '' })
  expect(readDocument(copy).ok).toBe(true)
})

describe('inspection and snags', () => {
  const record = (id: string, body: RecordBody): JobRecord => ({
    id: `record-${id}`,
    at: '2026-05-12T10:00:00Z',
    by: 'maren',
    body,
  })
  const inspecting = (): JobDocument => {
    const job = withLooked({ airSource: 'room-short' })
    job.survey.inspecting = true
    return job
  }
  test('each item has a limit and says what the survey already found', () => {
    const items = inspectionItems(
      inspecting(),
      practices['uk-ireland'],
      showIn(practices['uk-ireland'].units),
    )
    expect(items.find((item) => item.id === 'air')).toMatchObject({
      suggests: 'unsafe',
      found: 'From the room, too little',
    })
    for (const item of items) expect(item.limit.length).toBeGreaterThan(3)
    expect(new Set(items.map((item) => item.id)).size).toBe(items.length)
  })
  test('an unsafe item stops until it is inspected again; the last word counts', () => {
    const solution = solve(inspecting())
    const unsafe = record('1', {
      kind: 'inspected',
      item: 'air',
      verdict: 'unsafe',
      limit: 'x',
      note: 'No opening at all',
      because: '',
    })
    const after = (entries: JobRecord[], of = solution) =>
      judge(of, { entries, samples: {} }).sheets.inspection
    expect(after([unsafe]).findings.map((finding) => finding.id)).toEqual(['inspected-unsafe'])
    expect(after([unsafe]).state).toBe('stop')
    const again = record('2', {
      kind: 'inspected',
      item: 'air',
      verdict: 'sound',
      limit: 'x',
      note: '',
      because: '',
    })
    const ids = (sheet: ReturnType<typeof after>) => sheet.findings.map(({ id }) => id)
    expect(ids(after([unsafe, again]))).toEqual(['inspected-against-figures'])
    const mended = inspecting()
    mended.survey.looked = withLooked({ airSource: 'sealed' }).survey.looked
    expect(ids(after([unsafe, again], solve(mended)))).toEqual([])
    expect(judge(solve(house()), { entries: [], samples: {} }).sheets.inspection.state).toBe(
      'does-not-apply',
    )
  })
  test('a snag stays until it is done', () => {
    const snag = record('s', {
      kind: 'snag',
      what: 'fit a drip loop',
      owner: 'Tobias',
      due: '2026-06-01',
    })
    const solution = solve(house())
    expect(judge(solution, { entries: [snag], samples: {} }).snags).toHaveLength(1)
    expect(
      judge(solution, {
        entries: [snag, record('d', { kind: 'snag-done', snag: snag.id })],
        samples: {},
      }).snags,
    ).toEqual([])
  })
  test('sheets are coded by where they stand, and proofs of the first version still count on a frozen design', () => {
    expect(
      ['site', 'heat', 'circuit', 'vessel', 'safety', 'relief', 'gas', 'handover'].map((id) =>
        sheetCode(id as never),
      ),
    ).toEqual(['S2', 'D2', 'D3', 'D4', 'D5', 'D6', 'D7', 'H1'])
    const proof = record('p', {
      kind: 'sheet-checked',
      sheet: 'D1',
      restsOn: 'an older fingerprint',
    })
    const signed = record('g', {
      kind: 'signature',
      typedName: 'Maren',
      revision: 'A',
      restsOn: 'older',
      ticketsHeld: [],
    })
    const solution = solve(house())
    expect(
      judge(solution, { entries: [proof, signed], samples: {}, frozen: 'A' }).sheets,
    ).toMatchObject({ vessel: { state: 'checked' }, handover: { state: 'checked' } })
    expect(
      judge(solution, { entries: [proof, signed], samples: {}, frozen: null }).sheets,
    ).toMatchObject({ vessel: { state: 'ready' }, handover: { state: 'incomplete' } })
  })
})
