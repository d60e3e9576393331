import fc from 'fast-check'
import { adiabaticFlow, orificeFlow, smallLeak } from './gasFlow'

const air = { exponent: 1.4, molarMass_kg_mol: 0.0289647 }
const fromEightBar = {
  gas: air,
  bore_m: 0.0266,
  length_m: 6,
  friction: 0.022,
  lossCoefficient: 1,
  upstreamAbs_Pa: 8e5,
  upstreamTemp_K: 293.15,
  backAbs_Pa: 101325,
}
const steam = {
  gas: { exponent: 1.3, molarMass_kg_mol: 0.0180153 },
  bore_m: 0.054,
  length_m: 9,
  friction: 0.021,
  lossCoefficient: 2.4,
  upstreamAbs_Pa: 1.6e5,
  upstreamTemp_K: 386.5,
  backAbs_Pa: 101325,
}

// Adiabatic flow with friction (Fanno), isentropic nozzle, Hagen and Poiseuille, Blasius: published
// equations, computed.
test('air from 8 bar chokes in its pipe', () => {
  const flow = adiabaticFlow(fromEightBar)
  expect(flow).toMatchObject({ choked: true, exitMach: 1 })
  expect(flow.flow_kg_s).toBeCloseTo(0.495460889397, 6)
  expect(flow.inletMach).toBeCloseTo(0.286953457474, 8)
  expect(flow.exitAbs_Pa).toBeCloseTo(199539.604402, 1)
})
test('steam from 1.6 bar does not', () => {
  const flow = adiabaticFlow(steam)
  expect(flow.choked).toBe(false)
  expect(flow.flow_kg_s).toBeCloseTo(0.242939904145, 6)
  expect(flow.exitMach).toBeCloseTo(0.38358689424, 7)
  expect(flow.criticalAbs_Pa).toBeCloseTo(42172.4905421, 1)
})
test('a longer pipe and a higher back pressure never let more through', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 40, noNaN: true }),
      fc.double({ min: 1, max: 3, noNaN: true }),
      fc.double({ min: 1.02e5, max: 1.5e5, noNaN: true }),
      (length_m, times, backAbs_Pa) => {
        const one = adiabaticFlow({ ...steam, length_m, backAbs_Pa }).flow_kg_s
        const longer = adiabaticFlow({ ...steam, length_m: length_m * times, backAbs_Pa })
        const harder = adiabaticFlow({ ...steam, length_m, backAbs_Pa: backAbs_Pa * 1.02 })
        expect(longer.flow_kg_s).toBeLessThanOrEqual(one * (1 + 1e-6))
        expect(harder.flow_kg_s).toBeLessThanOrEqual(one * (1 + 1e-6))
      },
    ),
    { numRuns: 40 },
  ))
test('a hole: let-by of gas at 21 mbar, and air from 6 bar', () => {
  const letBy = orificeFlow({
    gas: { exponent: 1.31, molarMass_kg_mol: 0.0168 },
    diameter_m: 0.0004,
    coefficient: 0.62,
    upstreamAbs_Pa: 103425,
    downstreamAbs_Pa: 101325,
    temp_K: 288.15,
  })
  expect(letBy.choked).toBe(false)
  expect(letBy.reference_m3_s).toBeCloseTo(5.98122301128e-6, 11)
  const blown = orificeFlow({
    gas: air,
    diameter_m: 0.001,
    coefficient: 0.8,
    upstreamAbs_Pa: 6e5,
    downstreamAbs_Pa: 101325,
    temp_K: 293.15,
  })
  expect(blown).toMatchObject({ choked: true })
  expect(blown.flow_kg_s).toBeCloseTo(0.000889864484621, 9)
})
test('a pore leaks gas slowly, a hole water fast', () => {
  const pore = smallLeak({
    diameter_m: 1e-4,
    length_m: 0.003,
    density_kg_m3: 0.72,
    viscosity_Pas: 1.08e-5,
    difference_Pa: 2100,
    lossCoefficient: 1.5,
  })
  expect(pore.regime).toBe('laminar')
  expect(pore.flow_m3_s).toBeCloseTo(1.45114772134e-7, 13)
  const hole = smallLeak({
    diameter_m: 0.001,
    length_m: 0.002,
    density_kg_m3: 998.2,
    viscosity_Pas: 0.001002,
    difference_Pa: 3e5,
    lossCoefficient: 1.5,
  })
  expect(hole.regime).toBe('turbulent')
  expect(hole.velocity_m_s).toBeCloseTo(19.6704103325, 5)
})
