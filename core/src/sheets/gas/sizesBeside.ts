import { tableFlow_m3_s } from '../../methods/gas/bs6891'
import type { PipeSize } from '../../methods/materials/pipes'
import { materials } from '../../methods/materials/pipes'
import { solveStages } from '../../methods/gas/stages'
import { beyondOf } from '../../methods/network/tree'
import type { GasAnswer } from './answer'

/** One of a pipe's neighbouring sizes and what it would do, everything else left as it is. */
export interface SizeBeside {
  readonly size: PipeSize
  readonly current: boolean
  /** Drop from the meter to the appliance beyond it that is worst off. */
  readonly worst_Pa: number
  /**
   * By how much that passes the allowance or an appliance's least pressure; 0 or less when it does
   * not.
   */
  readonly over_Pa: number
  /** What the table lets it carry, where that is less than it has to. */
  readonly tableRefuses_m3_s?: number
}

/**
 * A pipe in the next smaller and the next larger size of its catalogue, beside its own. Empty for
 * an id that is not a pipe.
 */
export function sizesBeside(answer: GasAnswer, id: string): readonly SizeBeside[] {
  const pipe = answer.pipes.find((one) => one.id === id)
  if (!pipe) return []
  const sizes: readonly PipeSize[] = materials[pipe.pipe.material].sizes
  const at = sizes.findIndex((size) => size.name === pipe.pipe.size.name)
  const reached = beyondOf(
    answer.pipes.map((one) => one.segment),
    id,
  )
  return sizes.slice(Math.max(0, at - 1), at + 2).map((size): SizeBeside => {
    const current = size.name === pipe.pipe.size.name
    const states = current
      ? undefined
      : new Map(
          solveStages(
            answer.pipes.map((one) => (one.id === id ? { ...one.pipe, size } : one.pipe)),
            answer.supply,
          ).map((state) => [state.id, state]),
        )
    // Only its own stage feels it: a regulator gives what it is set to, as long as enough comes in.
    const ends = answer.pipes.filter(
      (one) => one.root === pipe.root && one.allowed_Pa !== undefined && reached.has(one.id),
    )
    const drops = ends.map((one) => ({
      drop_Pa: (states?.get(one.id) ?? one).dropTo_Pa,
      allowed_Pa: one.allowed_Pa ?? Infinity,
    }))
    const table_m3_s =
      answer.tableLength_m === undefined || size.outsideDiameter_m === undefined
        ? undefined
        : tableFlow_m3_s({
            outsideDiameter_m: size.outsideDiameter_m,
            length_m: answer.tableLength_m,
          })
    return {
      size,
      current,
      worst_Pa: Math.max(0, ...drops.map((one) => one.drop_Pa)),
      over_Pa: Math.max(...drops.map((one) => one.drop_Pa - one.allowed_Pa), -Infinity),
      ...(table_m3_s !== undefined && table_m3_s < pipe.flow_m3_s
        ? { tableRefuses_m3_s: table_m3_s }
        : {}),
    }
  })
}
