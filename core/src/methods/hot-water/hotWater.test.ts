import fc from 'fast-check'
import { simulateDraws, simulateReheat } from './drawOff'
import {
  drawBand,
  flowForRise_m3_s,
  mixingRatio,
  powerForFlow_W,
  reheatTime_s,
  storeForPeak,
} from './heating'
import { deadLeg, loopFlow, pipeLoss_W_m } from './pipes'
import { scaldPoints, scaldTime_s } from './scald'
import type { StoreModel } from './store'
import { Store } from './store'

const C = (celsius: number) => celsius + 273.15
const litres = (figure: number) => figure / 1000
const perMinute = (figure: number) => figure / 60000

// Common practice, no source: worked by hand with 4.18 kJ/(kg K) and 1 kg/L.
test.each([
  [120, 23, 60, 30, 618.64],
  [125, 23, 60, 30, 644.4],
  [125, 10, 50, 30, 696.7],
])('%d L from %d to %d °C at %d kW takes %d s', (volume, cold, hot, kW, seconds) => {
  expect(
    reheatTime_s({
      volume_m3: litres(volume),
      coldTemp_K: C(cold),
      hotTemp_K: C(hot),
      power_W: kW * 1000,
    }),
  ).toBeCloseTo(seconds, 0)
})
test.each([
  [30, 35, 12.3],
  [30, 40, 10.8],
  [30, 45, 9.6],
  [40, 35, 16.4],
])('%d kW heats through %d K %d L/min', (kW, rise_K, flow) => {
  expect(flowForRise_m3_s({ power_W: kW * 1000, rise_K }) * 60000).toBeCloseTo(flow, 1)
})
test('3 gpm through 70 °F asks 105 000 Btu/h by the rule of 500', () => {
  expect(
    (flowForRise_m3_s({ power_W: (105_000 * 1055.05585262) / 3600, rise_K: 70 / 1.8, rule: 'us' }) *
      60) /
      0.003785411784,
  ).toBeCloseTo(3, 6)
})
test('20 L/min at 40 °C on 30 kW and 125 L at 60 °C lasts between 14.8 and 36.9 min', () => {
  const { least_s, most_s } = drawBand({
    store_m3: 0.125,
    power_W: 30000,
    mixed_m3_s: perMinute(20),
    hotTemp_K: C(60),
    coldTemp_K: C(10),
    mixedTemp_K: C(40),
  })
  expect(least_s / 60).toBeCloseTo(14.8, 1)
  expect(most_s / 60).toBeCloseTo(36.9, 1)
})
test('a loss that eats the power never gets there, and a heater that keeps up draws for ever', () => {
  expect(
    reheatTime_s({
      volume_m3: 0.1,
      coldTemp_K: C(10),
      hotTemp_K: C(60),
      power_W: 100,
      standingLoss_W: 100,
    }),
  ).toBeUndefined()
  expect(
    drawBand({
      store_m3: 0,
      power_W: 30000,
      mixed_m3_s: perMinute(5),
      hotTemp_K: C(60),
      coldTemp_K: C(10),
      mixedTemp_K: C(40),
    }).least_s,
  ).toBe(Infinity)
  expect(() =>
    reheatTime_s({ volume_m3: 0, coldTemp_K: C(10), hotTemp_K: C(60), power_W: 100 }),
  ).toThrow('above 0')
})
test('a store that its flows change over and over in one step is refused, not simulated for ever', () => {
  const thimble = {
    volume_m3: 1e-5,
    nodes: 20,
    setTemp_K: C(60),
    plume: 'rises' as const,
    hysteresis_K: 5,
    sensorHeight: 0.35,
    standingLoss_W: 0,
    roomTemp_K: C(20),
    coldTemp_K: C(10),
    heater: { kind: 'burner' as const, power_W: 24000, height: 0 },
    loop: { loss_W: 5000, flow_m3_s: 2e-4, returnHeight: 0.7 },
  }
  expect(() => simulateReheat(thimble, 24000, C(10), 10)).toThrow(/must be larger/)
  expect(simulateReheat({ ...thimble, volume_m3: 0.1 }, 24000, C(10), 10)).toBeDefined()
})
test('mixing outside cold to hot is refused, and inside it heat is kept', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 40, noNaN: true }),
      fc.double({ min: 45, max: 90, noNaN: true }),
      fc.double({ min: 0, max: 100, noNaN: true }),
      (cold, hot, mixed) => {
        const ratio = mixingRatio({ hotTemp_K: C(hot), coldTemp_K: C(cold), mixedTemp_K: C(mixed) })
        if (mixed < cold || mixed > hot) expect(ratio).toBeUndefined()
        else expect((ratio ?? 0) * hot + (1 - (ratio ?? 0)) * cold).toBeCloseTo(mixed, 6)
      },
    ),
  ))
test('power for a flow and flow for a power are inverse', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 1e-6, max: 0.01, noNaN: true }),
      fc.double({ min: 1, max: 80, noNaN: true }),
      (flow, rise_K) => {
        expect(flowForRise_m3_s({ power_W: powerForFlow_W(flow, rise_K), rise_K })).toBeCloseTo(
          flow,
          12,
        )
      },
    ),
  ))
test('a peak that the heater carries alone needs no store', () => {
  const peak = storeForPeak({
    mixed_m3: 0.1,
    duration_s: 600,
    power_W: 60000,
    usableRatio: 0.8,
    hotTemp_K: C(60),
    coldTemp_K: C(10),
    mixedTemp_K: C(40),
  })
  expect(peak?.store_m3).toBeLessThanOrEqual(0)
})
test('lagging loses less than a bare pipe, and twice the loss asks twice the loop flow', () => {
  const pipe = { outsideDiameter_m: 0.022, conductivity_W_mK: 0.035, surfaceCoefficient_W_m2K: 10 }
  const air = { waterTemp_K: C(60), airTemp_K: C(20) }
  expect(pipeLoss_W_m({ ...pipe, insulation_m: 0.025 }, air)).toBeLessThan(
    0.3 * pipeLoss_W_m({ ...pipe, insulation_m: 0 }, air),
  )
  const one = loopFlow({ loss_W: 500, drop_K: 5 }).flow_m3_s ?? 0
  expect(loopFlow({ loss_W: 1000, drop_K: 5 }).flow_m3_s).toBeCloseTo(2 * one, 12)
})
test('a dead leg of 10 m of 15 mm copper holds 1.45 L and runs off in 14.5 s at 6 L/min', () => {
  const leg = deadLeg([{ bore_m: 0.0136, length_m: 10 }], perMinute(6))
  expect(leg.volume_m3 * 1000).toBeCloseTo(1.45, 2)
  expect(leg.wait_s).toBeCloseTo(14.5, 1)
})
// US CPSC leaflet, from memory.
test('scald times are the leaflet’s at its points, fall between them, and are not guessed outside', () => {
  for (const point of scaldPoints) expect(scaldTime_s(point.temp_K)).toBe(point.time_s)
  expect(scaldTime_s(C(52))).toBeGreaterThan(30)
  expect(scaldTime_s(C(52))).toBeLessThan(300)
  expect(scaldTime_s(C(40))).toBeUndefined()
  expect(scaldTime_s(C(80))).toBeUndefined()
})

const model = (more: Partial<StoreModel> = {}): StoreModel => ({
  volume_m3: 0.2,
  nodes: 30,
  setTemp_K: C(60),
  hysteresis_K: 5,
  sensorHeight: 0.35,
  plume: 'rises',
  standingLoss_W: 0,
  roomTemp_K: C(20),
  coldTemp_K: C(10),
  heater: {
    kind: 'coil',
    rating_W: 25000,
    fromHeight: 0.02,
    toHeight: 0.6,
    flowTemp_K: C(80),
    boiler_W: 25000,
  },
  ...more,
})
const burner = (power_W: number) => ({ kind: 'burner' as const, power_W, height: 0 })

describe('the layered store', () => {
  test.each([1, 20, 60])(
    'with a burner at its bottom and %d layers, it reheats as the closed form of a fully mixed tank, within 1 %',
    (nodes) => {
      const got = simulateReheat(
        model({ nodes, heater: burner(12000), sensorHeight: 0, plume: 'mixes' }),
        12000,
        C(10),
      )
      const hand =
        reheatTime_s({ volume_m3: 0.2, coldTemp_K: C(10), hotTemp_K: C(60), power_W: 12000 }) ?? 0
      expect(Math.abs((got?.took_s ?? 0) / hand - 1)).toBeLessThan(0.01)
    },
  )
  test('with a standing loss it meets the exponential of a mixed tank, within 1 %', () => {
    const loss_W = 450
    const got = simulateReheat(
      model({ nodes: 1, heater: burner(3000), standingLoss_W: loss_W }),
      3000,
      C(20),
    )
    const [capacity, ua] = [200 * 4180, loss_W / 45]
    const exact = (-capacity / ua) * Math.log(1 - (ua * 40) / 3000)
    expect(Math.abs((got?.took_s ?? 0) / exact - 1)).toBeLessThan(0.01)
  })
  test('drawn without heat it gives its own volume hot: the layered limit, within 1 %', () => {
    const store = new Store(model({ nodes: 400, heater: burner(0) }), C(60))
    let at_s = 0
    while (store.top_K > C(35) && at_s < 5000) {
      store.advance(1, perMinute(10), 0)
      at_s++
    }
    expect(Math.abs(at_s / (0.2 / perMinute(10)) - 1)).toBeLessThan(0.01)
  })
  // Common practice, no source: seven to nine tenths of a store come out hot before it has fallen
  // by 15 K, the less the faster one draws.
  describe('with a usual cold inlet', () => {
    const usable = (volume_m3: number, flow: number, nodes: number): number => {
      const inlet = { bore_m: 0.025 }
      const store = new Store(model({ volume_m3, nodes, inlet, heater: burner(0) }), C(60))
      let drawn_m3 = 0
      for (; store.top_K > C(45) && drawn_m3 < 2 * volume_m3; drawn_m3 += perMinute(flow))
        store.advance(1, perMinute(flow), 0)
      return drawn_m3 / volume_m3
    }
    const volumes = [0.12, 0.2, 0.3, 0.5]
    test.each(volumes)('%d m³ gives 0.7 to 0.9 of itself at 5 to 15 L/min', (volume_m3) => {
      for (const flow of [5, 8, 12, 15]) {
        expect(usable(volume_m3, flow, 30)).toBeGreaterThan(0.7)
        expect(usable(volume_m3, flow, 30)).toBeLessThan(0.9)
      }
    })
    test.each(volumes)('%d m³ gives less the faster it is drawn', (volume_m3) => {
      const shares = [5, 10, 15, 20, 25].map((flow) => usable(volume_m3, flow, 60))
      for (const [i, share] of shares.entries())
        if (i > 0) expect(share).toBeLessThan(shares[i - 1] ?? 0)
    })
    test.each(volumes)('%d m³ gives the same within 3 % with twice the layers', (volume_m3) => {
      for (const flow of [5, 10, 15]) {
        const ratio = usable(volume_m3, flow, 60) / usable(volume_m3, flow, 30)
        expect(Math.abs(ratio - 1)).toBeLessThan(0.03)
      }
    })
  })
  test('what goes in is what comes out, is lost or is stored, to 0.1 %', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 60 }),
        fc.double({ min: 0.05, max: 0.6, noNaN: true }),
        fc.double({ min: 2000, max: 60000, noNaN: true }),
        fc.double({ min: 2, max: 40, noNaN: true }),
        fc.double({ min: 0, max: 400, noNaN: true }),
        fc.boolean(),
        (nodes, volume_m3, power_W, draw, standingLoss_W, looped) => {
          const store = model({
            nodes,
            volume_m3,
            standingLoss_W,
            ...(looped ? {} : { inlet: { bore_m: 0.02 } }),
            heater: {
              kind: 'coil',
              rating_W: power_W,
              fromHeight: 0.05,
              toHeight: 0.7,
              flowTemp_K: C(80),
              boiler_W: power_W,
            },
            ...(looped
              ? { loop: { flow_m3_s: perMinute(3), loss_W: 300, returnHeight: 0.7 } }
              : {}),
          })
          const result = simulateDraws({
            source: { kind: 'store', store, startTemp_K: C(40), boiler_W: power_W },
            outlets: [{ id: 'a', name: 'a', flow_m3_s: perMinute(draw), wantedTemp_K: C(38) }],
            events: [
              { outletId: 'a', start_s: 60, duration_s: 900 },
              { outletId: 'a', start_s: 1500, duration_s: 300 },
            ],
            length_s: 2400,
            step_s: 1,
            usableTemp_K: C(36),
            heating: { load_W: 0, priority: true },
          })
          expect(result.balanceError).toBeLessThan(0.001)
        },
      ),
      { numRuns: 60 },
    ))
  test('no layer lies colder above warmer', () => {
    const store = new Store(
      model(),
      Array.from({ length: 30 }, (_, i) => C(60 - i)),
    )
    store.advance(1, 0, 0)
    for (let i = 1; i < 30; i++)
      expect(store.temps_K[i] ?? 0).toBeGreaterThanOrEqual((store.temps_K[i - 1] ?? 0) - 1e-6)
  })
  test('a large boiler on a small store overheats the top; a small one does not', () => {
    const over = (boiler_W: number, volume_m3: number) => {
      const got = simulateReheat(
        model({
          volume_m3,
          sensorHeight: 0.2,
          heater: {
            kind: 'coil',
            rating_W: boiler_W,
            fromHeight: 0.02,
            toHeight: 0.6,
            flowTemp_K: C(82),
            boiler_W,
          },
        }),
        boiler_W,
        C(10),
      )
      return (got?.top_K ?? 0) - C(60)
    }
    expect(over(40000, 0.1)).toBeGreaterThan(10)
    expect(over(6000, 0.3)).toBeLessThan(over(40000, 0.1))
  })
  test('more layers change the reheat by less than a few per cent from 20 on', () => {
    const took = (nodes: number) => simulateReheat(model({ nodes }), 25000, C(10))?.took_s ?? 0
    expect(Math.abs(took(20) / took(120) - 1)).toBeLessThan(0.03)
    expect(Math.abs(took(60) / took(120) - 1)).toBeLessThan(0.01)
  })
  test('a mistake of ours is refused', () => {
    expect(() => new Store(model({ nodes: 1000 }), C(20))).toThrow('nodes')
    expect(() => new Store(model({ volume_m3: 0 }), C(20))).toThrow('above 0')
  })
})

describe('draws', () => {
  const shower = { id: 'shower', name: 'Shower', flow_m3_s: perMinute(9), wantedTemp_K: C(40) }
  const day = {
    outlets: [shower, { ...shower, id: 'second' }],
    length_s: 3600,
    step_s: 1,
    usableTemp_K: C(38),
    heating: { load_W: 8000, priority: true },
  }
  const together = ['shower', 'second'].map((outletId) => ({
    outletId,
    start_s: 0,
    duration_s: 1800,
  }))
  test('an instantaneous heater keeps one shower and not two', () => {
    const source = {
      kind: 'instantaneous' as const,
      power_W: 24000,
      setTemp_K: C(55),
      coldTemp_K: C(8),
      leastFlow_m3_s: perMinute(2),
    }
    expect(
      simulateDraws({ ...day, source, events: together.slice(0, 1) }).outlets[0]?.fellAt_s,
    ).toBeUndefined()
    const two = simulateDraws({ ...day, source, events: together })
    expect(two.outlets[0]?.fellAt_s).toBe(0)
    // 24 kW into 18 L/min of 8 °C water: 8 + 24 000 / (0.3 · 4 180) = 27.1 °C.
    expect((two.outlets[0]?.coldest_K ?? 0) - 273.15).toBeCloseTo(27.1, 1)
  })
  test('below its least flow an instantaneous heater does not fire', () => {
    const source = {
      kind: 'instantaneous' as const,
      power_W: 24000,
      setTemp_K: C(55),
      coldTemp_K: C(8),
      leastFlow_m3_s: perMinute(12),
    }
    expect(
      simulateDraws({ ...day, source, events: together.slice(0, 1) }).outlets[0]?.coldest_K,
    ).toBeCloseTo(C(8), 6)
  })
  test('two showers on a store last between the mixed and the layered limit', () => {
    const store = model({
      volume_m3: 0.15,
      heater: {
        kind: 'coil',
        rating_W: 12000,
        fromHeight: 0.02,
        toHeight: 0.6,
        flowTemp_K: C(80),
        boiler_W: 12000,
      },
    })
    const result = simulateDraws({
      ...day,
      source: { kind: 'store', store, startTemp_K: C(60), boiler_W: 12000 },
      events: together,
    })
    const band = drawBand({
      store_m3: 0.15,
      power_W: 0,
      mixed_m3_s: perMinute(18),
      hotTemp_K: C(60),
      coldTemp_K: C(10),
      mixedTemp_K: C(40),
    })
    const fell = result.outlets[0]?.fellAt_s ?? Infinity
    expect(fell).toBeGreaterThan(band.least_s)
    expect(fell).toBeLessThan(
      drawBand({
        store_m3: 0.15,
        power_W: 12000,
        mixed_m3_s: perMinute(18),
        hotTemp_K: C(60),
        coldTemp_K: C(10),
        mixedTemp_K: C(38),
      }).most_s,
    )
    expect(result.heatingWaits_s).toBeGreaterThan(0)
  })
  test('without priority the heating takes its share and the reheat takes longer', () => {
    const run = (priority: boolean) =>
      simulateDraws({
        ...day,
        length_s: 10800,
        heating: { load_W: 15000, priority },
        source: { kind: 'store', store: model(), startTemp_K: C(10), boiler_W: 25000 },
        events: [],
      }).reheats[0]?.took_s ?? Infinity
    expect(run(false)).toBeGreaterThan(run(true) * 1.2)
  })
  test('a main that cannot give it all cuts every outlet in proportion', () => {
    const source = {
      kind: 'instantaneous' as const,
      power_W: 60000,
      setTemp_K: C(55),
      coldTemp_K: C(8),
      leastFlow_m3_s: 0,
    }
    const cut = simulateDraws({ ...day, source, events: together, mainLimit_m3_s: perMinute(12) })
    expect((cut.samples[0]?.outlets[0]?.flow_m3_s ?? 0) * 60000).toBeCloseTo(6, 6)
  })
})
