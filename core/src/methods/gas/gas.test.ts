import fc from 'fast-check'
import { cubicFoot_m3, foot_m, inch_m, inchWater_Pa } from '../../units/units'
import { effectiveLength_m, tableFlow_m3_s } from './bs6891'
import { capacityTables, tabledFlow_m3_s } from './capacityTables'
import {
  poleFlow_m3_s,
  renouardLow_Pa,
  renouardMediumAbs_Pa,
  spitzglassFlow_m3_s,
} from './otherEquations'
import { sizesByMethods } from './sizingMethods'
import { chooseSizes, treeCost, type PipeToSize } from './chooseSizes'
import { fuelGases } from './fuel'
import type { GasConditions, SizedPipe } from './network'
import { branchFlows, pipeDrop_Pa, solveGasTree } from './network'
import { crOfGas, lowBore_m, lowCapacity_m3_s, lowDrop_Pa } from './nfpa54'
import { materials, nextSize, sizeNamed, type PipeSize } from '../materials/pipes'
import { inOrder, pathTo, sumAlong, sumBeyond } from '../network/tree'

const cfh = cubicFoot_m3 / 3600
const natural = fuelGases['north-america']['natural-gas']
const conditions: GasConditions = {
  method: 'nfpa54-low',
  gas: natural,
  meterGauge_Pa: 1740,
  atmosphere_Pa: 101325,
}
const british: GasConditions = {
  ...conditions,
  method: 'darcy',
  gas: fuelGases['uk-ireland']['natural-gas'],
  meterGauge_Pa: 2100,
}

// Domain 3.7: 199 kBtu/h at 1 020 Btu/ft³, schedule 40; the low-pressure equation of NFPA 54 /
// IFGC.
test.each([
  [0.622, 10, 0.62],
  [0.622, 20, 1.25],
  [0.824, 20, 0.32],
  [1.049, 20, 0.1],
])('195 ft³/h through a %d in bore loses over %d ft %d in wc', (bore, length, drop) => {
  const got =
    lowDrop_Pa({
      flow_m3_s: 195.098 * cfh,
      bore_m: bore * inch_m,
      length_m: length * foot_m,
      cr: 0.6094,
    }) / inchWater_Pa
  expect(Math.abs(got - drop)).toBeLessThan(0.006)
})
test('capacity, bore and drop are one equation turned round', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 0.01, max: 0.1, noNaN: true }),
      fc.double({ min: 1, max: 60, noNaN: true }),
      fc.double({ min: 10, max: 500, noNaN: true }),
      (bore_m, length_m, drop_Pa) => {
        const flow_m3_s = lowCapacity_m3_s({ bore_m, length_m, drop_Pa, cr: 0.6094 })
        expect(lowDrop_Pa({ flow_m3_s, bore_m, length_m, cr: 0.6094 }) / drop_Pa).toBeCloseTo(1, 6)
        expect(lowBore_m({ flow_m3_s, length_m, drop_Pa, cr: 0.6094 }) / bore_m).toBeCloseTo(1, 6)
      },
    ),
  ))
// NFPA 54 prints Cr 0.6094 for natural gas and 1.2462 for propane, as remembered.
test('Cr follows from relative density, temperature and viscosity', () => {
  expect(crOfGas({ relativeDensity: 0.6, temp_K: 520 / 1.8, viscosity_Pas: 1.2e-5 })).toBeCloseTo(
    0.6094,
    3,
  )
  expect(crOfGas({ relativeDensity: 1.5, temp_K: 520 / 1.8, viscosity_Pas: 0.8e-5 })).toBeCloseTo(
    1.2462,
    3,
  )
})
// BS 6891 table, as remembered: next longer column, nothing past 30 m.
test('the table takes the next longer column and ends at 30 m', () => {
  expect((tableFlow_m3_s({ outsideDiameter_m: 0.022, length_m: 10 }) ?? 0) * 3600).toBeCloseTo(3.9)
  expect((tableFlow_m3_s({ outsideDiameter_m: 0.022, length_m: 12 }) ?? 0) * 3600).toBeCloseTo(3.9)
  expect(tableFlow_m3_s({ outsideDiameter_m: 0.022, length_m: 30.1 })).toBeUndefined()
  expect(effectiveLength_m({ pipe_m: 5, elbows: 2, tees: 1, bends: 1 })).toBeCloseTo(6.8)
})
test('sizes of a catalogue climb in bore, whatever their names', () => {
  for (const material of Object.values(materials)) {
    const bores = material.sizes.map((size) => size.bore_m)
    expect([...bores].sort((a, b) => a - b)).toEqual(bores)
  }
  expect(nextSize('steel-schedule-40', 0.02)?.name).toBe('3/4')
})

const size = (name: string): PipeSize => {
  const found = sizeNamed('steel-schedule-40', name)
  if (!found) throw new Error(name)
  return found
}
const pipe = (id: string, from: string, length_m: number, name: string, load_W = 0): SizedPipe => ({
  id,
  from,
  length_m,
  elbows: 1,
  branchTees: 0,
  material: 'steel-schedule-40',
  size: size(name),
  load_W,
})
const house = [
  pipe('a', 'meter', 6, '1'),
  pipe('b', 'a', 3, '3/4', 30000),
  pipe('c', 'a', 5, '3/4', 12000),
]

test('flow is continuous at every node', () => {
  const flows = branchFlows(house, natural)
  expect(flows.get('a')).toBeCloseTo((flows.get('b') ?? 0) + (flows.get('c') ?? 0), 12)
})
test.each([
  ['nfpa54-low', conditions],
  ['darcy', british],
] as const)('%s: drop grows with length and flow and falls with bore', (_, given) =>
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 40, noNaN: true }),
      fc.double({ min: 1e-5, max: 5e-3, noNaN: true }),
      fc.double({ min: 1.01, max: 3, noNaN: true }),
      (length_m, flow, k) => {
        const run = { length_m, elbows: 2, branchTees: 1, material: 'steel-schedule-40' as const }
        const drop = (change: Partial<typeof run>, flow_m3_s = flow, name = '1') =>
          pipeDrop_Pa({ ...run, ...change }, size(name), flow_m3_s, given)
        expect(drop({ length_m: length_m * k })).toBeGreaterThan(drop({}))
        expect(drop({}, flow * k)).toBeGreaterThan(drop({}) * 0.999)
        expect(drop({}, flow, '1-1/4')).toBeLessThan(drop({}))
        expect(drop({}, 0)).toBe(0)
      },
    ),
  ),
)
test('pressures fall along every path by the sum of its drops', () => {
  for (const state of solveGasTree(house, conditions)) {
    const along = pathTo(house, state.id).reduce(
      (sum, one) =>
        sum + (solveGasTree(house, conditions).find((other) => other.id === one.id)?.drop_Pa ?? 0),
      0,
    )
    expect(state.dropTo_Pa).toBeCloseTo(along, 9)
    expect(state.farGauge_Pa).toBeCloseTo(conditions.meterGauge_Pa - along, 9)
  }
})
test('a ring or an orphan is set apart, not followed for ever', () => {
  const { ordered, unreached } = inOrder([
    { id: 'a', from: 'meter' },
    { id: 'x', from: 'y' },
    { id: 'y', from: 'x' },
  ])
  expect(ordered.map((one) => one.id)).toEqual(['a'])
  expect(unreached.map((one) => one.id)).toEqual(['x', 'y'])
  expect(
    pathTo(
      [
        { id: 'x', from: 'y' },
        { id: 'y', from: 'x' },
      ],
      'x',
    ).length,
  ).toBeLessThanOrEqual(4)
  expect(sumBeyond([], () => 1).size).toBe(0)
  expect(sumAlong([], () => 1).get('meter')).toBe(0)
})

/** Small random trees with loads at their ends. */
const anyTree = fc.array(
  fc.record({
    parent: fc.nat(),
    length_m: fc.double({ min: 1, max: 12, noNaN: true }),
    load_W: fc.integer({ min: 5000, max: 60000 }),
    allowed_Pa: fc.double({ min: 20, max: 250, noNaN: true }),
    stays: fc.option(fc.nat({ max: 5 }), { freq: 6 }),
  }),
  { minLength: 1, maxLength: 5 },
)
const asPipes = (
  rows: readonly {
    parent: number
    length_m: number
    load_W: number
    allowed_Pa?: number
    stays?: number | null
  }[],
): PipeToSize[] => {
  const parents = rows.map((row, i) => (i === 0 ? -1 : (row.parent % (i + 1)) - 1))
  return rows.map((row, i): PipeToSize => {
    const leaf = !parents.includes(i)
    return {
      id: `p${i}`,
      from: parents[i] === -1 ? 'meter' : `p${parents[i]}`,
      length_m: row.length_m,
      elbows: 1,
      branchTees: 0,
      material: 'steel-schedule-40',
      load_W: leaf ? row.load_W : 0,
      ...(leaf ? { dropAllowed_Pa: row.allowed_Pa ?? 124.5 } : {}),
      ...(row.stays === undefined || row.stays === null
        ? {}
        : { fixed: materials['steel-schedule-40'].sizes[row.stays] as PipeSize }),
    }
  })
}
/** What the free pipes cost: those that stay are paid for. */
const costOf = (sized: readonly (PipeToSize & { readonly size: PipeSize })[]) =>
  treeCost(sized.filter((one) => one.fixed === undefined))
/** The slow plain way: every combination of the first six sizes. */
function bruteForce(pipes: readonly PipeToSize[]): number {
  const choices = materials['steel-schedule-40'].sizes.slice(0, 6)
  let best = Infinity
  const pick = (index: number, chosen: PipeSize[]): void => {
    const fixed = pipes[index]?.fixed
    if (index < pipes.length) {
      for (const one of fixed ? [fixed] : choices) pick(index + 1, [...chosen, one])
      return
    }
    const sized = pipes.map((one, i) => ({ ...one, size: chosen[i] as PipeSize }))
    const ordered = sized.every((one) => {
      const feeder = sized.find((other) => other.id === one.from)
      return (
        !feeder ||
        pipes.find((other) => other.id === one.from)?.fixed !== undefined ||
        one.size.bore_m <= feeder.size.bore_m
      )
    })
    if (!ordered || costOf(sized) >= best) return
    const states = solveGasTree(sized, conditions)
    if (
      pipes.every(
        (one) =>
          one.dropAllowed_Pa === undefined ||
          (states.find((state) => state.id === one.id)?.dropTo_Pa ?? Infinity) <=
            one.dropAllowed_Pa + 1e-9,
      )
    )
      best = costOf(sized)
  }
  pick(0, [])
  return best
}
test('chosen sizes are the least metal that keeps every pressure: as brute force finds on small trees', () =>
  fc.assert(
    fc.property(anyTree, (rows) => {
      const pipes = asPipes(rows)
      const sizes = chooseSizes(pipes, conditions)
      const plain = bruteForce(pipes)
      if (!sizes) return expect(plain).toBe(Infinity)
      const sized = pipes.map((one) => ({ ...one, size: sizes.get(one.id) as PipeSize }))
      const states = solveGasTree(sized, conditions)
      for (const one of pipes)
        expect(
          (states.find((state) => state.id === one.id)?.dropTo_Pa ?? 0) -
            (one.dropAllowed_Pa ?? Infinity),
        ).toBeLessThan(1e-6)
      const cost = costOf(sized)
      if (plain < Infinity) expect(cost).toBeCloseTo(plain, 9)
    }),
    { numRuns: 500 },
  ))
test('a fixed pipe stays, and an impossible supply is said to be impossible', () => {
  const fixed = asPipes([{ parent: 0, length_m: 6, load_W: 20000 }]).map((one) => ({
    ...one,
    fixed: size('2'),
  }))
  expect(chooseSizes(fixed, conditions)?.get('p0')?.name).toBe('2')
  expect(
    chooseSizes(
      asPipes([{ parent: 0, length_m: 12, load_W: 60000 }]).map((one) => ({
        ...one,
        dropAllowed_Pa: 1e-9,
      })),
      conditions,
    ),
  ).toBeUndefined()
})

describe('the usual ways of sizing', () => {
  const sizedTree = (rows: Parameters<typeof asPipes>[0]) => {
    const pipes = asPipes(rows)
    const sizes = chooseSizes(pipes, conditions)
    return sizes && pipes.map((one): SizedPipe => ({ ...one, size: sizes.get(one.id) as PipeSize }))
  }
  const free = anyTree.map((rows) =>
    rows.map((row) => ({ ...row, stays: null, allowed_Pa: 124.5 })),
  )
  test('choosing the whole tree at once never takes more metal than the longest length, nor that less than the branch', () =>
    fc.assert(
      fc.property(free, (rows) => {
        const sized = sizedTree(rows)
        if (!sized) return
        const [longest, branch, here] = sizesByMethods(sized, conditions, {
          allowance_Pa: 124.5,
          byTable: false,
        })
        if (longest?.cost === undefined || branch?.cost === undefined || here?.cost === undefined)
          return
        expect(branch.cost).toBeLessThanOrEqual(longest.cost + 1e-12)
        // The longest length keeps every pressure, and bores that only shrink: so it is among what
        // the choice chose from.
        const states = solveGasTree(
          sized.map((pipe) => ({ ...pipe, size: longest.sizes.get(pipe.id) as PipeSize })),
          conditions,
        )
        const shrinks = sized.every(
          (pipe) =>
            pipe.from === 'meter' ||
            (longest.sizes.get(pipe.id)?.bore_m ?? 0) <=
              (longest.sizes.get(pipe.from)?.bore_m ?? 0),
        )
        if (
          shrinks &&
          sized.every(
            (pipe) =>
              pipe.load_W === 0 ||
              (states.find((state) => state.id === pipe.id)?.dropTo_Pa ?? Infinity) <= 124.5,
          )
        )
          expect(here.cost).toBeLessThanOrEqual(longest.cost + 1e-12)
      }),
      { numRuns: 200 },
    ))
  test('the longest length is the same for every pipe, a branch goes by what is beyond it', () => {
    const sized =
      sizedTree([
        { parent: 0, length_m: 5, load_W: 0 },
        { parent: 1, length_m: 10, load_W: 20000 },
        { parent: 1, length_m: 2, load_W: 10000 },
      ]) ?? []
    const [longest, branch] = sizesByMethods(sized, conditions, {
      allowance_Pa: 124.5,
      byTable: false,
    })
    expect(new Set(longest?.lengths_m.values()).size).toBe(1)
    expect(branch?.lengths_m.get('p2') ?? 0).toBeLessThan(longest?.lengths_m.get('p2') ?? 0)
    expect(branch?.lengths_m.get('p1')).toBeCloseTo(longest?.lengths_m.get('p1') ?? 0, 9)
  })
})
// NFPA 54 / IFGC tables, from memory.
test.each([
  ['steel-natural-gas', '3/4', 40, 0.5, 170],
  ['steel-natural-gas', '1', 41, 0.5, 284],
  ['steel-natural-gas', '2', 60, 0.3, 1160],
  ['copper-natural-gas', '1/2', 20, 0.5, 77],
] as const)('%s %s at %d ft and %d in wc carries %d ft³/h', (name, size, feet, drop, cfh) =>
  expect(
    ((tabledFlow_m3_s(name, { size, length_m: feet * 0.3048, drop_Pa: drop * 249.08891 }) ?? 0) *
      3600) /
      0.028316846592,
  ).toBeCloseTo(cfh, 6),
)
test('a table says nothing of what it does not list', () => {
  expect(
    tabledFlow_m3_s('steel-natural-gas', { size: '3/4', length_m: 100, drop_Pa: 124.544 }),
  ).toBeUndefined()
  expect(
    tabledFlow_m3_s('steel-natural-gas', { size: '7/8', length_m: 3, drop_Pa: 124.544 }),
  ).toBeUndefined()
  expect(
    tabledFlow_m3_s('copper-natural-gas', { size: '1/4', length_m: 30, drop_Pa: 124.544 }),
  ).toBeUndefined()
})
test('the tables lie at or below their equation, by little', () => {
  for (const [feet, row] of capacityTables['steel-natural-gas'][0].rows)
    row.forEach((cfh, i) => {
      const bore_m = materials['steel-schedule-40'].sizes[i]?.bore_m ?? 0
      const equation =
        (lowCapacity_m3_s({ bore_m, length_m: feet * 0.3048, drop_Pa: 124.544, cr: 0.6094 }) *
          3600) /
        0.028316846592
      expect((cfh ?? 0) / equation).toBeGreaterThan(0.96)
      expect((cfh ?? 0) / equation).toBeLessThan(1.02)
    })
})
const flowAndBore = fc.tuple(
  fc.double({ min: 1e-4, max: 5e-3, noNaN: true }),
  fc.double({ min: 0.012, max: 0.06, noNaN: true }),
  fc.double({ min: 1, max: 60, noNaN: true }),
)
test('the other equations: more flow, more drop; and Renouard’s two forms agree for a small drop', () =>
  fc.assert(
    fc.property(flowAndBore, ([flow_m3_s, bore_m, length_m]) => {
      const run = { bore_m, length_m, relativeDensity: 0.6 }
      expect(renouardLow_Pa({ ...run, flow_m3_s: flow_m3_s * 1.1 })).toBeGreaterThan(
        renouardLow_Pa({ ...run, flow_m3_s }),
      )
      const drop_Pa = renouardLow_Pa({ ...run, flow_m3_s })
      if (drop_Pa < 500) {
        const outlet = renouardMediumAbs_Pa({ ...run, flow_m3_s, inletAbs_Pa: 103000 })
        expect(Math.abs(103000 - (outlet ?? 0) - drop_Pa) / drop_Pa).toBeLessThan(0.06)
      }
      expect(poleFlow_m3_s({ ...run, drop_Pa: 200 })).toBeCloseTo(
        poleFlow_m3_s({ ...run, drop_Pa: 100 }) * Math.SQRT2,
        12,
      )
      expect(spitzglassFlow_m3_s({ ...run, drop_Pa: 200 })).toBeGreaterThan(
        spitzglassFlow_m3_s({ ...run, drop_Pa: 100 }),
      )
    }),
  ))
