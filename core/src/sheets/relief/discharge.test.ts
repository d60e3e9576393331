import fc from 'fast-check'
import type { Discharge, DischargePiece } from '../../job/pressureDocument'
import { blankDischarge } from '../../job/pressureDocument'
import {
  backPressure_Pa,
  flashShare,
  gravityFlow_m3_s,
  hotDischarge_m3_s,
} from '../../methods/relief/dischargePipe'
import { d2For, d2Row, permittedStraight_m } from '../../methods/relief/dischargeTable'
import type { DischargeRules, DischargeValve } from './judgeDischarge'
import { dischargeFaults, judgeDischarge } from './judgeDischarge'

type Pipe = Extract<DischargePiece, { kind: 'pipe' }>
let count = 0
const id = () => `p${(count += 1)}`
const pipe = (length_m: number, more: Partial<Pipe> = {}): Pipe => ({
  id: id(),
  kind: 'pipe',
  material: 'copper',
  size: '22 mm',
  length_m: { value: length_m, basis: 'measured', from: 'Tape' },
  runs: 'down',
  ...more,
})
const bend = (): DischargePiece => ({ id: id(), kind: 'bend' })
const tundish = (visible: 'yes' | 'no' = 'yes'): DischargePiece => ({
  id: id(),
  kind: 'tundish',
  visible,
})
const run = (pieces: readonly DischargePiece[], more: Partial<Discharge> = {}): Discharge => ({
  ...blankDischarge,
  end: 'floor',
  endHeight_m: { value: 0.1, basis: 'measured', from: 'Tape' },
  endThread: 'plain',
  endVisible: 'yes',
  endSafe: 'yes',
  endFreezes: 'no',
  ...more,
  pieces: [...pieces],
})
const valve: DischargeValve = {
  outlet: 'G3/4',
  capacity_W: 40e3,
  power_W: 30e3,
  openTemp_K: 368.15,
  backDecides: true,
  coldTemp_K: 283.15,
  setGauge_Pa: 6e5,
  overpressure: 0.1,
  atmosphere_Pa: 101325,
}
const na: DischargeRules = {
  tundish: 'may',
  table: 'full-size',
  d1Most_m: 0.6,
  dropLeast_m: 0.3,
  end_m: [0.02, 0.1524],
}
const uk: DischargeRules = { ...na, tundish: 'wanted', table: 'approved-g', end_m: [0.05, 0.61] }
const faultsOf = (discharge: Discharge, rules = na) =>
  judgeDischarge(discharge, valve, rules).faults.map((fault) => fault.id)

test('a plain run that falls all the way has no fault', () =>
  expect(
    faultsOf(run([pipe(0.4), bend(), pipe(1.5, { runs: 'falling' }), bend(), pipe(1)])),
  ).toEqual([]))
test.each<[string, DischargePiece[], Partial<Discharge>, string]>([
  ['nothing at all', [], {}, 'discharge-none'],
  ['narrowed', [pipe(0.4), pipe(1, { size: '15 mm' })], {}, 'discharge-reduced'],
  ['widened and narrowed again', [pipe(0.4, { size: '28 mm' }), pipe(1)], {}, 'discharge-reduced'],
  ['level', [pipe(1, { runs: 'level' })], {}, 'discharge-level'],
  ['uphill', [pipe(0.4), pipe(0.5, { runs: 'up' }), pipe(1)], {}, 'discharge-uphill'],
  ['PVC', [pipe(1, { material: 'pvc' })], {}, 'discharge-not-for-heat'],
  ['a hose', [pipe(1, { material: 'hose' })], {}, 'discharge-not-for-heat'],
  ['PEX', [pipe(1, { material: 'pex' })], {}, 'discharge-sags'],
  ['a valve', [pipe(0.4), { id: 'v', kind: 'valve' }, pipe(1)], {}, 'discharge-valve'],
  ['a trap', [pipe(0.4), { id: 't', kind: 'trap' }, pipe(1)], {}, 'discharge-trap'],
  ['a cap', [pipe(1)], { endThread: 'capped' }, 'discharge-capped'],
  ['a thread', [pipe(1)], { endThread: 'threaded' }, 'discharge-threaded'],
  [
    'too high',
    [pipe(1)],
    { endHeight_m: { value: 0.3, basis: 'measured', from: '' } },
    'discharge-end-high',
  ],
  [
    'too low',
    [pipe(1)],
    { endHeight_m: { value: 0, basis: 'measured', from: '' } },
    'discharge-end-low',
  ],
  ['hidden', [pipe(1)], { endVisible: 'no' }, 'discharge-end-hidden'],
  ['where people stand', [pipe(1)], { endSafe: 'no' }, 'discharge-end-unsafe'],
  ['a crawl space', [pipe(1)], { end: 'crawl-space' }, 'discharge-crawl-space'],
  ['a bucket', [pipe(1)], { end: 'bucket' }, 'discharge-bucket'],
  ['frost', [pipe(1)], { endFreezes: 'yes' }, 'discharge-freezes'],
  ['no length', [{ ...pipe(1), length_m: null }], {}, 'discharge-not-measured'],
])('%s is found', (_, pieces, more, fault) => expect(faultsOf(run(pieces, more))).toEqual([fault]))
test.each<[string, DischargePiece[], string]>([
  ['no tundish', [pipe(0.4)], 'discharge-no-air-gap'],
  ['a hidden tundish', [pipe(0.4), tundish('no'), pipe(0.5, { size: '28 mm' })], 'tundish-hidden'],
  ['too far to the tundish', [pipe(0.8), tundish(), pipe(0.5, { size: '28 mm' })], 'd1-too-long'],
  [
    'too small before it',
    [pipe(0.4, { size: '15 mm' }), tundish(), pipe(0.5, { size: '28 mm' })],
    'd1-too-small',
  ],
  [
    'a bend at once',
    [
      pipe(0.4),
      tundish(),
      pipe(0.2, { size: '28 mm' }),
      bend(),
      pipe(1, { size: '28 mm', runs: 'falling' }),
    ],
    'no-drop-after-tundish',
  ],
  ['the same size after it', [pipe(0.4), tundish(), pipe(0.5)], 'd2-not-larger'],
  [
    'too long for its size',
    [
      pipe(0.4),
      tundish(),
      pipe(0.5, { size: '28 mm' }),
      bend(),
      pipe(9, { size: '28 mm', runs: 'falling' }),
    ],
    'd2-too-long',
  ],
  [
    'past the table',
    [
      pipe(0.4),
      tundish(),
      pipe(0.5, { size: '42 mm' }),
      bend(),
      pipe(40, { size: '42 mm', runs: 'falling' }),
    ],
    'd2-past-table',
  ],
])('with a tundish: %s is found', (_, pieces, fault) =>
  expect(faultsOf(run(pieces), uk)).toContain(fault),
)

test('every remedy takes its own fault away', () => {
  const wrong = run(
    [
      pipe(0.4),
      pipe(1, { size: '15 mm', material: 'pvc', runs: 'level' }),
      { id: 'v', kind: 'valve' },
      { id: 't', kind: 'trap' },
      pipe(0.6, { runs: 'up', material: 'pex' }),
      pipe(1),
    ],
    { endThread: 'capped', end: 'crawl-space' },
  )
  const { faults } = judgeDischarge(wrong, valve, na)
  expect(faults.length).toBeGreaterThan(7)
  for (const fault of faults) {
    if (!fault.mended) continue
    const after = judgeDischarge(fault.mended, valve, na).faults.filter(
      (one) => one.id === fault.id,
    )
    expect(after.length).toBeLessThan(faults.filter((one) => one.id === fault.id).length)
  }
})
test('remedies pressed one after the other end with none left', () => {
  let now = run(
    [
      pipe(0.4),
      tundish('yes'),
      pipe(0.5),
      bend(),
      pipe(6, { runs: 'level' }),
      bend(),
      pipe(1, { material: 'hose' }),
    ],
    { endThread: 'threaded', endHeight_m: { value: 1, basis: 'measured', from: '' } },
  )
  for (let i = 0; i < 30; i++) {
    const next = judgeDischarge(now, valve, uk).faults.find((fault) => fault.mended)?.mended
    if (!next) break
    now = next
  }
  expect(faultsOf(now, uk)).toEqual([])
})
test('every kind of fault is one that has words', () =>
  expect(new Set(dischargeFaults).size).toBe(dischargeFaults.length))

// Approved Document G (England) Table 3.1, from memory.
test.each([
  ['G1/2', 0.022, 9, 0.8],
  ['G3/4', 0.042, 27, 1.7],
  ['G1', 0.054, 27, 2.3],
] as const)('%s with a %d m pipe may run %d m, each bend %d m', (outlet, outside, straight, each) =>
  expect(d2Row(outlet, outside)).toMatchObject({ straight_m: straight, bend_m: each }),
)
test('more bends never allow more length, and the size chosen allows the run', () =>
  fc.assert(
    fc.property(
      fc.constantFrom('G1/2' as const, 'G3/4' as const, 'G1' as const),
      fc.double({ min: 0.1, max: 30, noNaN: true }),
      fc.integer({ min: 0, max: 12 }),
      (outlet, straight_m, bends) => {
        const size = d2For({ outlet, straight_m, bends })
        if (size) expect(size.permitted_m).toBeGreaterThanOrEqual(straight_m * (1 - 1e-6))
        const row = d2Row(outlet, outlet === 'G1/2' ? 0.022 : outlet === 'G3/4' ? 0.028 : 0.035)
        if (row)
          expect(permittedStraight_m(row, bends + 1)).toBeLessThanOrEqual(
            permittedStraight_m(row, bends),
          )
      },
    ),
  ))

const part = (length_m: number, bends = 0, size: '22 mm' | '28 mm' = '22 mm') => [
  { size, length_m, bends },
]
test('back pressure grows with length, bends and capacity, and falls with size', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 0.2, max: 10, noNaN: true }),
      fc.integer({ min: 0, max: 8 }),
      fc.double({ min: 5e3, max: 40e3, noNaN: true }),
      fc.double({ min: 1.01, max: 2, noNaN: true }),
      (length_m, bends, capacity_W, k) => {
        const back = (parts: Parameters<typeof backPressure_Pa>[0], watts = capacity_W) =>
          backPressure_Pa(parts, { ...valve, capacity_W: watts }).back_Pa
        const base = back(part(length_m, bends))
        expect(back(part(length_m * k, bends))).toBeGreaterThan(base)
        expect(back(part(length_m, bends + 1))).toBeGreaterThan(base)
        expect(back(part(length_m, bends), capacity_W * k)).toBeGreaterThan(base)
        expect(back(part(length_m, bends, '28 mm'))).toBeLessThan(base)
      },
    ),
  ))
test('for a small drop the squared pressures come to plain Darcy–Weisbach', () => {
  const { back_Pa, steam_kg_s } = backPressure_Pa(part(1, 0, '28 mm'), {
    ...valve,
    capacity_W: 3e3,
  })
  const [bore, density] = [0.0262, 0.598]
  const speed = steam_kg_s / density / ((Math.PI / 4) * bore ** 2)
  expect(back_Pa).toBeGreaterThan(density * speed ** 2 * 0.5)
  expect(back_Pa).toBeLessThan(density * speed ** 2 * 0.5 * (1 + 0.05 / bore))
})
test('a pipe runs off more the further it falls, and nothing when it does not', () => {
  expect(gravityFlow_m3_s(part(3), 0, 363.15)).toBe(0)
  expect(gravityFlow_m3_s(part(3), 2, 363.15)).toBeGreaterThan(gravityFlow_m3_s(part(3), 1, 363.15))
})
// Heat balance: 30 kW into water from 10 to 95 °C is 0.084 kg/s.
test('30 kW pushes out about 5.3 L/min', () =>
  expect(
    hotDischarge_m3_s({ power_W: 30e3, openTemp_K: 368.15, coldTemp_K: 283.15 }) * 60000,
  ).toBeCloseTo(5.2, 0))
test('water let out under the boil does not flash; at 120 °C about 4 % does', () => {
  expect(flashShare(363.15, 101325)).toBe(0)
  expect(flashShare(393.15, 101325)).toBeCloseTo(0.0375, 2)
})
