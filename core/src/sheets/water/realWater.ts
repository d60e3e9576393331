import type { JobDocument } from '../../job/document'
import type { WaterSegment } from '../../job/waterDocument'
import { circleArea_m2 } from '../../methods/hydraulics/friction'
import type { OpenOutlet, WaterPipe, WaterState } from '../../methods/hydraulics/waterTree'
import { realFlows } from '../../methods/hydraulics/waterTree'
import type { WaterAnswer } from './answer'
import { heaterLoss_Pa, partLoss_Pa, sourceOf } from './losses'

/** How many of the outlets at the end of each pipe stand open, by pipe. */
export type OpenEnds = ReadonlyMap<string, number>

export interface RealAnswer {
  /** Given at each end, all that are open there together, m³/s; and what they want. */
  readonly given: ReadonlyMap<string, { readonly flow_m3_s: number; readonly wanted_m3_s: number }>
  readonly states: ReadonlyMap<string, WaterState>
  readonly total_m3_s: number
  readonly sourceGauge_Pa: number
  readonly converged: boolean
}

/**
 * What really flows with these outlets open: each wants its flow at the wanted pressure, and gives
 * less in the root of what is left. What parts and the heater lose is taken as a loss coefficient
 * of their pipe. Sources: sources.continuity, sources.colebrook.
 */
export function realWater(document: JobDocument, answer: WaterAnswer, open: OpenEnds): RealAnswer {
  const pipes = answer.pipes.map(({ pipe, segment }): WaterPipe => ({
    ...pipe,
    lossCoefficient:
      pipe.lossCoefficient + lossOfParts(document, segment, pipe, answer.fluid.density_kg_m3),
  }))
  const outlets = answer.pipes.flatMap(({ id, end }): OpenOutlet[] => {
    const count = Math.min(end?.count ?? 0, open.get(id) ?? 0)
    return end && count > 0
      ? [{ pipeId: id, flow_m3_s: end.each_m3_s * count, wantedGauge_Pa: answer.wantedGauge_Pa }]
      : []
  })
  const source = sourceOf(answer)
  const { flows_m3_s, states, converged } = realFlows(
    pipes,
    outlets.filter((outlet) => outlet.flow_m3_s > 0),
    source,
    answer.fluid,
  )
  const total_m3_s = flows_m3_s.reduce((sum, flow) => sum + flow, 0)
  return {
    given: new Map(
      outlets
        .filter((outlet) => outlet.flow_m3_s > 0)
        .map((outlet, i) => [
          outlet.pipeId,
          { flow_m3_s: flows_m3_s[i] ?? 0, wanted_m3_s: outlet.flow_m3_s },
        ]),
    ),
    states: new Map(states.map((state) => [state.id, state])),
    total_m3_s,
    sourceGauge_Pa: source(total_m3_s),
    converged,
  }
}

/** A loss stated at a flow as a coefficient of the pipe it sits in. */
function lossOfParts(
  document: JobDocument,
  segment: WaterSegment,
  { bore_m }: WaterPipe,
  density_kg_m3: number,
): number {
  const atOne_Pa = partLoss_Pa(segment, 1) + heaterLoss_Pa(document, segment, 1)
  return atOne_Pa > 0 ? (2 * atOne_Pa * circleArea_m2(bore_m) ** 2) / density_kg_m3 : 0
}
