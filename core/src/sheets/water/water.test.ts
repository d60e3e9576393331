import fc from 'fast-check'
import { applyEdits, readDocument } from '../../job/edits'
import type { JobDocument } from '../../job/document'
import type { Outlet } from '../../job/hotWaterDocument'
import { blankHotWater } from '../../job/hotWaterDocument'
import type { WaterSegment } from '../../job/waterDocument'
import { blankLoop, blankWaterSegment } from '../../job/waterDocument'
import { practices } from '../../practice/practices'
import { showIn } from '../../units/format'
import { waterColumns, waterFromRows, waterRows } from './waterRows'
import { house, read } from '../../solve/house.testing'
import { answerOf } from '../../answer/sheet'
import { solve } from '../../solve/solve'
import { realWater } from './realWater'
import { waterSizesBeside } from './waterSizes'

const outlet = (
  id: string,
  kind: Outlet['kind'],
  count: number,
  litresPerMinute: number,
): Outlet => ({
  id,
  name: id,
  kind,
  count,
  flow_m3_s: read(litresPerMinute / 60000),
  temp_K: null,
  tempered: 'yes',
})
const pipe = (id: string, from: string, change: Partial<WaterSegment> = {}): WaterSegment => ({
  ...blankWaterSegment({ id, name: id, from, material: 'copper-en1057' }),
  length_m: read(5),
  ...change,
})
const at = (outletId: string, count = 1): WaterSegment['end'] => ({
  kind: 'outlet',
  outletId,
  count,
})

/** A house whose shower is mixed from both sides, with a basin beside it and a store. */
function fed(change: Partial<JobDocument['water']> = {}): JobDocument {
  const job = house()
  job.survey = {
    ...job.survey,
    mainPoints: [
      {
        id: 'm',
        name: 'Kitchen',
        gauge_Pa: read(2.5e5),
        by: 'flow-cup',
        container_m3: null,
        filled_s: null,
        flow_m3_s: read(20 / 60000),
      },
    ],
  }
  job.hotWater = {
    ...blankHotWater,
    storeTemp_K: read(333.15),
    outlets: [outlet('shower', 'shower', 1, 9), outlet('basin', 'washbasin', 1, 5)],
  }
  job.water = {
    ...job.water,
    designBy: 'all-open',
    segments: [
      pipe('main', 'meter'),
      pipe('store', 'main', { length_m: read(2), end: { kind: 'heater' } }),
      pipe('cold-shower', 'main', { rise_m: read(2), end: at('shower') }),
      pipe('hot', 'store'),
      pipe('hot-shower', 'hot', { rise_m: read(2), end: at('shower') }),
      pipe('hot-basin', 'hot', { length_m: read(12), end: at('basin') }),
    ],
    ...change,
  }
  return job
}
const answer = (job: JobDocument) => {
  const found = answerOf(solve(job).water)
  if (!found) throw new Error('no answer')
  return found
}
const found = (job: JobDocument) => {
  const sheet = solve(job).water
  return sheet.applies ? sheet.findings.map((one) => one.id) : []
}

describe('the water feed', () => {
  test('a job without a pipe does without, and one with a pipe and no outlet says what it waits for', () => {
    expect(solve(house()).water.applies).toBe(false)
    const job = fed()
    job.hotWater = { ...blankHotWater }
    const sheet = solve(job).water
    expect(sheet.applies && sheet.missing.map((gap) => gap.what)).toContain(
      'An outlet, on Heat and hot water',
    )
  })
  test('everything past the heater is hot, and flow is continuous', () => {
    const { pipes } = answer(fed())
    expect(pipes.filter((one) => one.side === 'hot').map((one) => one.id)).toEqual([
      'hot',
      'hot-shower',
      'hot-basin',
    ])
    const flow = (id: string) => pipes.find((one) => one.id === id)?.flow_m3_s ?? NaN
    expect(flow('main')).toBeCloseTo(flow('store') + flow('cold-shower'), 12)
    expect(flow('store')).toBeCloseTo(flow('hot-shower') + flow('hot-basin'), 12)
  })
  // Shower of 9 L/min at 40 °C from 60 and 10: hot (40 − 10)/(60 − 10) of it, 5.4 L/min.
  test('hot and cold part a mixed flow by temperature; one side alone gives it all', () => {
    const { pipes } = answer(fed())
    expect((pipes.find((one) => one.id === 'hot-shower')?.flow_m3_s ?? 0) * 60000).toBeCloseTo(
      5.4,
      6,
    )
    expect((pipes.find((one) => one.id === 'cold-shower')?.flow_m3_s ?? 0) * 60000).toBeCloseTo(
      3.6,
      6,
    )
    expect((pipes.find((one) => one.id === 'hot-basin')?.flow_m3_s ?? 0) * 60000).toBeCloseTo(5, 6)
  })
  test('what is left is the main less the drops less the height', () => {
    const { pipes, sourceGauge_Pa, index, indexRun, fluid } = answer(fed())
    const way = pipes.filter((one) => indexRun.includes(one.id))
    expect(index.farGauge_Pa).toBeCloseTo(
      sourceGauge_Pa -
        way.reduce(
          (sum, one) => sum + one.drop_Pa + one.pipe.rise_m * 9.80665 * fluid.density_kg_m3,
          0,
        ),
      3,
    )
    expect(Math.min(...pipes.filter((one) => one.end).map((one) => one.farGauge_Pa))).toBe(
      index.farGauge_Pa,
    )
  })
  test('sizes left to Hestian keep every outlet and every speed; with less from the main they are never narrower in the sum of what they cost', () => {
    const plenty = answer(fed())
    for (const one of plenty.pipes) expect(one.velocity_m_s).toBeLessThanOrEqual(2)
    for (const one of plenty.pipes)
      if (one.end) expect(one.farGauge_Pa).toBeGreaterThanOrEqual(plenty.wantedGauge_Pa)
    const poor = fed()
    poor.survey = {
      ...poor.survey,
      coldMainStaticGauge_Pa: read(2.4e5),
      mainPoints: [
        {
          id: 'm',
          name: 'Kitchen',
          gauge_Pa: read(2.1e5),
          by: 'flow-cup',
          container_m3: null,
          filled_s: null,
          flow_m3_s: read(20 / 60000),
        },
      ],
    }
    expect(answer(poor).cost).toBeGreaterThanOrEqual(plenty.cost)
  })
  test('a main that cannot give it is a stop, with the largest sizes shown', () => {
    const poor = fed()
    poor.survey = { ...poor.survey, coldMainStaticGauge_Pa: read(1.1e5), mainPoints: [] }
    expect(found(poor)).toEqual(
      expect.arrayContaining(['water-no-size', 'water-outlet-starved', 'water-main-assumed']),
    )
    expect(answer(poor).pipes[0]?.size.name).toBe('35 mm')
  })
  test('the wait is the still water over its hot flow: 12 m of 15 mm at 5 L/min and 5 m of pipe before it', () => {
    const { waits, pipes } = answer(fed())
    const bore = (id: string) => pipes.find((one) => one.id === id)?.size.bore_m ?? 0
    const volume = (Math.PI / 4) * (bore('hot') ** 2 * 5 + bore('hot-basin') ** 2 * 12)
    expect(waits.find((wait) => wait.pipe.id === 'hot-basin')?.wait_s).toBeCloseTo(
      volume / (5 / 60000),
      6,
    )
  })
  test('a reducing valve on the main holds it to its setting', () => {
    const job = fed()
    job.survey.looked = {
      ...job.survey.looked,
      mainReducingValve: { answer: 'yes', basis: 'measured', from: 'Seen' },
    }
    expect(answer(job).sourceGauge_Pa).toBeLessThanOrEqual(3e5)
    expect(answer(job).reducedTo_Pa).toBe(3e5)
  })
  test('an instantaneous heater that one tap does not fire is told; a mixer and its make-up too', () => {
    expect(found(fed({ heaterLeast_m3_s: read(6 / 60000) }))).toContain('water-will-not-fire')
    const made = fed()
    made.water = {
      ...made.water,
      segments: [...made.water.segments, pipe('make-up', 'main', { end: { kind: 'make-up' } })],
    }
    expect(found(made)).toContain('water-make-up-open')
    expect(
      found(applyEdits(made, [{ path: ['water', 'makeUp', 'device'], value: 'none' }])),
    ).toContain('water-make-up-unguarded')
    expect(
      found(
        applyEdits(made, [
          { path: ['water', 'makeUp', 'device'], value: 'double-check' },
          { path: ['water', 'makeUp', 'reducing'], value: 'no' },
        ]),
      ),
    ).toContain('water-make-up-no-reducing')
  })
  test('a pipe chosen by hand too narrow is told with a remedy that mends it', () => {
    const job = fed()
    job.water.segments[0] = { ...(job.water.segments[0] as WaterSegment), size: '10 mm' }
    const sheet = solve(job).water
    const fast = sheet.applies
      ? sheet.findings.find((one) => one.id === 'water-too-fast')
      : undefined
    expect(fast?.remedy).toBeDefined()
    expect(found(applyEdits(job, fast?.remedy?.edits ?? []))).not.toContain('water-too-fast')
  })
  test('wrong trees get a sentence and lose nothing', () => {
    const says = (segments: WaterSegment[]) => {
      const sheet = solve(fed({ segments })).water
      return sheet.applies ? sheet.missing.map((gap) => gap.what).join('; ') : ''
    }
    expect(says([pipe('a', 'b'), pipe('b', 'a')])).toMatch(/a does not lead back to the main/)
    expect(says([pipe('a', 'meter', { length_m: read(0), end: at('basin') })])).toMatch(
      /length of nothing/,
    )
    expect(
      says([pipe('a', 'meter', { end: at('basin') }), pipe('b', 'a', { end: at('shower') })]),
    ).toMatch(/a ends at something and pipes branch off it/)
    expect(says([pipe('a', 'meter', { size: '13 mm', end: at('basin') })])).toMatch(
      /13 mm is not a size of Copper, EN 1057/,
    )
    expect(says([pipe('a', 'meter', { end: at('gone') })])).toMatch(
      /ends at an outlet that is not there any more/,
    )
  })
  test('filling takes the content over the flow, through the valve and by its by-pass', () => {
    const { fill } = answer(
      fed({
        makeUp: {
          device: null,
          reducing: null,
          feedStays: null,
          feed_m3_s: read(6 / 60000),
          bypass_m3_s: read(12 / 60000),
        },
      }),
    )
    expect(
      fill && [fill.feed_s / fill.bypass_s, fill.feed_s * (6 / 60000) - fill.content_m3],
    ).toEqual([expect.closeTo(2, 9), expect.closeTo(0, 12)])
  })
})

describe('what really flows', () => {
  test('with enough in the main each outlet gives what it wants', () => {
    const job = fed()
    const real = realWater(
      job,
      answer(job),
      new Map([
        ['hot-shower', 1],
        ['cold-shower', 1],
      ]),
    )
    expect(real.converged).toBe(true)
    for (const one of real.given.values()) expect(one.flow_m3_s).toBeCloseTo(one.wanted_m3_s, 9)
  })
  test('opening one more never gives another more, and all together never pass what they want', () =>
    fc.assert(
      fc.property(fc.double({ min: 1.2e5, max: 3.5e5, noNaN: true }), (static_Pa) => {
        const job = fed()
        job.survey = {
          ...job.survey,
          coldMainStaticGauge_Pa: read(static_Pa),
          mainPoints: [
            {
              id: 'm',
              name: 'Kitchen',
              gauge_Pa: read(static_Pa * 0.5),
              by: 'flow-cup',
              container_m3: null,
              filled_s: null,
              flow_m3_s: read(12 / 60000),
            },
          ],
        }
        const solved = answer(job)
        const [one, both] = [
          realWater(job, solved, new Map([['hot-basin', 1]])),
          realWater(
            job,
            solved,
            new Map([
              ['hot-basin', 1],
              ['hot-shower', 1],
              ['cold-shower', 1],
            ]),
          ),
        ]
        expect(both.given.get('hot-basin')?.flow_m3_s).toBeLessThanOrEqual(
          (one.given.get('hot-basin')?.flow_m3_s ?? 0) + 1e-9,
        )
        for (const given of both.given.values())
          expect(given.flow_m3_s).toBeLessThanOrEqual(given.wanted_m3_s + 1e-12)
      }),
      { numRuns: 25 },
    ))
})

describe('the secondary return on the page', () => {
  const looped = (lagging_m: number | null, more: JobDocument['water']['segments'] = []) =>
    fed({
      loop: {
        ...blankLoop,
        lagging_m: lagging_m === null ? null : read(lagging_m),
        returns: [
          {
            id: 'r',
            name: 'Return',
            at: 'hot',
            length_m: read(8),
            material: 'copper-en1057',
            size: null,
          },
          {
            id: 's',
            name: 'From the basin',
            at: 'hot-basin',
            length_m: read(14),
            material: 'copper-en1057',
            size: null,
          },
        ],
      },
      ...(more.length > 0 ? { segments: more } : {}),
    })
  test('lagging takes most of the loss away; bare and undecided are told', () => {
    const { loop } = answer(looped(0.019))
    expect(loop && loop.laggedLoss_W / loop.bareLoss_W).toBeLessThan(0.5)
    expect(found(looped(null))).toContain('water-loop-undecided')
    expect(found(looped(0))).toContain('water-loop-bare')
    const bare = answer(looped(0)).loop
    expect(bare && bare.laggedLoss_W / bare.bareLoss_W).toBeLessThan(0.5)
  })
  test('the longest way round needs no throttling and the others take just its surplus', () => {
    const { loop } = answer(looped(0.019))
    const surplus = loop?.returns.map((one) => one.surplus_Pa) ?? []
    expect(Math.min(...surplus)).toBe(0)
    loop?.returns.forEach((one) =>
      expect(one.drop_Pa + one.surplus_Pa).toBeCloseTo(loop.pumpHead_Pa, 6),
    )
  })
  test('where it goes round nobody waits for the pipe that is warm', () => {
    const wait = (job: JobDocument) =>
      answer(job).waits.find((one) => one.pipe.id === 'hot-basin')?.wait_s
    expect(wait(looped(0.019))).toBe(0)
    expect(wait(fed())).toBeGreaterThan(0)
  })
})

test('the next size up runs slower and leaves more, and the row of its own size is what stands', () => {
  const solved = answer(fed())
  const rows = waterSizesBeside(solved, practices['uk-ireland'], 'main')
  const at = rows.findIndex((row) => row.current)
  expect(rows[at]?.leftGauge_Pa).toBeCloseTo(solved.index.farGauge_Pa, 3)
  expect(rows[at + 1]?.velocity_m_s).toBeLessThan(rows[at]?.velocity_m_s ?? 0)
  expect(rows[at + 1]?.leftGauge_Pa).toBeGreaterThan(rows[at]?.leftGauge_Pa ?? Infinity)
  expect(waterSizesBeside(solved, practices['uk-ireland'], 'nothing')).toEqual([])
})

describe('a water tree as a table', () => {
  const show = showIn(practices['uk-ireland'].units)
  let count = 0
  const outlets = fed().hotWater?.outlets ?? []
  const rowsRead = (rows: readonly Readonly<Record<string, string>>[]) =>
    waterFromRows(rows, {
      outlets,
      material: 'copper-en1057',
      unit: 'm',
      newId: () => `n${(count += 1)}`,
      from: 'Pasted',
    })
  const bare = (segments: readonly WaterSegment[]) =>
    segments.map(({ id: _id, from: _from, length_m, rise_m, ...rest }) => ({
      ...rest,
      length: length_m?.value,
      rise: rise_m?.value ?? null,
    }))
  test('out and in again is the same tree', () => {
    const job = fed()
    const again = rowsRead(waterRows(job, show) as readonly Readonly<Record<string, string>>[])
    expect(again.ok && bare(again.segments)).toEqual(bare(job.water.segments))
  })
  test.each([
    [
      'an outlet that is not there',
      { 'Ends at': 'sauna' },
      /ends at “sauna”\. Accepted: shower; basin; heater; make-up/,
    ],
    ['a rise that is no length', { Rise: 'up a bit' }, /rise “up a bit”/],
    ['half a tap', { 'Ends at': 'basin', 'How many': '0.5' }, /How many “0.5”: a whole number/],
    ['a gas pipe', { Material: 'Corrugated stainless, by EHD' }, /is no material here/],
    ['no length', { Length: '' }, /length “”/],
  ])('%s gets a sentence', (_what, change, says) => {
    const result = rowsRead([{ Pipe: 'A', From: 'main', Length: '3', ...change }])
    expect(!result.ok && result.says.join(' ')).toMatch(says)
  })
  test('columns are the shared ones, with height and number', () =>
    expect(waterColumns).toContain('Rise'))
})

test('a document of version 3 comes forward with its gas pipes, and nothing of it is lost', () => {
  const job = house()
  const old = structuredClone(job) as unknown as Record<string, unknown>
  old.version = 3
  delete old.water
  delete old.prices
  const gas = old.gas as Record<string, unknown>
  for (const key of ['method', 'diversity', 'derated', 'bonded']) delete gas[key]
  gas.segments = (gas.segments as Record<string, unknown>[]).map(
    ({ end: _end, regulator: _regulator, reserve_W: _reserve, ...rest }) => rest,
  )
  const result = readDocument(old)
  expect(result).toMatchObject({
    ok: true,
    document: {
      version: 9,
      prices: [],
      water: { segments: [] },
      gas: {
        method: null,
        segments: [{ name: 'Meter to boiler', elbows: 3, end: { shutOff: null }, regulator: null }],
      },
    },
  })
})
