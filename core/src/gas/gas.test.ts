import fc from 'fast-check'
import { cubicFoot_m3, foot_m, inch_m, inchWater_Pa } from '../units/units'
import { effectiveLength_m, tableFlow_m3_s } from './bs6891'
import { chooseSizes, treeCost, type PipeToSize } from './chooseSizes'
import { fuelGases } from './fuel'
import type { GasConditions, SizedPipe } from './network'
import { branchFlows, pipeDrop_Pa, solveGasTree } from './network'
import { crOfGas, lowBore_m, lowCapacity_m3_s, lowDrop_Pa } from './nfpa54'
import { materials, nextSize, sizeNamed, type PipeSize } from './pipes'
import { inOrder, pathTo, sumAlong, sumBeyond } from './tree'

const cfh = cubicFoot_m3 / 3600
const natural = fuelGases['north-america']['natural-gas']
const conditions: GasConditions = { method: 'nfpa54-low', gas: natural, meterGauge_Pa: 1740, atmosphere_Pa: 101325 }
const british: GasConditions = { ...conditions, method: 'darcy', gas: fuelGases['uk-ireland']['natural-gas'], meterGauge_Pa: 2100 }

// Domain 3.7: 199 kBtu/h at 1 020 Btu/ft³, schedule 40; the low-pressure equation of NFPA 54 / IFGC.
test.each([[0.622, 10, 0.62], [0.622, 20, 1.25], [0.824, 20, 0.32], [1.049, 20, 0.1]])('195 ft³/h through a %d in bore loses over %d ft %d in wc', (bore, length, drop) => {
  const got = lowDrop_Pa({ flow_m3_s: 195.098 * cfh, bore_m: bore * inch_m, length_m: length * foot_m, cr: 0.6094 }) / inchWater_Pa
  expect(Math.abs(got - drop)).toBeLessThan(0.006)
})
test('capacity, bore and drop are one equation turned round', () => fc.assert(fc.property(fc.double({ min: 0.01, max: 0.1, noNaN: true }), fc.double({ min: 1, max: 60, noNaN: true }), fc.double({ min: 10, max: 500, noNaN: true }), (bore_m, length_m, drop_Pa) => {
  const flow_m3_s = lowCapacity_m3_s({ bore_m, length_m, drop_Pa, cr: 0.6094 })
  expect(lowDrop_Pa({ flow_m3_s, bore_m, length_m, cr: 0.6094 }) / drop_Pa).toBeCloseTo(1, 6)
  expect(lowBore_m({ flow_m3_s, length_m, drop_Pa, cr: 0.6094 }) / bore_m).toBeCloseTo(1, 6)
})))
// NFPA 54 prints Cr 0.6094 for natural gas and 1.2462 for propane, as remembered.
test('Cr follows from relative density, temperature and viscosity', () => {
  expect(crOfGas({ relativeDensity: 0.6, temp_K: 520 / 1.8, viscosity_Pas: 1.2e-5 })).toBeCloseTo(0.6094, 3)
  expect(crOfGas({ relativeDensity: 1.5, temp_K: 520 / 1.8, viscosity_Pas: 0.8e-5 })).toBeCloseTo(1.2462, 3)
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

const size = (name: string): PipeSize => { const found = sizeNamed('steel-schedule-40', name); if (!found) throw new Error(name); return found }
const pipe = (id: string, from: string, length_m: number, name: string, load_W = 0): SizedPipe => ({ id, from, length_m, elbows: 1, branchTees: 0, material: 'steel-schedule-40', size: size(name), load_W })
const house = [pipe('a', 'meter', 6, '1'), pipe('b', 'a', 3, '3/4', 30000), pipe('c', 'a', 5, '3/4', 12000)]

test('flow is continuous at every node', () => {
  const flows = branchFlows(house, natural)
  expect(flows.get('a')).toBeCloseTo((flows.get('b') ?? 0) + (flows.get('c') ?? 0), 12)
})
test.each([['nfpa54-low', conditions], ['darcy', british]] as const)('%s: drop grows with length and flow and falls with bore', (_, given) => fc.assert(fc.property(fc.double({ min: 1, max: 40, noNaN: true }), fc.double({ min: 1e-5, max: 5e-3, noNaN: true }), fc.double({ min: 1.01, max: 3, noNaN: true }), (length_m, flow, k) => {
  const run = { length_m, elbows: 2, branchTees: 1, material: 'steel-schedule-40' as const }
  const drop = (change: Partial<typeof run>, flow_m3_s = flow, name = '1') => pipeDrop_Pa({ ...run, ...change }, size(name), flow_m3_s, given)
  expect(drop({ length_m: length_m * k })).toBeGreaterThan(drop({}))
  expect(drop({}, flow * k)).toBeGreaterThan(drop({}) * 0.999)
  expect(drop({}, flow, '1-1/4')).toBeLessThan(drop({}))
  expect(drop({}, 0)).toBe(0)
})))
test('pressures fall along every path by the sum of its drops', () => {
  for (const state of solveGasTree(house, conditions)) {
    const along = pathTo(house, state.id).reduce((sum, one) => sum + (solveGasTree(house, conditions).find((other) => other.id === one.id)?.drop_Pa ?? 0), 0)
    expect(state.dropTo_Pa).toBeCloseTo(along, 9)
    expect(state.farGauge_Pa).toBeCloseTo(conditions.meterGauge_Pa - along, 9)
  }
})
test('a ring or an orphan is set apart, not followed for ever', () => {
  const { ordered, unreached } = inOrder([{ id: 'a', from: 'meter' }, { id: 'x', from: 'y' }, { id: 'y', from: 'x' }])
  expect(ordered.map((one) => one.id)).toEqual(['a'])
  expect(unreached.map((one) => one.id)).toEqual(['x', 'y'])
  expect(pathTo([{ id: 'x', from: 'y' }, { id: 'y', from: 'x' }], 'x').length).toBeLessThanOrEqual(4)
  expect(sumBeyond([], () => 1).size).toBe(0)
  expect(sumAlong([], () => 1).get('meter')).toBe(0)
})

/** Small random trees with loads at their ends. */
const anyTree = fc.array(fc.record({ parent: fc.nat(), length_m: fc.double({ min: 1, max: 12, noNaN: true }), load_W: fc.integer({ min: 5000, max: 60000 }) }), { minLength: 1, maxLength: 5 })
const asPipes = (rows: readonly { parent: number; length_m: number; load_W: number }[]): PipeToSize[] => {
  const parents = rows.map((row, i) => (i === 0 ? -1 : (row.parent % (i + 1)) - 1))
  return rows.map((row, i): PipeToSize => {
    const leaf = !parents.includes(i)
    return { id: `p${i}`, from: parents[i] === -1 ? 'meter' : `p${parents[i]}`, length_m: row.length_m, elbows: 1, branchTees: 0, material: 'steel-schedule-40', load_W: leaf ? row.load_W : 0, ...(leaf ? { dropAllowed_Pa: 124.5 } : {}) }
  })
}
/** The slow plain way: every combination of the first six sizes. */
function bruteForce(pipes: readonly PipeToSize[]): number {
  const choices = materials['steel-schedule-40'].sizes.slice(0, 6)
  let best = Infinity
  const pick = (index: number, chosen: PipeSize[]): void => {
    if (index < pipes.length) { for (const one of choices) pick(index + 1, [...chosen, one]); return }
    const sized = pipes.map((one, i): SizedPipe => ({ ...one, size: chosen[i] as PipeSize }))
    const ordered = sized.every((one) => { const feeder = sized.find((other) => other.id === one.from); return !feeder || one.size.bore_m <= feeder.size.bore_m })
    if (!ordered || treeCost(sized) >= best) return
    const states = solveGasTree(sized, conditions)
    if (pipes.every((one) => one.dropAllowed_Pa === undefined || (states.find((state) => state.id === one.id)?.dropTo_Pa ?? Infinity) <= one.dropAllowed_Pa + 1e-9)) best = treeCost(sized)
  }
  pick(0, [])
  return best
}
test('chosen sizes are the least metal that keeps every pressure: as brute force finds on small trees', () => fc.assert(fc.property(anyTree, (rows) => {
  const pipes = asPipes(rows)
  const sizes = chooseSizes(pipes, conditions)
  const plain = bruteForce(pipes)
  if (!sizes) return expect(plain).toBe(Infinity)
  const cost = treeCost(pipes.map((one) => ({ ...one, size: sizes.get(one.id) as PipeSize })))
  if (plain < Infinity) expect(cost).toBeCloseTo(plain, 9)
}), { numRuns: 60 }))
test('a fixed pipe stays, and an impossible supply is said to be impossible', () => {
  const fixed = asPipes([{ parent: 0, length_m: 6, load_W: 20000 }]).map((one) => ({ ...one, fixed: size('2') }))
  expect(chooseSizes(fixed, conditions)?.get('p0')?.name).toBe('2')
  expect(chooseSizes(asPipes([{ parent: 0, length_m: 12, load_W: 60000 }]).map((one) => ({ ...one, dropAllowed_Pa: 1e-9 })), conditions)).toBeUndefined()
})
