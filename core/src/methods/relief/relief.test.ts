import fc from 'fast-check'
import { psi_Pa } from '../../units/units'
import { genericCapacity_W, genericFor, genericValves } from './catalogue'
import { requiredSteam_kg_s, reliefHolds, secondValveGauge_Pa } from './asmeIV'
import {
  membraneInlet_m,
  potableInlet_m,
  temperaturePressureHolds,
  temperatureReliefMost_K,
} from './selection'
import {
  functionOfExponent,
  iso4126Steam,
  napierArea_m2,
  napierSi,
  napierSteam_kg_s,
  relievingAbs_Pa,
  steamOfPower,
} from './steam'

const at = (setGauge_Pa: number) => ({ setGauge_Pa, overpressure: 0.1, atmosphere_Pa: 101325 })
const power = fc.double({ min: 1e3, max: 2e6, noNaN: true })
const setting = fc.double({ min: 0.5e5, max: 1.2e6, noNaN: true })
const more = fc.double({ min: 1, max: 4, noNaN: true })

// ASME IV HG-400, from memory: 1 000 Btu counts for a pound of steam; 300 kBtu/h is 87.9 kW.
test('300 kBtu/h wants 300 lb of steam an hour', () =>
  expect((requiredSteam_kg_s(300e3 * 0.29307107) * 3600) / 0.45359237).toBeCloseTo(300, 3))
test.each([
  [30, 36],
  [60, 66],
  [61, 64.05],
  [150, 157.5],
])('a second valve behind %d psi may be set to %d psi', (working, second) =>
  expect(secondValveGauge_Pa(working * psi_Pa) / psi_Pa).toBeCloseTo(second, 6),
)
// EN ISO 4126-7, table of C, from memory: k 1.4 gives 2.70, k 1.135 gives 2.52 to its last figure.
test.each([
  [1.4, 2.7],
  [1.3, 2.63],
  [1.135, 2.51],
])('the function of exponent %d is %d', (k, c) => expect(functionOfExponent(k)).toBeCloseTo(c, 1))
test('UG-131 prints 5.25 where the coefficient is 51.5', () =>
  expect(napierSi(51.5) * 3600).toBeCloseTo(5.25, 2))
test('equal passes: a valve set to just what its part stands, carrying just what it must', () =>
  expect(
    reliefHolds({ protects_W: 1e5, capacity_W: 1e5, setGauge_Pa: 3e5, maxWorkingGauge_Pa: 3e5 }),
  ).toEqual({ capacity: true, setting: true }))
test('overpressure multiplies the gauge setting only', () =>
  expect(relievingAbs_Pa(at(3e5))).toBeCloseTo(330000 + 101325, 6))
test('there and back: the area for a flow passes that flow', () =>
  fc.assert(
    fc.property(setting, fc.double({ min: 1e-4, max: 1, noNaN: true }), (set, steam_kg_s) => {
      const area_m2 = napierArea_m2({ ...at(set), steam_kg_s, coefficient: 0.7 })
      expect(napierSteam_kg_s({ ...at(set), area_m2, coefficient: 0.7 }) / steam_kg_s).toBeCloseTo(
        1,
        9,
      )
    }),
  ))
test('capacity never falls with bore or setting; the demand never falls with power', () =>
  fc.assert(
    fc.property(
      setting,
      power,
      more,
      fc.double({ min: 0.005, max: 0.08, noNaN: true }),
      (set, watts, k, bore_m) => {
        const carries = (bore: number, gauge: number) =>
          iso4126Steam({ ...at(gauge), bore_m: bore, coefficient: 0.4 }).power_W
        expect(carries(bore_m * k, set)).toBeGreaterThanOrEqual(carries(bore_m, set) * (1 - 1e-9))
        expect(carries(bore_m, set * k)).toBeGreaterThanOrEqual(carries(bore_m, set) * (1 - 1e-9))
        expect(steamOfPower(watts * k, at(set)).steam_kg_s).toBeGreaterThanOrEqual(
          steamOfPower(watts, at(set)).steam_kg_s,
        )
      },
    ),
  ))
test('a valve that holds a heater holds every smaller one, and every stronger part', () =>
  fc.assert(
    fc.property(
      power,
      power,
      setting,
      setting,
      more,
      (protects_W, capacity_W, setGauge_Pa, maxWorkingGauge_Pa, k) => {
        const base = reliefHolds({ protects_W, capacity_W, setGauge_Pa, maxWorkingGauge_Pa })
        if (base.capacity)
          expect(
            reliefHolds({ protects_W: protects_W / k, capacity_W, setGauge_Pa, maxWorkingGauge_Pa })
              .capacity,
          ).toBe(true)
        if (base.setting)
          expect(
            reliefHolds({
              protects_W,
              capacity_W,
              setGauge_Pa: setGauge_Pa / k,
              maxWorkingGauge_Pa: maxWorkingGauge_Pa * k,
            }).setting,
          ).toBe(true)
      },
    ),
  ))
test('Napier and ISO 4126 agree on saturated steam within 8 % at one derated coefficient', () =>
  fc.assert(
    fc.property(setting, (set) => {
      const bore_m = 0.02
      const napier = napierSteam_kg_s({
        ...at(set),
        area_m2: (Math.PI / 4) * bore_m ** 2,
        coefficient: 0.4,
      })
      expect(
        Math.abs(iso4126Steam({ ...at(set), bore_m, coefficient: 0.4 }).steam_kg_s / napier - 1),
      ).toBeLessThan(0.08)
    }),
  ))

// DIN 4751 / TRD 721 style selection, from memory.
test.each([
  [50e3, 0.015],
  [50.1e3, 0.02],
  [200e3, 0.025],
  [901e3, undefined],
])('%d W wants an inlet of %d m', (watts, inlet) => expect(membraneInlet_m(watts, 3e5)).toBe(inlet))
test('a setting the selection table does not cover is not guessed at', () =>
  expect(membraneInlet_m(40e3, 3.5e5)).toBeUndefined())
test('store and heater must both fit', () => {
  expect(potableInlet_m({ store_m3: 0.15, heater_W: 80e3 })).toBe(0.02)
  expect(potableInlet_m({ store_m3: 6, heater_W: 10e3 })).toBeUndefined()
})
test('the generic valves meet the rows of the selection table within 25 %', () => {
  const rows = [50e3, 100e3, 200e3, 350e3, 600e3, 900e3]
  genericValves.forEach((valve, i) =>
    expect(Math.abs(genericCapacity_W(valve, at(3e5)) / (rows[i] ?? 1) - 1)).toBeLessThan(0.25),
  )
})
test('the generic valve chosen is the smallest that carries it', () =>
  fc.assert(
    fc.property(power, (watts) => {
      const chosen = genericFor(watts, at(3e5))
      const smaller = genericValves.filter((valve) => valve.inlet_m < (chosen?.inlet_m ?? Infinity))
      if (chosen) expect(genericCapacity_W(chosen, at(3e5))).toBeGreaterThanOrEqual(watts)
      for (const valve of smaller) expect(genericCapacity_W(valve, at(3e5))).toBeLessThan(watts)
    }),
  ))
test('a temperature relief opens by 210 °F', () => {
  const valve = {
    input_W: 30e3,
    capacity_W: 31e3,
    setGauge_Pa: 150 * psi_Pa,
    maxWorkingGauge_Pa: 150 * psi_Pa,
    openTemp_K: temperatureReliefMost_K,
  }
  expect(temperaturePressureHolds(valve)).toEqual({
    capacity: true,
    pressure: true,
    temperature: true,
  })
  expect(
    temperaturePressureHolds({
      ...valve,
      openTemp_K: 373.15,
      setGauge_Pa: 160 * psi_Pa,
      capacity_W: 29e3,
    }),
  ).toEqual({ capacity: false, pressure: false, temperature: false })
})
