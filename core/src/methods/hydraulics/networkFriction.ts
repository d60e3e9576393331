import { expectAbove0 } from '../../answer/expect'
import { laminarFactor, swameeJain } from './friction'

/**
 * Reynolds numbers between which network engines bridge laminar and turbulent flow. Source:
 * sources.networkEngine.
 */
export const bridge = { from: 2000, to: 4000 } as const

/**
 * Darcy friction factor as general-purpose network engines take it: 64/Re up to 2 000, Swamee and
 * Jain from 4 000, Dunlop's cubic between. For comparing with them; ours is Colebrook–White.
 * Reynolds above 0, else RangeError. Source: sources.networkEngine, cubic from memory.
 */
export function engineFactor({
  reynolds,
  roughnessRatio,
}: {
  readonly reynolds: number
  readonly roughnessRatio: number
}): number {
  expectAbove0({ reynolds })
  if (reynolds <= bridge.from) return laminarFactor(reynolds)
  if (reynolds >= bridge.to) return swameeJain({ reynolds, roughnessRatio })
  const r = reynolds / bridge.from
  const y2 = roughnessRatio / 3.7 + 5.74 / reynolds ** 0.9
  const y3 = -0.86859 * Math.log(roughnessRatio / 3.7 + 5.74 / bridge.to ** 0.9)
  const fa = y3 ** -2
  const fb = fa * (2 - 0.00514215 / (y2 * y3))
  return (
    7 * fa -
    fb +
    r *
      (0.128 -
        17 * fa +
        2.5 * fb +
        r * (-0.128 + 13 * fa - 2 * fb + r * (0.032 - 3 * fa + 0.5 * fb)))
  )
}
