import fc from 'fast-check'
import { psi_Pa, inchWater_Pa } from '../../units/units'
import { fuelGases } from './fuel'
import {
  branchFlows,
  heatBeyond_W,
  pipeDrop_Pa,
  pipeLoss,
  solveGasTree,
  type SizedPipe,
} from './network'
import { methodAt } from './methodNames'
import { highCapacity_m3_s, highSquares_Pa2 } from './nfpa54'
import { renouardMediumAbs_Pa } from './otherEquations'
import { materials, sizeNamed, type PipeSize } from '../materials/pipes'
import { genericPrice, priceList } from '../materials/prices'
import { chooseStages, solveStages, stagesOf, type Regulated, type StagedSupply } from './stages'

const gas = fuelGases['north-america']['natural-gas']
const supply: StagedSupply = {
  method: 'nfpa54-low',
  gas,
  meterGauge_Pa: 2 * psi_Pa,
  atmosphere_Pa: 101325,
  shareRatio: 1,
}
const size = (name: string) => sizeNamed('steel-schedule-40', name) as PipeSize
const pipe = (
  id: string,
  from: string,
  change: Partial<SizedPipe & Regulated> = {},
): SizedPipe & Regulated => ({
  id,
  from,
  length_m: 10,
  elbows: 2,
  branchTees: 0,
  material: 'steel-schedule-40',
  size: size('1/2'),
  load_W: 0,
  ...change,
})
const twoStage = [
  pipe('first', 'meter', {
    length_m: 20,
    regulator: { outGauge_Pa: 8 * inchWater_Pa, drop_Pa: 400 },
  }),
  pipe('a', 'first', { size: size('3/4') }),
  pipe('range', 'a', { load_W: 19000 }),
  pipe('heater', 'a', { load_W: 44000, size: size('3/4') }),
  pipe('boiler', 'meter', { load_W: 30000 }),
]

test('a regulator ends one stage and begins the next at its own pressure', () => {
  const stages = stagesOf(twoStage, supply)
  expect(
    stages.map(({ root, conditions, pipes }) => [
      root,
      conditions.method,
      pipes.map((one) => one.id),
    ]),
  ).toEqual([
    ['meter', 'nfpa54-high', ['first', 'boiler']],
    ['first', 'nfpa54-low', ['a', 'range', 'heater']],
  ])
  const states = new Map(solveStages(twoStage, supply).map((state) => [state.id, state]))
  expect(states.get('a')?.farGauge_Pa).toBeCloseTo(
    8 * inchWater_Pa - (states.get('a')?.drop_Pa ?? 0),
    6,
  )
  // The first stage carries what burns beyond the regulator.
  expect(states.get('first')?.flow_m3_s).toBeCloseTo(63000 / gas.grossHeat_J_m3, 12)
})
test('without a regulator the stages are the plain tree', () => {
  const low = { ...supply, meterGauge_Pa: 1743 }
  const plain = [pipe('a', 'meter', { load_W: 10000 }), pipe('b', 'a', { load_W: 20000 })]
  const staged = solveStages(plain, low).map(({ id, drop_Pa, farGauge_Pa }) => ({
    id,
    drop_Pa,
    farGauge_Pa,
  }))
  expect(staged).toEqual(
    solveGasTree(plain, {
      gas,
      method: 'nfpa54-low',
      meterGauge_Pa: 1743,
      atmosphere_Pa: 101325,
    }).map(({ id, drop_Pa, farGauge_Pa }) => ({ id, drop_Pa, farGauge_Pa })),
  )
})

describe('elevated pressure', () => {
  const conditions = {
    method: 'nfpa54-high' as const,
    gas,
    meterGauge_Pa: 2 * psi_Pa,
    atmosphere_Pa: 101325,
  }
  // The capacity form of the same equation, and the loss form, are one the inverse of the other.
  test('what the loss form takes, the capacity form passes', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 1e-4, max: 5e-3, noNaN: true }),
        fc.constantFrom(...materials['steel-schedule-40'].sizes),
        (flow_m3_s, { bore_m }) => {
          const inletAbs_Pa = 101325 + 2 * psi_Pa
          const squares = highSquares_Pa2({ flow_m3_s, bore_m, length_m: 12, cr: gas.cr, y: gas.y })
          if (squares >= inletAbs_Pa ** 2) return
          expect(
            highCapacity_m3_s({
              bore_m,
              length_m: 12,
              inletAbs_Pa,
              outletAbs_Pa: Math.sqrt(inletAbs_Pa ** 2 - squares),
              cr: gas.cr,
              y: gas.y,
            }) / flow_m3_s,
          ).toBeCloseTo(1, 6)
        },
      ),
    ))
  test('at a small drop the isothermal form is Darcy–Weisbach, and Renouard’s two forms agree within a tenth', () => {
    const run = pipe('x', 'meter', { length_m: 3 })
    const flow_m3_s = 3e-4
    const darcy = pipeDrop_Pa(run, size('1'), flow_m3_s, { ...conditions, method: 'darcy' })
    expect(
      pipeDrop_Pa(run, size('1'), flow_m3_s, { ...conditions, method: 'isothermal' }) / darcy,
    ).toBeCloseTo(1, 2)
    const out = renouardMediumAbs_Pa({
      flow_m3_s,
      bore_m: size('1').bore_m,
      length_m: 6,
      relativeDensity: 0.6,
      inletAbs_Pa: 101325,
    })
    const low = pipeLoss({ ...run, length_m: 6, elbows: 0, branchTees: 0 }, size('1'), flow_m3_s, {
      ...conditions,
      meterGauge_Pa: 0,
      method: 'renouard',
    })
    expect(Math.abs((101325 - (out ?? 0)) / low - 1)).toBeLessThan(0.1)
  })
  test('more load, more length or less bore never leaves more pressure, by any method', () =>
    fc.assert(
      fc.property(
        fc.constantFrom('nfpa54-low' as const, 'darcy' as const, 'renouard' as const),
        fc.constantFrom(1743, 2 * psi_Pa),
        fc.double({ min: 1, max: 2, noNaN: true }),
        (method, meterGauge_Pa, k) => {
          const far = (change: Partial<SizedPipe>) =>
            solveStages(
              twoStage.map((one) => ({
                ...one,
                ...change,
                load_W: one.load_W * (change.load_W ?? 1),
              })),
              { ...supply, method, meterGauge_Pa },
            ).map((state) => state.farGauge_Pa)
          const base = far({})
          for (const change of [
            { load_W: k },
            { length_m: 10 * k + 10 },
            { size: { name: 'narrow', bore_m: 0.0157 / k } },
          ])
            far(change).forEach((gauge_Pa, i) =>
              expect(gauge_Pa).toBeLessThanOrEqual((base[i] ?? 0) + 1e-6),
            )
        },
      ),
    ))
  test('from 1.5 psi the form for elevated pressure is taken, of each method its own', () => {
    expect([
      methodAt('nfpa54-low', 1.49 * psi_Pa),
      methodAt('nfpa54-low', 1.5 * psi_Pa),
      methodAt('darcy', 2 * psi_Pa),
      methodAt('renouard', 2 * psi_Pa),
    ]).toEqual(['nfpa54-low', 'nfpa54-high', 'isothermal', 'renouard-medium'])
  })
})

test('a declared share brings a common pipe down, but never under the largest appliance beyond it', () => {
  const heat = heatBeyond_W(twoStage, 0.5)
  expect([heat.get('a'), heat.get('range'), heat.get('first')]).toEqual([44000, 19000, 44000])
  expect(branchFlows(twoStage, gas, 1).get('a')).toBeCloseTo(63000 / gas.grossHeat_J_m3, 12)
})

test('sizes are chosen stage by stage, and every end keeps its pressure', () => {
  const free = twoStage.map(({ size: _size, ...one }) => ({
    ...one,
    ...(one.load_W > 0
      ? { dropAllowed_Pa: one.id === 'boiler' ? psi_Pa : 0.5 * inchWater_Pa }
      : one.regulator
        ? { dropAllowed_Pa: psi_Pa }
        : {}),
  }))
  const sizes = chooseStages(free, supply)
  const states = new Map(
    solveStages(
      twoStage.map((one) => ({ ...one, size: sizes?.get(one.id) ?? one.size })),
      supply,
    ).map((state) => [state.id, state]),
  )
  for (const one of free)
    if (one.dropAllowed_Pa !== undefined)
      expect(states.get(one.id)?.dropTo_Pa).toBeLessThanOrEqual(one.dropAllowed_Pa * (1 + 1e-9))
  // Two pounds carry far more than inches of water: the first stage is no larger than what it
  // feeds.
  expect(sizes?.get('first')?.bore_m).toBeLessThanOrEqual(sizes?.get('a')?.bore_m ?? 0)
})

// NFPA 54 / IFGC table for corrugated stainless tubing, 0.5 in wc, from memory: 10 ft of EHD 18
// pass 82 cfh, EHD 30 pass 330; 25 ft about 0.64 of it.
test.each([
  ['EHD 18', 82],
  ['EHD 30', 330],
  ['EHD 62', 2930],
])('%s passes %d cfh over 10 ft', (name, cfh) => {
  const bore = sizeNamed('stainless-corrugated', name) as PipeSize
  const flow_m3_s = (cfh * 0.028316846592) / 3600
  expect(
    pipeDrop_Pa(
      { length_m: 3.048, elbows: 0, branchTees: 0, material: 'stainless-corrugated' },
      bore,
      flow_m3_s,
      { method: 'nfpa54-low', gas, meterGauge_Pa: 1743, atmosphere_Pa: 101325 },
    ) /
      (0.5 * inchWater_Pa),
  ).toBeCloseTo(1, 3)
})

describe('prices', () => {
  test('a wider size never costs less by the generic list', () => {
    for (const [material, { sizes }] of Object.entries(materials))
      sizes.reduce((last, one) => {
        const next = genericPrice(material as keyof typeof materials, one.bore_m)
        expect(next).toBeGreaterThanOrEqual(last)
        return next
      }, 0)
  })
  test('the firm’s own price takes the place of the generic one, and a choice follows it', () => {
    const one = [
      {
        id: 'p',
        from: 'meter',
        length_m: 10,
        elbows: 0,
        branchTees: 0,
        material: 'steel-schedule-40' as const,
        load_W: 20000,
        dropAllowed_Pa: 124.5,
      },
    ]
    const low = { ...supply, meterGauge_Pa: 1743 }
    const usual = chooseStages(one, low, priceList([]))?.get('p')?.name
    const cheapTwo = chooseStages(
      one,
      low,
      priceList([{ material: 'steel-schedule-40', size: '2', perMetre: 0.1 }]),
    )?.get('p')?.name
    expect(usual).not.toBe('2')
    expect(cheapTwo).toBe('2')
  })
})
