import type { Branch } from '../network/tree'
import { chooseTree } from '../network/chooseTree'
import type { GasConditions, SizedPipe } from './network'
import { allowedLoss, branchFlows, pipeLoss } from './network'
import type { PipeSize } from '../materials/pipes'
import { materials } from '../materials/pipes'

/** A pipe whose size may be fixed (existing, or chosen by hand) or free. */
export interface PipeToSize extends Omit<SizedPipe, 'size'> {
  readonly fixed?: PipeSize
  /** Greatest drop from the meter to its far end; undefined where nothing is fed. */
  readonly dropAllowed_Pa?: number
  /** A second verdict, such as a table or a speed, may ask for more than the drop does. */
  readonly leastBore_m?: number
}

/** What a pipe of a size costs; metal, taken as bore times length, where no prices are given. */
export type Price = (
  pipe: Pick<PipeToSize, 'id' | 'material' | 'length_m'>,
  size: PipeSize,
) => number
/** Bore times length, m²: what is compared where nobody has prices. */
export const metal: Price = (pipe, size) => size.bore_m * Math.max(pipe.length_m, 0.1)

/**
 * Sizes for the free pipes of a gas tree: the cheapest such that every appliance keeps its pressure
 * with all burning and no branch is larger than its feeder. Exact, by {@link chooseTree}. Undefined
 * when even the largest catalogue sizes do not do. Drops by {@link pipeLoss}, additive along a
 * path; flows from the loads unless they are given. Source: docs/size-choice.md.
 */
export function chooseSizes(
  pipes: readonly PipeToSize[],
  conditions: GasConditions,
  price: Price = metal,
  flows: ReadonlyMap<string, number> = branchFlows(pipes, conditions.gas),
): ReadonlyMap<string, PipeSize> | undefined {
  const sizes = new Map(pipes.map((pipe) => [pipe.id, catalogueOf(pipe)]))
  const picks = chooseTree(
    pipes.map((pipe) => ({
      id: pipe.id,
      from: pipe.from,
      fixed: pipe.fixed !== undefined,
      ...(pipe.dropAllowed_Pa === undefined
        ? {}
        : { allowed: allowedLoss(pipe.dropAllowed_Pa, conditions) }),
      offers: (sizes.get(pipe.id) ?? []).map((size) => ({
        bore_m: size.bore_m,
        cost: pipe.fixed ? 0 : price(pipe, size),
        drop: pipeLoss(pipe, size, flows.get(pipe.id) ?? 0, conditions),
      })),
    })),
  )
  return (
    picks &&
    new Map(
      [...picks].flatMap(([id, at]): [string, PipeSize][] => {
        const size = sizes.get(id)?.[at]
        return size ? [[id, size]] : []
      }),
    )
  )
}

function catalogueOf(pipe: PipeToSize): readonly PipeSize[] {
  const free: readonly PipeSize[] = materials[pipe.material].sizes
  const catalogue = pipe.fixed
    ? [pipe.fixed]
    : free.filter((size) => size.bore_m >= (pipe.leastBore_m ?? 0) * (1 - 1e-9))
  return [...catalogue].sort((a, b) => a.bore_m - b.bore_m)
}

/** What a sized tree costs, the figure that {@link chooseSizes} makes least. */
export const treeCost = (
  pipes: readonly (Branch &
    Pick<PipeToSize, 'material' | 'length_m'> & { readonly size: PipeSize })[],
  price: Price = metal,
): number => pipes.reduce((sum, pipe) => sum + price(pipe, pipe.size), 0)
