import type { SizedPipe } from '../../methods/gas/network'
import { stagesOf } from '../../methods/gas/stages'
import type { GasAnswer } from './answer'

/**
 * The pipes of the stage that the index appliance is on, as a tree of its own, each with all that
 * burns beyond it through a regulator.
 */
export function indexStage({ pipes, index, gas, supply }: GasAnswer): {
  readonly pipes: readonly SizedPipe[]
  readonly staged: boolean
} {
  const stages = stagesOf(
    pipes.map((pipe) =>
      pipe.pipe.regulator
        ? { ...pipe.pipe, load_W: pipe.flow_m3_s * gas.grossHeat_J_m3 }
        : pipe.pipe,
    ),
    supply,
  )
  return {
    pipes: stages.find((stage) => stage.root === index.root)?.pipes ?? [],
    staged: stages.length > 1,
  }
}
