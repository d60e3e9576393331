import type { DesignBy, Side } from '../../methods/feed/designFlow'
import type { Properties } from '../../methods/fluid/glycol'
import type { PipeSize } from '../../methods/materials/pipes'
import type { WaterPipe } from '../../methods/hydraulics/waterTree'
import type { Outlet } from '../../job/hotWaterDocument'
import type { WaterSegment } from '../../job/waterDocument'
import type { MainCurve } from '../../methods/supply/mainCurve'
import type { WaterLoop } from './waterLoop'

export interface WaterEndAnswer {
  readonly outlet: Outlet
  readonly side: Side
  readonly count: number
  /** One of them, on this side. */
  readonly each_m3_s: number
  /** Of hot water alone, mixed to what the outlet wants: what a heater sees, m³/s. */
  readonly hot_m3_s: number
  readonly mixed: boolean
}

export interface WaterPipeAnswer {
  readonly id: string
  readonly segment: WaterSegment
  /** Its place in the document. */
  readonly place: string
  readonly size: PipeSize
  readonly chosen: boolean
  readonly pipe: WaterPipe
  readonly side: Side
  readonly flow_m3_s: number
  readonly units: number
  readonly velocity_m_s: number
  readonly drop_Pa: number
  readonly farGauge_Pa: number
  readonly end?: WaterEndAnswer
  /** What was not given to it, Pa: by Hazen and Williams beside. */
  readonly hazenWilliams_Pa: number
}

/** How long hot water is waited for at an outlet. */
export interface WaitAnswer {
  readonly pipe: WaterPipeAnswer
  readonly volume_m3: number
  readonly wait_s: number
}
/** Hot and cold at an outlet with both. */
export interface MixerAnswer {
  readonly outlet: Outlet
  readonly hot: WaterPipeAnswer
  readonly cold: WaterPipeAnswer
}

export interface WaterAnswer {
  readonly pipes: readonly WaterPipeAnswer[]
  /** The outlet with least pressure to spare, and the way to it. */
  readonly index: WaterPipeAnswer
  readonly indexRun: readonly string[]
  readonly wantedGauge_Pa: number
  readonly total_m3_s: number
  readonly staticGauge_Pa: number
  readonly curve: MainCurve | undefined
  /** A reducing valve on the main holds it to this. */
  readonly reducedTo_Pa: number | undefined
  /** At the main with the design flow running. */
  readonly sourceGauge_Pa: number
  readonly designBy: DesignBy['by']
  readonly coldTemp_K: number
  readonly hotTemp_K: number
  readonly fluid: Properties
  /** Whether sizes were found that leave every outlet what it wants. */
  readonly sizesFound: boolean
  readonly uncovered: readonly string[]
  readonly waits: readonly WaitAnswer[]
  readonly mixers: readonly MixerAnswer[]
  readonly heaterLeast_m3_s: number | undefined
  readonly loop: WaterLoop | undefined
  readonly fill:
    | {
        readonly content_m3: number
        readonly feed_m3_s: number
        readonly bypass_m3_s: number
        readonly feed_s: number
        readonly bypass_s: number
        readonly assumed: boolean
      }
    | undefined
  readonly cost: number
}
