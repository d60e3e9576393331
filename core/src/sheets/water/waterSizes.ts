import { atMost } from '../../answer/expect'
import type { PipeSize } from '../../methods/materials/pipes'
import { materials } from '../../methods/materials/pipes'
import { circleArea_m2 } from '../../methods/hydraulics/friction'
import { waterDrop_Pa } from '../../methods/hydraulics/waterTree'
import { beyondOf } from '../../methods/network/tree'
import type { Practice } from '../../practice/practice'
import type { WaterAnswer } from './answer'

/** One of a pipe's neighbouring sizes and what it would do, everything else left as it is. */
export interface WaterSizeBeside {
  readonly size: PipeSize
  readonly current: boolean
  readonly velocity_m_s: number
  readonly tooFast: boolean
  /**
   * Pressure left at the outlet beyond it that is worst off, gauge; undefined where it feeds none.
   */
  readonly leftGauge_Pa: number | undefined
  readonly short: boolean
}

/**
 * A pipe in the next smaller and the next larger size of its catalogue, beside its own. Empty for
 * an id that is not a pipe.
 */
export function waterSizesBeside(
  answer: WaterAnswer,
  practice: Practice,
  id: string,
): readonly WaterSizeBeside[] {
  const pipe = answer.pipes.find((one) => one.id === id)
  if (!pipe) return []
  const sizes: readonly PipeSize[] = materials[pipe.segment.material].sizes
  const at = sizes.findIndex((size) => size.name === pipe.size.name)
  const reached = beyondOf(
    answer.pipes.map((one) => one.segment),
    id,
  )
  const beyond = answer.pipes.filter((one) => one.end && reached.has(one.id))
  const drop_Pa = (size: PipeSize) =>
    waterDrop_Pa({ ...pipe.pipe, bore_m: size.bore_m }, pipe.flow_m3_s, answer.fluid, 'colebrook')
      .drop_Pa
  return sizes.slice(Math.max(0, at - 1), at + 2).map((size): WaterSizeBeside => {
    const change_Pa = drop_Pa(size) - drop_Pa(pipe.size)
    const velocity_m_s = pipe.flow_m3_s / circleArea_m2(size.bore_m)
    const leftGauge_Pa =
      beyond.length === 0
        ? undefined
        : Math.min(...beyond.map((one) => one.farGauge_Pa)) - change_Pa
    return {
      size,
      current: size.name === pipe.size.name,
      velocity_m_s,
      tooFast: !atMost(
        velocity_m_s,
        pipe.side === 'hot' ? practice.water.hotMost_m_s : practice.water.coldMost_m_s,
      ),
      leftGauge_Pa,
      short: leftGauge_Pa !== undefined && !atMost(answer.wantedGauge_Pa, leftGauge_Pa),
    }
  })
}
