import fc from 'fast-check'
import type { WaterPipe } from '@hestian/core'
import { solveWaterTree, sourceNode } from '@hestian/core'
import { waterEngine } from '../peers/waterEngine'

const g = 9.80665
const [density_kg_m3, viscosity_m2_s, head_m] = [1000, 1.306e-6, 40]
const fluid = { density_kg_m3, viscosity_Pas: viscosity_m2_s * density_kg_m3 }
const bores = [0.0136, 0.0202, 0.0262, 0.0326]

/** House-sized trees of copper: up to twelve pipes, draws of taps and showers. */
const anyTree = fc
  .array(
    fc.record({
      parent: fc.nat(),
      bore: fc.nat({ max: 3 }),
      length_m: fc.double({ min: 0.5, max: 15, noNaN: true }),
      rise_m: fc.double({ min: -2, max: 3, noNaN: true }),
      draw: fc.double({ min: 0, max: 0.2e-3, noNaN: true }),
      bends: fc.nat({ max: 6 }),
    }),
    { minLength: 1, maxLength: 12 },
  )
  .map((rows) =>
    rows.map((row, i): WaterPipe => ({
      id: `${i}`,
      from: i === 0 ? sourceNode : `${row.parent % i}`,
      length_m: row.length_m,
      bore_m: i === 0 ? 0.0326 : (bores[row.bore] ?? 0.0202),
      roughness_m: 1.5e-6,
      lossCoefficient: row.bends * 0.9,
      rise_m: row.rise_m,
      draw_m3_s: row.draw < 2e-5 ? 0 : row.draw,
    })),
  )

/** Height of each node over the source, m. */
const heights = (pipes: readonly WaterPipe[]) => {
  const at = new Map<string, number>([[sourceNode, 0]])
  for (const pipe of pipes) at.set(pipe.id, (at.get(pipe.from) ?? 0) + pipe.rise_m)
  return at
}

// A general-purpose hydraulic network engine solves the same trees; its factor and its viscosity
// first, then ours.
test('node pressures agree with a network engine: 0.5 % or 50 Pa by its own friction', () =>
  fc.assert(
    fc.asyncProperty(anyTree, async (pipes) => {
      const engine = await waterEngine(pipes, { head_m, viscosity_m2_s })
      engine.solve()
      const height = heights(pipes)
      for (const state of solveWaterTree(
        pipes,
        () => head_m * density_kg_m3 * g,
        fluid,
        'engine',
      )) {
        const theirs_Pa =
          (engine.head_m(state.id) - (height.get(state.id) ?? 0)) * density_kg_m3 * g
        expect(Math.abs(state.farGauge_Pa - theirs_Pa)).toBeLessThan(
          Math.max(50, 0.005 * Math.abs(theirs_Pa)),
        )
      }
      engine.close()
    }),
    { numRuns: 40 },
  ))
test('by Colebrook–White they differ by less than 0.06 m on house-sized flows', () =>
  fc.assert(
    fc.asyncProperty(anyTree, async (pipes) => {
      const calm = pipes.map((pipe) => ({ ...pipe, draw_m3_s: pipe.draw_m3_s * 0.25 }))
      const engine = await waterEngine(calm, { head_m, viscosity_m2_s })
      engine.solve()
      const height = heights(calm)
      for (const state of solveWaterTree(calm, () => head_m * density_kg_m3 * g, fluid)) {
        if (state.velocity_m_s > 2) continue
        expect(
          Math.abs(
            state.farGauge_Pa / (density_kg_m3 * g) -
              (engine.head_m(state.id) - (height.get(state.id) ?? 0)),
          ),
        ).toBeLessThan(0.06)
      }
      engine.close()
    }),
    { numRuns: 40 },
  ))
