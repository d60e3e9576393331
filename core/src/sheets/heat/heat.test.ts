import fc from 'fast-check'
import type { Shape } from '../../answer/drawing'
import { mainCurveDrawing } from '../readings/mainCurve'
import { scaldCurveDrawing } from './scaldCurve'
import { drawingSvg } from '../../answer/svg'
import type { ComparisonConditions, Lasting, OptionFigures } from '../../methods/hot-water/compare'
import { compareOption } from '../../methods/hot-water/compare'
import { simulateDraws } from '../../methods/hot-water/drawOff'
import { applianceFromOption } from '../../job/applianceFromOption'
import { blankAppliance } from '../../job/document'
import type { HeatOption, Outlet } from '../../job/hotWaterDocument'
import { blankHotWater, blankOption } from '../../job/hotWaterDocument'
import { practiceNames } from '../../practice/practiceNames'
import { practices } from '../../practice/practices'
import { fitMain } from '../../methods/supply/mainCurve'
import { showIn } from '../../units/format'
import { drawModelOf, usualScenario } from './drawModels'
import { optionFigures } from './sheet'
import { storeSetting_K } from '../../job/storeSetting'
import { house, read } from '../../solve/house.testing'
import { solve } from '../../solve/solve'

const figures: OptionFigures = {
  input_W: 27000,
  hotWater_W: 24000,
  heating_W: 24000,
  leastOutput_W: 5000,
  store_m3: 0.18,
  coil_W: 22000,
  standingLoss_W: 60,
  burnerInStore: false,
}
const conditions: ComparisonConditions = {
  coldTemp_K: 278.15,
  warmTemp_K: 290.15,
  storeTemp_K: 333.15,
  mixedTemp_K: 313.15,
  wanted_m3_s: 3e-4,
  shower_m3_s: 1.5e-4,
  flowTemp_K: 353.15,
  roomTemp_K: 293.15,
  load_W: 8000,
}
const factor = fc.double({ min: 1, max: 3, noNaN: true })

const leastOf = (lasting: Lasting) => (lasting === 'as-long-as-wanted' ? Infinity : lasting.least_s)

describe('the comparison is physics', () => {
  test('a larger store never lasts shorter, more power never keeps up less', () =>
    fc.assert(
      fc.property(factor, factor, (larger, stronger) => {
        const base = compareOption(figures, conditions)
        const big = compareOption({ ...figures, store_m3: figures.store_m3 * larger }, conditions)
        const strong = compareOption(
          {
            ...figures,
            hotWater_W: figures.hotWater_W * stronger,
            coil_W: (figures.coil_W ?? 0) * stronger,
          },
          conditions,
        )
        expect(leastOf(big.draw)).toBeGreaterThanOrEqual(leastOf(base.draw) * (1 - 1e-9))
        expect(big.reheat_s ?? 0).toBeGreaterThanOrEqual((base.reheat_s ?? 0) * (1 - 1e-9))
        expect(strong.mixed_m3_s).toBeGreaterThanOrEqual(base.mixed_m3_s * (1 - 1e-9))
        expect(leastOf(strong.twoShowers)).toBeGreaterThanOrEqual(
          leastOf(base.twoShowers) * (1 - 1e-9),
        )
      }),
      { numRuns: 40 },
    ))
  test('colder water never gives more, and summer never less than the coldest', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 274, max: 300, noNaN: true }),
        fc.double({ min: 0, max: 5, noNaN: true }),
        (cold, colder) => {
          const at = (coldTemp_K: number) =>
            compareOption({ ...figures, store_m3: 0 }, { ...conditions, coldTemp_K }).mixed_m3_s
          expect(at(cold - colder)).toBeLessThanOrEqual(at(cold) * (1 + 1e-9))
          const summer = compareOption(
            { ...figures, store_m3: 0 },
            { ...conditions, coldTemp_K: Math.min(cold, 290) },
          )
          expect(summer.mixedSummer_m3_s ?? Infinity).toBeGreaterThanOrEqual(
            summer.mixed_m3_s * (1 - 1e-9),
          )
        },
      ),
    ))
  test('the band brackets itself, and what the coil does not take in is not counted', () => {
    const base = compareOption(figures, conditions)
    if (base.draw === 'as-long-as-wanted') throw new Error('the draw wanted here has an end')
    expect(base.draw.most_s).toBeGreaterThan(base.draw.least_s)
    expect(base).toMatchObject({ power_W: 22000, limitedBy: 'coil', cyclesBelowRatio: 0.625 })
    expect(
      compareOption({ ...figures, coil_W: undefined, burnerInStore: true }, conditions),
    ).toMatchObject({ power_W: 24000, limitedBy: 'boiler' })
  })
})

const option = (kind: HeatOption['kind'], more: Partial<HeatOption> = {}): HeatOption => ({
  ...blankOption({ id: kind, name: kind, kind }),
  hotWater_W: read(24000),
  ...more,
})
test.each([
  [option('combination'), []],
  [option('combination', { hotWater_W: null }), ['hot water output']],
  [option('storage-heater'), ['store volume']],
  [option('system-cylinder', { store_m3: read(0.2) }), ['coil rating']],
  [option('cascade'), []],
  [option('cascade', { store_m3: read(0.3) }), ['coil rating']],
] as [HeatOption, string[]][])('%# an option says what is still to be read', (one, missing) =>
  expect(optionFigures(one, true).missing).toEqual(missing),
)
test('several units count whole, and the least output is one unit’s', () => {
  expect(
    optionFigures(
      option('cascade', { units: 3, leastOutput_W: read(3000), input_W: read(26000) }),
      true,
    ).figures,
  ).toMatchObject({ hotWater_W: 72000, input_W: 78000, leastOutput_W: 3000 })
})

test('an option goes to the rating plates once, with what its sheet said', () => {
  const cylinder = option('system-cylinder', {
    name: 'System boiler',
    input_W: read(27000),
    heating_W: read(24000),
    store_m3: read(0.2),
    coil_W: read(20000),
  })
  const made = applianceFromOption(cylinder, [])
  expect(made.map((one) => one.kind)).toEqual(['boiler', 'indirect-cylinder'])
  expect(made[0]?.input_W).toEqual(read(27000))
  expect(applianceFromOption(cylinder, made)).toEqual([])
  expect(
    applianceFromOption(cylinder, [
      blankAppliance({ id: 'b', name: 'Another', kind: 'boiler' }),
    ]).map((one) => one.kind),
  ).toEqual(['indirect-cylinder'])
  expect(applianceFromOption(option('combination'), []).map((one) => one.kind)).toEqual([
    'instantaneous-heater',
  ])
})

const outlet = (id: string, kind: Outlet['kind'], count = 1): Outlet => ({
  id,
  name: id,
  kind,
  count,
  flow_m3_s: null,
  temp_K: null,
  tempered: 'yes',
})
function bathing() {
  const job = house()
  job.survey = { ...job.survey, incomingColdestTemp_K: read(278.15), topOutletHeight_m: read(3) }
  job.hotWater = {
    ...blankHotWater,
    outlets: [
      outlet('showers', 'shower', 2),
      outlet('bath', 'bath'),
      outlet('sink', 'kitchen-sink'),
    ],
  }
  job.heat = {
    ...job.heat,
    zones: [{ id: 'z', name: 'All', heat: { by: 'typed', load_W: read(9000) } }],
    options: [
      option('combination', { heating_W: read(20000) }),
      option('system-cylinder', {
        heating_W: read(20000),
        store_m3: read(0.2),
        coil_W: read(22000),
        standingLoss_W: read(60),
      }),
    ],
  }
  return job
}

test('the day of a household is run on each option with the design’s own figures', () => {
  const job = bathing()
  const { heat } = solve(job)
  if (!heat.applies || !heat.answer || !job.hotWater) throw new Error('no answer')
  job.hotWater.scenario = usualScenario(job).map((draw, i) => ({ id: String(i), ...draw }))
  expect(job.hotWater.scenario.length).toBeGreaterThan(3)
  const models = heat.answer.options.map((one) =>
    drawModelOf(job, heat.answer as NonNullable<typeof heat.answer>, one, 20),
  )
  expect(models.map((model) => model?.source.kind)).toEqual(['instantaneous', 'store'])
  for (const model of models) {
    if (!model) throw new Error('no model')
    const result = simulateDraws(model)
    expect(result.balanceError).toBeLessThan(0.001)
    expect(result.outlets.map((one) => one.ran_s)).toEqual([720 + 600, 480, 3 * 240])
    expect(result.samples.length).toBeLessThanOrEqual(1500)
  }
  // Two showers of 9 L/min at 40 °C from 5 °C ask 43.9 kW: more than 24 kW without a store, and a
  // store carries it.
  const [combi, store] = models.map((model) => model && simulateDraws(model))
  expect(combi?.outlets[0]?.fellAt_s).toBe(25200)
  expect(store?.outlets[0]?.fellAt_s).toBeUndefined()
})

test('the store is set by the school unless it is typed', () => {
  const job = bathing()
  expect(storeSetting_K(job, practices['uk-ireland'])).toBe(333.15)
  job.schools = {
    ...job.schools,
    hotWaterTemperature: { side: 'b', because: 'two small children', basis: 'chosen' },
  }
  expect(storeSetting_K(job, practices['uk-ireland'])).toBeLessThan(322)
  expect(
    storeSetting_K(
      { ...job, hotWater: { ...blankHotWater, storeTemp_K: read(330) } },
      practices['uk-ireland'],
    ),
  ).toBe(330)
})

test.each(practiceNames)(
  'the supply and scald drawings stay on their sheet and name what they show in %s',
  (name) => {
    const { units } = practices[name]
    const show = showIn(units)
    const curve = fitMain(4e5, [
      { gauge_Pa: 3e5, flow_m3_s: 3e-4 },
      { gauge_Pa: 1.9e5, flow_m3_s: 5e-4 },
    ])
    if (!curve) throw new Error('no curve')
    for (const size of [
      { width: 318, height: 220 },
      { width: 560, height: 270 },
    ]) {
      const drawings = [
        mainCurveDrawing(
          curve,
          { points: [{ gauge_Pa: 3e5, flow_m3_s: 3e-4 }], leftGauge_Pa: 1.4e5, wanted_m3_s: 4e-4 },
          show,
          units,
          size,
        ),
        scaldCurveDrawing(
          { store_K: 333.15, safe_K: 321.15, hygiene_K: 333.15 },
          show,
          units,
          size,
        ),
      ]
      for (const drawing of drawings) {
        const places = drawing.shapes.flatMap((shape: Shape) =>
          shape.kind === 'text' ? [shape.at] : shape.kind === 'line' ? [shape.from, shape.to] : [],
        )
        for (const [x, y] of places) {
          expect(x).toBeGreaterThanOrEqual(0)
          expect(x).toBeLessThanOrEqual(size.width)
          expect(y).toBeGreaterThanOrEqual(0)
          expect(y).toBeLessThanOrEqual(size.height)
        }
        expect(drawingSvg(drawing)).not.toMatch(/NaN|undefined/)
        expect(drawing.title.length).toBeGreaterThan(20)
      }
    }
  },
)
