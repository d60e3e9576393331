import type { GasConditions, SizedPipe } from '@hestian/core'
import { fuelGases, materials, solveGasTree } from '@hestian/core'
import { gasSheetIn } from '../peers/gasSheet'

const conditions: GasConditions = {
  method: 'nfpa54-low',
  gas: fuelGases['north-america']['natural-gas'],
  meterGauge_Pa: 1743,
  atmosphere_Pa: 101325,
}
const sizes = materials['steel-schedule-40'].sizes

// The same equation written as a sheet in a general-purpose spreadsheet engine: another way to the
// same drops.
test('a gas tree as a spreadsheet comes to the same drops, before and after a load changed', () => {
  const tree = (last_W: number): SizedPipe[] =>
    Array.from({ length: 31 }, (_, i) => ({
      id: `${i}`,
      from: i === 0 ? 'meter' : `${Math.floor((i - 1) / 2)}`,
      length_m: 1 + (i % 5),
      elbows: i % 3,
      branchTees: i % 2,
      material: 'steel-schedule-40',
      load_W: i === 30 ? last_W : i > 14 ? 4000 + i * 100 : 0,
      size: sizes[i < 3 ? 4 : 1] ?? { name: '', bore_m: 1 },
    }))
  const sheet = gasSheetIn(tree(6000), conditions)
  for (const load_W of [6000, 21000]) {
    sheet.setLoad(30, load_W)
    for (const state of solveGasTree(tree(load_W), conditions))
      expect(Math.abs(sheet.dropTo_Pa(Number(state.id)) / state.dropTo_Pa - 1)).toBeLessThan(1e-9)
  }
  sheet.close()
})
