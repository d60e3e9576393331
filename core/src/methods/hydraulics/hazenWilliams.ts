import { expectAbove0, expectNotNegative } from '../../answer/expect'
import { foot_m, inch_m, psi_Pa, usGallon_m3 } from '../../units/units'

interface Run {
  readonly flow_m3_s: number
  readonly bore_m: number
  readonly length_m: number
  readonly roughnessC: number
}
const check = ({ flow_m3_s, bore_m, length_m, roughnessC }: Run) => {
  expectAbove0({ bore_m, roughnessC })
  expectNotNegative({ flow_m3_s, length_m })
}

/**
 * Coefficients of the SI forms: as books print it, and as network engines round it. They differ by
 * up to 0.5 %. Source: sources.hazenWilliams.
 */
export const hazenWilliamsForms = {
  book: { factor: 10.67, bore: 4.8704 },
  network: { factor: 10.667, bore: 4.871 },
} as const

/**
 * Head lost by Hazen and Williams, m of water. Water near 15 °C, turbulent; C and bore above 0,
 * else RangeError. Source: sources.hazenWilliams.
 */
export function hazenWilliams_m(run: Run, form: keyof typeof hazenWilliamsForms = 'book'): number {
  check(run)
  const { factor, bore } = hazenWilliamsForms[form]
  return (
    (factor * run.length_m * run.flow_m3_s ** 1.852) /
    (run.roughnessC ** 1.852 * run.bore_m ** bore)
  )
}

/**
 * The US form, Pa: 4.52 psi per foot with gpm and inches. Source: sources.hazenWilliams (NFPA 13).
 */
export function hazenWilliamsUs_Pa(run: Run): number {
  check(run)
  const gpm = (run.flow_m3_s * 60) / usGallon_m3
  return (
    ((4.52 * gpm ** 1.852) / (run.roughnessC ** 1.852 * (run.bore_m / inch_m) ** 4.87)) *
    (run.length_m / foot_m) *
    psi_Pa
  )
}
