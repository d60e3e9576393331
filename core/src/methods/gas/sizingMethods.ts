import { tableFlow_m3_s } from './bs6891'
import type { Price } from './chooseSizes'
import { metal } from './chooseSizes'
import type { GasConditions, SizedPipe } from './network'
import { branchFlows, pipeDrop_Pa, pipeLength_m } from './network'
import type { PipeSize } from '../materials/pipes'
import { materials } from '../materials/pipes'
import { inOrder, meterNode, sumAlong } from '../network/tree'

export const sizingMethods = ['longest-length', 'branch', 'pipe-by-pipe'] as const
export type SizingMethod = (typeof sizingMethods)[number]

export interface MethodSizes {
  readonly method: SizingMethod
  /** Size by pipe; undefined where even the largest of the catalogue does not do. */
  readonly sizes: ReadonlyMap<string, PipeSize | undefined>
  /** Length each pipe was sized on, m. */
  readonly lengths_m: ReadonlyMap<string, number>
  /** What all of it costs; undefined where a size is missing. */
  readonly cost: number | undefined
}

/**
 * The sizes of a tree by the longest-length and the branch method beside those it has. Longest
 * length: every pipe carries its flow over the longest way to any appliance within the whole
 * allowance. Branch: over the longest way to an appliance beyond that pipe. Lengths with fittings
 * in the sizes the tree has. Where the British table is asked it must carry the flow too. Sources:
 * sources.nfpa54Low, sources.bs6891, sources.colebrook.
 */
export function sizesByMethods(
  pipes: readonly SizedPipe[],
  conditions: GasConditions,
  {
    allowance_Pa,
    byTable,
    price = metal,
  }: { readonly allowance_Pa: number; readonly byTable: boolean; readonly price?: Price },
): readonly MethodSizes[] {
  const { ordered } = inOrder(pipes)
  const flows = branchFlows(pipes, conditions.gas)
  const along = sumAlong(ordered, (pipe) => pipeLength_m(pipe, pipe.size, conditions.method))
  const farthest = new Map<string, number>()
  for (const pipe of [...ordered].reverse()) {
    const own_m = pipe.load_W > 0 ? (along.get(pipe.id) ?? 0) : 0
    const here_m = Math.max(own_m, farthest.get(pipe.id) ?? 0)
    farthest.set(pipe.id, here_m)
    if (pipe.from !== meterNode)
      farthest.set(pipe.from, Math.max(here_m, farthest.get(pipe.from) ?? 0))
  }
  const longest_m = Math.max(0, ...farthest.values())
  const sizeFor = (pipe: SizedPipe, length_m: number): PipeSize | undefined => {
    const flow_m3_s = flows.get(pipe.id) ?? 0
    const sizes: readonly PipeSize[] = materials[pipe.material].sizes
    return sizes.find(
      (size) =>
        pipeDrop_Pa(
          { length_m, elbows: 0, branchTees: 0, material: pipe.material },
          size,
          flow_m3_s,
          conditions,
        ) <=
          allowance_Pa * (1 + 1e-9) &&
        (!byTable ||
          size.outsideDiameter_m === undefined ||
          flow_m3_s <=
            (tableFlow_m3_s({ outsideDiameter_m: size.outsideDiameter_m, length_m }) ?? Infinity)),
    )
  }
  const costOf = (sizes: ReadonlyMap<string, PipeSize | undefined>) =>
    ordered.reduce<number | undefined>((sum, pipe) => {
      const size = sizes.get(pipe.id)
      return sum === undefined || !size ? undefined : sum + price(pipe, size)
    }, 0)
  const by = (
    method: SizingMethod,
    lengthOf: (pipe: SizedPipe) => number,
    sizeOf: (pipe: SizedPipe, length_m: number) => PipeSize | undefined,
  ): MethodSizes => {
    const lengths_m = new Map(ordered.map((pipe) => [pipe.id, lengthOf(pipe)]))
    const sizes = new Map(
      ordered.map((pipe) => [pipe.id, sizeOf(pipe, lengths_m.get(pipe.id) ?? 0)]),
    )
    return { method, sizes, lengths_m, cost: costOf(sizes) }
  }
  return [
    by('longest-length', () => longest_m, sizeFor),
    by('branch', (pipe) => farthest.get(pipe.id) ?? 0, sizeFor),
    by(
      'pipe-by-pipe',
      (pipe) => pipeLength_m(pipe, pipe.size, conditions.method),
      (pipe) => pipe.size,
    ),
  ]
}
