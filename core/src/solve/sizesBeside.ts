import { tableFlow_m3_s } from '../gas/bs6891'
import { pipeDrop_Pa } from '../gas/network'
import type { PipeSize } from '../gas/pipes'
import { materials } from '../gas/pipes'
import type { GasAnswer } from './gasSheet'

/** One of a pipe's neighbouring sizes and what it would do, everything else left as it is. */
export interface SizeBeside {
  readonly size: PipeSize
  readonly current: boolean
  /** Drop from the meter to the appliance beyond it that is worst off. */
  readonly worst_Pa: number
  /** By how much that passes the allowance or an appliance's least pressure; 0 or less when it does not. */
  readonly over_Pa: number
  /** What the table lets it carry, where that is less than it has to. */
  readonly tableRefuses_m3_s?: number
}

/** A pipe in the next smaller and the next larger size of its catalogue, beside its own. Empty for an id that is not a pipe. */
export function sizesBeside(answer: GasAnswer, id: string): readonly SizeBeside[] {
  const pipe = answer.pipes.find((one) => one.id === id)
  if (!pipe) return []
  const sizes: readonly PipeSize[] = materials[pipe.pipe.material].sizes
  const at = sizes.findIndex((size) => size.name === pipe.pipe.size.name)
  const beyond = answer.pipes.filter((one) => one.appliance && leadsThrough(answer, one.id, id))
  return sizes.slice(Math.max(0, at - 1), at + 2).map((size) => {
    const change_Pa = pipeDrop_Pa(pipe.pipe, size, pipe.flow_m3_s, answer.conditions) - pipe.drop_Pa
    const table_m3_s = answer.tableLength_m === undefined || size.outsideDiameter_m === undefined ? undefined : tableFlow_m3_s({ outsideDiameter_m: size.outsideDiameter_m, length_m: answer.tableLength_m })
    const over = beyond.map((one) => Math.max(one.dropTo_Pa + change_Pa - answer.allowance_Pa, (one.appliance?.minInletGauge_Pa?.value ?? -Infinity) - (one.farGauge_Pa - change_Pa)))
    return {
      size, current: size.name === pipe.pipe.size.name, worst_Pa: Math.max(0, ...beyond.map((one) => one.dropTo_Pa)) + change_Pa, over_Pa: Math.max(...over, -Infinity),
      ...(table_m3_s !== undefined && table_m3_s < pipe.flow_m3_s ? { tableRefuses_m3_s: table_m3_s } : {}),
    }
  })
}

/** Whether the way from the meter to a node goes through a pipe. */
function leadsThrough(answer: GasAnswer, node: string, through: string): boolean {
  const pipe = answer.pipes.find((one) => one.id === node)
  return pipe !== undefined && (pipe.id === through || leadsThrough(answer, pipe.segment.from, through))
}
