import fc from 'fast-check'
import { hunterFlow_m3_s } from '../demand/hunter'
import { peakFlow_m3_s } from '../demand/loadingUnits'
import { simultaneousByScenario, simultaneousByUnits } from '../demand/simultaneous'
import { estimatedLoad_W } from '../heat/estimate'
import type { Outlet } from '../../job/hotWaterDocument'
import type { MainFittings } from './closedSystem'
import { closedSystem } from './closedSystem'
import { fitMain, mainFlow_m3_s, mainGauge_Pa, timedFlow_m3_s } from './mainCurve'

test('ten litres in 42 s is 14.3 L/min', () =>
  expect(timedFlow_m3_s({ volume_m3: 0.01, time_s: 42 }) * 60000).toBeCloseTo(14.29, 2))

test('the curve goes through static and a single point, and back', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 1e5, max: 8e5, noNaN: true }),
      fc.double({ min: 0.1, max: 0.95, noNaN: true }),
      fc.double({ min: 1e-5, max: 2e-3, noNaN: true }),
      (staticGauge_Pa, part, flow_m3_s) => {
        const gauge_Pa = staticGauge_Pa * part
        const curve = fitMain(staticGauge_Pa, [{ gauge_Pa, flow_m3_s }])
        if (!curve) throw new Error('no curve')
        expect(mainGauge_Pa(curve, 0)).toBe(staticGauge_Pa)
        expect(mainGauge_Pa(curve, flow_m3_s) / gauge_Pa).toBeCloseTo(1, 6)
        expect(mainFlow_m3_s(curve, gauge_Pa) / flow_m3_s).toBeCloseTo(1, 6)
      },
    ),
  ))
// NFPA 291, from memory: the flow at another residual goes with the fall to the power 0.54.
test('a hydrant-flow calculation: 1 000 at a fall of 40 gives 1 454 at a fall of 80', () => {
  const curve = fitMain(100, [{ gauge_Pa: 60, flow_m3_s: 1000 }])
  expect(curve && mainFlow_m3_s(curve, 20)).toBeCloseTo(1000 * 2 ** 0.54, 3)
})
test('points that lie on no one curve are told, and a running pressure above static is no point', () => {
  expect(
    fitMain(4e5, [
      { gauge_Pa: 3.9e5, flow_m3_s: 3e-4 },
      { gauge_Pa: 1e5, flow_m3_s: 3.3e-4 },
    ])?.scatterRatio,
  ).toBeGreaterThan(0.25)
  expect(fitMain(4e5, [{ gauge_Pa: 4.2e5, flow_m3_s: 3e-4 }])).toBeUndefined()
})

const none: MainFittings = {
  reducingValve: 'no',
  checkValve: 'no',
  backflowPreventer: 'no',
  meterCheck: 'no',
  streetCheck: 'no',
}
test('one fitting closes the system; none seen is open only when all were looked at and the water company asked', () => {
  expect(closedSystem({ ...none, checkValve: 'yes' })).toEqual({
    system: 'closed',
    by: ['checkValve'],
  })
  expect(closedSystem(none)).toEqual({ system: 'open' })
  expect(closedSystem({ ...none, streetCheck: null })).toEqual({
    system: 'cannot-tell',
    lookAt: ['streetCheck'],
  })
  expect(closedSystem({ ...none, streetCheck: null, reducingValve: 'yes' })).toEqual({
    system: 'closed',
    by: ['reducingValve'],
  })
})

// IPC Table E103.3(3), from memory: 10 units 14.6 gpm, 20 units 19.6 gpm with flush tanks.
test.each([
  [10, 14.6],
  [20, 19.6],
  [15.5, 17.75],
])('%d fixture units draw %d gpm', (units, gpm) =>
  expect(((hunterFlow_m3_s(units) ?? 0) * 60) / 0.003785411784).toBeCloseTo(gpm, 6),
)
test('outside its rows the curve is not guessed at', () => {
  expect(hunterFlow_m3_s(0.5)).toBeUndefined()
  expect(hunterFlow_m3_s(4, 'flushometer')).toBeUndefined()
  expect(hunterFlow_m3_s(6000)).toBeUndefined()
})
test('more outlets never draw less, and never more than all of them', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 1e-5, max: 0.05, noNaN: true }),
      fc.double({ min: 1, max: 5, noNaN: true }),
      (sum, k) => {
        expect(peakFlow_m3_s(sum * k)).toBeGreaterThanOrEqual(peakFlow_m3_s(sum) - 1e-12)
        expect(peakFlow_m3_s(sum)).toBeLessThanOrEqual(sum + 1e-12)
      },
    ),
  ))

const outlet = (id: string, count: number, litresPerMinute: number): Outlet => ({
  id,
  name: id,
  kind: 'shower',
  count,
  flow_m3_s: { value: litresPerMinute / 60000, basis: 'measured', from: '' },
  temp_K: null,
  tempered: null,
})
test('a scenario draws what overlaps, at the moment it does', () => {
  const draws = [
    { id: '1', outletId: 'a', open: 1, start_s: 0, duration_s: 720 },
    { id: '2', outletId: 'b', open: 1, start_s: 300, duration_s: 720 },
    { id: '3', outletId: 'a', open: 1, start_s: 1200, duration_s: 60 },
  ]
  expect(simultaneousByScenario([outlet('a', 1, 9), outlet('b', 1, 8)], draws)).toMatchObject({
    at_s: 300,
    flow_m3_s: expect.closeTo(17 / 60000, 9) as number,
  })
})
test('where the peak-flow curve begins it does not fall below the one outlet it begins with', () => {
  expect(peakFlow_m3_s(0.1999e-3)).toBeCloseTo(0.1999e-3, 12)
  expect(peakFlow_m3_s(0.2001e-3)).toBeCloseTo(0.2e-3, 12)
})
test('units never ask more than the outlets can draw', () => {
  const asked = simultaneousByUnits([outlet('a', 1, 6)], 'loading-units')
  expect('flow_m3_s' in asked && asked.flow_m3_s).toBeLessThanOrEqual(6 / 60000 + 1e-12)
  expect(
    simultaneousByUnits([{ ...outlet('a', 1, 6), kind: 'washbasin' }], 'hunter'),
  ).toMatchObject({ by: 'not-covered' })
})
test('an estimate is area times the age’s figure', () =>
  expect(estimatedLoad_W(90, '1976-1995')).toBe(7200))

test('the conclusion follows from the fittings alone, for all 243 ways they can be seen', () => {
  const states = ['yes', 'no', null] as const
  const keys = [
    'reducingValve',
    'checkValve',
    'backflowPreventer',
    'meterCheck',
    'streetCheck',
  ] as const
  for (let i = 0; i < 3 ** 5; i++) {
    const fittings = Object.fromEntries(
      keys.map((key, at) => [key, states[Math.floor(i / 3 ** at) % 3] ?? null]),
    ) as unknown as MainFittings
    const seen = Object.values(fittings)
    expect(closedSystem(fittings).system).toBe(
      seen.includes('yes') ? 'closed' : seen.includes(null) ? 'cannot-tell' : 'open',
    )
  }
})
test('a second point between static and the first moves the curve towards it', () =>
  fc.assert(
    fc.property(fc.double({ min: 0.3, max: 0.9, noNaN: true }), (share) => {
      const first = { gauge_Pa: 2e5, flow_m3_s: 5e-4 }
      const alone = fitMain(4e5, [first])
      const second = { gauge_Pa: 4e5 - 2e5 * share, flow_m3_s: 3e-4 }
      const both = fitMain(4e5, [first, second])
      if (!alone || !both) throw new Error('no curve')
      const off = (curve: typeof alone) =>
        Math.abs(mainGauge_Pa(curve, second.flow_m3_s) - second.gauge_Pa)
      expect(off(both)).toBeLessThanOrEqual(off(alone) + 1e-6)
    }),
  ))
