import type { JobDocument } from '../../job/document'
import type { WaterSegment } from '../../job/waterDocument'
import { mainGauge_Pa } from '../../methods/supply/mainCurve'
import type { WaterAnswer } from './answer'

/** Pressure at the main with a flow running, gauge Pa. */
export const sourceOf =
  ({
    staticGauge_Pa,
    curve,
    reducedTo_Pa,
  }: Pick<WaterAnswer, 'staticGauge_Pa' | 'curve' | 'reducedTo_Pa'>) =>
  (flow_m3_s: number): number =>
    Math.min(curve ? mainGauge_Pa(curve, flow_m3_s) : staticGauge_Pa, reducedTo_Pa ?? Infinity)

const squared_Pa = (
  drop_Pa: number | undefined,
  atFlow_m3_s: number | undefined,
  flow_m3_s: number,
): number => (drop_Pa !== undefined && atFlow_m3_s ? drop_Pa * (flow_m3_s / atFlow_m3_s) ** 2 : 0)
/** What something on the way loses at a flow, from what its maker states. */
export const partLoss_Pa = (segment: WaterSegment, flow_m3_s: number): number =>
  squared_Pa(segment.partDrop_Pa?.value, segment.partFlow_m3_s?.value, flow_m3_s)
export const heaterLoss_Pa = (
  { water }: JobDocument,
  segment: WaterSegment,
  flow_m3_s: number,
): number =>
  segment.end?.kind === 'heater'
    ? squared_Pa(water.heaterDrop_Pa?.value, water.heaterAtFlow_m3_s?.value, flow_m3_s)
    : 0
