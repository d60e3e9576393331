import fc from 'fast-check'
import { fixtureUnits, hunterFlow_m3_s, sumOfUnits } from './hunter'
import { copperForUnits_m, loadingUnits, peakConstants, peakFlow_m3_s } from './loadingUnits'
import {
  heaterDemandByUnits,
  simultaneousByScenario,
  simultaneousByUnits,
  usualFlow_m3_s,
} from './simultaneous'
import type { Outlet } from '../../job/hotWaterDocument'
import { drawsHot, outletKinds } from './outletKinds'

const gpm = (flow: number | undefined) => ((flow ?? NaN) * 60) / 0.003785411784

// IPC Tables E103.3(2) and (3), from memory.
test.each([
  ['lavatory-private', 0.7],
  ['bathtub-private', 1.4],
  ['shower-private', 1.4],
  ['kitchen-sink-private', 1.4],
  ['wc-flush-tank-private', 2.2],
  ['bathroom-group-flush-tank-private', 3.6],
])('%s counts %d units', (kind, units) => expect(fixtureUnits[kind]).toBe(units))
test.each([
  [1, 3],
  [6, 10.7],
  [30, 23.3],
  [100, 43.5],
  [500, 124],
  [5000, 593],
])('%d units with flush tanks: %d gpm', (units, flow) =>
  expect(gpm(hunterFlow_m3_s(units))).toBeCloseTo(flow, 6),
)
test.each([
  [5, 15],
  [20, 35],
  [50, 50],
  [100, 67.5],
])('%d units with flushometers: %d gpm', (units, flow) =>
  expect(gpm(hunterFlow_m3_s(units, 'flushometer'))).toBeCloseTo(flow, 6),
)
test('between two rows it is linear, and more units never draw less', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 4999, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (units, more) => {
        expect(gpm(hunterFlow_m3_s(Math.min(5000, units + more)))).toBeGreaterThanOrEqual(
          gpm(hunterFlow_m3_s(units)) - 1e-9,
        )
      },
    ),
  ))
test('a fixture that is not of the table is a mistake of ours', () =>
  expect(() => sumOfUnits(fixtureUnits, [{ kind: 'fountain', count: 1 }])).toThrow('not a fixture'))

// EN 806-3:2006 Table 2 and 3, from memory.
test.each([
  ['washbasin', 1],
  ['shower', 2],
  ['bath-domestic', 4],
  ['garden-tap', 5],
  ['flush-valve-dn20', 15],
])('%s loads %d units', (kind, units) => expect(loadingUnits[kind]).toBe(units))
test.each([
  [3, 0.012],
  [6, 0.015],
  [7, 0.018],
  [20, 0.022],
  [21, 0.028],
  [2100, 0.0761],
])('%d units go through %d m of copper', (units, size) =>
  expect(copperForUnits_m(units)).toBe(size),
)
test('past the last row no pipe is named', () => expect(copperForUnits_m(2101)).toBeUndefined())
// DIN 1988-300, from memory: dwellings, 1.48 · 2^0.19 − 0.94.
test('2 L/s of outlets in a dwelling peak at 0.75 L/s', () =>
  expect(peakFlow_m3_s(0.002, peakConstants.dwelling) * 1000).toBeCloseTo(
    1.48 * 2 ** 0.19 - 0.94,
    9,
  ))

const anyOutlet = fc
  .record({
    id: fc.constantFrom('a', 'b', 'c', 'd'),
    kind: fc.constantFrom(...outletKinds),
    count: fc.integer({ min: 1, max: 6 }),
  })
  .map(({ id, kind, count }): Outlet => ({
    id,
    name: id,
    kind,
    count,
    flow_m3_s: null,
    temp_K: null,
    tempered: null,
  }))
test('a house with two bathrooms and its machines draws near 16 gpm by units, not 10', () => {
  const house = (
    [
      ['wc', 2],
      ['washbasin', 2],
      ['bath', 2],
      ['kitchen-sink', 1],
      ['dishwasher', 1],
      ['washing-machine', 1],
    ] as const
  ).map(([kind, count]) => ({ id: kind, kind, count, flow_m3_s: null }))
  const drawn = (outlets: typeof house) => {
    const all = simultaneousByUnits(outlets, 'hunter')
    return 'flow_m3_s' in all ? gpm(all.flow_m3_s) : NaN
  }
  expect(drawn(house)).toBeGreaterThan(14)
  expect(drawn(house)).toBeLessThan(17.5)
  // What the heater is held against leaves out what only draws cold.
  expect(drawn(house.filter(({ kind }) => drawsHot(kind)))).toBeLessThan(11)
  expect(house.filter(({ kind }) => !drawsHot(kind)).map(({ kind }) => kind)).toEqual([
    'wc',
    'dishwasher',
    'washing-machine',
  ])
})
test('by either table, what runs at once is never more than everything, and one more outlet never asks less', () =>
  fc.assert(
    fc.property(
      fc.array(anyOutlet, { minLength: 1, maxLength: 8 }),
      anyOutlet,
      fc.constantFrom('hunter' as const, 'loading-units' as const),
      (outlets, more, table) => {
        const all = outlets.reduce(
          (sum, outlet) => sum + outlet.count * usualFlow_m3_s[outlet.kind],
          0,
        )
        const [before, after] = [
          simultaneousByUnits(outlets, table),
          simultaneousByUnits([...outlets, more], table),
        ]
        if (before.by === 'not-covered') return
        expect('flow_m3_s' in before && before.flow_m3_s).toBeLessThanOrEqual(all + 1e-12)
        if (after.by !== 'not-covered' && 'flow_m3_s' in before && 'flow_m3_s' in after)
          expect(after.flow_m3_s).toBeGreaterThanOrEqual(before.flow_m3_s - 1e-12)
      },
    ),
  ))
test('the peak of a pattern is found by the event and by trying every second', () =>
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          start_s: fc.integer({ min: 0, max: 300 }),
          duration_s: fc.integer({ min: 1, max: 200 }),
          open: fc.integer({ min: 1, max: 3 }),
        }),
        { minLength: 1, maxLength: 6 },
      ),
      (draws) => {
        const outlet: Outlet = {
          id: 'a',
          name: 'a',
          kind: 'shower',
          count: 9,
          flow_m3_s: { value: 1e-4, basis: 'measured', from: '' },
          temp_K: null,
          tempered: null,
        }
        const events = draws.map((draw, i) => ({ id: String(i), outletId: 'a', ...draw }))
        const slow = Math.max(
          ...Array.from({ length: 501 }, (_, at) =>
            events
              .filter((draw) => draw.start_s <= at && at < draw.start_s + draw.duration_s)
              .reduce((sum, draw) => sum + draw.open * 1e-4, 0),
          ),
        )
        const found = simultaneousByScenario([outlet], events)
        expect('flow_m3_s' in found && found.flow_m3_s).toBeCloseTo(slow, 12)
      },
    ),
  ))

describe('what a heater is asked for by units', () => {
  const house = [
    { id: 's', kind: 'shower' as const, count: 2, flow_m3_s: null },
    { id: 'l', kind: 'washbasin' as const, count: 3, flow_m3_s: null },
    { id: 'k', kind: 'kitchen-sink' as const, count: 1, flow_m3_s: null },
    { id: 'b', kind: 'bath' as const, count: 1, flow_m3_s: null },
  ]
  const temps = { coldTemp_K: 283.15, mixedTemp_K: 313.15, hotTemp_K: 333.15 }

  test('its hot side counts three quarters of the fixture units', () => {
    const both = simultaneousByUnits(house, 'hunter')
    const heater = heaterDemandByUnits(house, 'hunter', temps)
    if (both.by !== 'hunter' || heater.by !== 'hunter') throw new Error('not covered')
    expect(heater.units).toBeCloseTo(0.75 * both.units, 9)
  })
  test('as hot as it is used it asks the table alone; hotter, what it mixes to', () => {
    const plain = heaterDemandByUnits(house, 'hunter', { ...temps, hotTemp_K: 313.15 })
    const hotter = heaterDemandByUnits(house, 'hunter', { ...temps, hotTemp_K: 318.15 })
    if (plain.by !== 'hunter' || hotter.by !== 'hunter') throw new Error('not covered')
    expect(plain.flow_m3_s).toBeCloseTo(hunterFlow_m3_s(plain.units) ?? 0, 12)
    expect(hotter.flow_m3_s / plain.flow_m3_s).toBeCloseTo(35 / 30, 9)
  })
  test('never more than everything open, and loading units as the table has them', () => {
    const all_m3_s = house.reduce((sum, one) => sum + one.count * usualFlow_m3_s[one.kind], 0)
    const heater = heaterDemandByUnits(house, 'hunter', { ...temps, hotTemp_K: 353.15 })
    expect(heater.by !== 'not-covered' && heater.flow_m3_s).toBeLessThanOrEqual(all_m3_s)
    expect(heaterDemandByUnits(house, 'loading-units', temps)).toEqual(
      simultaneousByUnits(house, 'loading-units'),
    )
  })
  test('temperatures that do not rise are refused', () => {
    expect(() => heaterDemandByUnits(house, 'hunter', { ...temps, hotTemp_K: 300 })).toThrow(
      'mixedTemp_K',
    )
  })
})
