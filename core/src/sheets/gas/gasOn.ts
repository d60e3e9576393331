import { solveStages } from '../../methods/gas/stages'
import type { JobDocument } from '../../job/document'
import type { GasAnswer } from './answer'

/**
 * The same supply with only some appliances burning, everything else as designed. It starts from
 * the working pressure at full load: with less burning the regulator gives a little more, so what
 * it shows is the safe side. Ids of appliances. Source: sources.continuity.
 */
export function gasWithOn(answer: GasAnswer, on: ReadonlySet<string>): GasAnswer {
  const sized = answer.pipes.map(({ pipe, appliance }) => ({
    ...pipe,
    load_W: appliance && on.has(appliance.id) ? pipe.load_W : 0,
  }))
  const states = new Map(
    solveStages(sized, { ...answer.supply, shareRatio: 1 }).map((state) => [state.id, state]),
  )
  const pipes = answer.pipes.map((pipe) => ({ ...pipe, ...(states.get(pipe.id) ?? {}) }))
  const total_W = sized.reduce((sum, pipe) => sum + pipe.load_W, 0)
  return {
    ...answer,
    pipes,
    total_W,
    total_m3_s: total_W / answer.gas.grossHeat_J_m3,
    index: pipes.find((pipe) => pipe.id === answer.index.id) ?? answer.index,
  }
}

/**
 * What is lost from lock-up to the meter's outlet, the regulator's and the meter's part told apart,
 * Pa; undefined while the meter's is not known, or is more than all of it. Source:
 * sources.arithmetic.
 */
export function lockUpShares({
  survey,
  gas,
}: Pick<JobDocument, 'survey' | 'gas'>):
  { readonly regulator_Pa: number; readonly meter_Pa: number } | undefined {
  const { gasStaticGauge_Pa: lock, gasWorkingGauge_Pa: working } = survey
  if (!lock || !working || !gas.meterDrop_Pa) return undefined
  const regulator_Pa = lock.value - working.value - gas.meterDrop_Pa.value
  return regulator_Pa < 0 ? undefined : { regulator_Pa, meter_Pa: gas.meterDrop_Pa.value }
}
