import { expectAbove0, expectNotNegative } from '../../answer/expect'

/** A length of hot pipe: what it loses to its surroundings, and how warm they are. */
export interface CoolingPipe {
  readonly length_m: number
  /** W/(m K). */
  readonly coefficient_W_mK: number
  readonly airTemp_K: number
}

/**
 * Temperature after a run of pipes, K, of `flow_kg_s` that enters at `startTemp_K`: each cools
 * towards its surroundings exponentially. Flow above 0, else RangeError. Source: heat balance of a
 * pipe in surroundings of constant temperature, published equation.
 */
export function cooledTo_K(
  startTemp_K: number,
  flow_kg_s: number,
  specificHeat_J_kgK: number,
  pipes: readonly CoolingPipe[],
): number {
  expectAbove0({ flow_kg_s, specificHeat_J_kgK })
  return pipes.reduce(
    (temp_K, { length_m, coefficient_W_mK, airTemp_K }) =>
      airTemp_K +
      (temp_K - airTemp_K) *
        Math.exp((-coefficient_W_mK * length_m) / (flow_kg_s * specificHeat_J_kgK)),
    startTemp_K,
  )
}

/**
 * Flow that lets water cool by `drop_K` on its way round, kg/s; undefined where it would have to
 * get colder than its surroundings. Found by halving: more flow cools less. Drop above 0, else
 * RangeError. Source: {@link cooledTo_K}.
 */
export function flowForDrop_kg_s(
  startTemp_K: number,
  drop_K: number,
  specificHeat_J_kgK: number,
  pipes: readonly CoolingPipe[],
): number | undefined {
  expectAbove0({ drop_K })
  const wanted_K = startTemp_K - drop_K
  let [least, most] = [1e-9, 1e3]
  if (cooledTo_K(startTemp_K, least, specificHeat_J_kgK, pipes) >= wanted_K) return undefined
  for (let i = 0; i < 200; i++) {
    const middle = Math.sqrt(least * most)
    if (cooledTo_K(startTemp_K, middle, specificHeat_J_kgK, pipes) < wanted_K) least = middle
    else most = middle
  }
  return Math.sqrt(least * most)
}

/**
 * The same with all pipes taken at the temperature they are fed at, kg/s: always the greater. Drop
 * above 0, else RangeError.
 */
export function simpleFlowForDrop_kg_s(
  startTemp_K: number,
  drop_K: number,
  specificHeat_J_kgK: number,
  pipes: readonly CoolingPipe[],
): number {
  expectAbove0({ drop_K, specificHeat_J_kgK })
  const loss_W = pipes.reduce(
    (sum, { length_m, coefficient_W_mK, airTemp_K }) =>
      sum + coefficient_W_mK * length_m * (startTemp_K - airTemp_K),
    0,
  )
  return loss_W / (specificHeat_J_kgK * drop_K)
}

/**
 * A pipe with its wall and lagging, m and W/(m K); a layer whose conductivity is not given is left
 * out.
 */
export interface LayeredPipe {
  readonly bore_m: number
  readonly outside_m: number
  readonly wall_W_mK?: number
  readonly lagging_m?: number
  readonly lagging_W_mK?: number
  /** Of the surface, and of the water film inside, W/(m² K). */
  readonly surface_W_m2K: number
  readonly film_W_m2K?: number
}

/**
 * What a metre of pipe loses for each kelvin, W/(m K), by its layers. Thin lagging on a small pipe
 * can raise it: that is no error. Diameters and surface above 0, else RangeError. Source: EN ISO
 * 12241:2022 form, cylindrical layers.
 */
export function layeredLoss_W_mK(pipe: LayeredPipe): number {
  const { bore_m, outside_m, wall_W_mK, lagging_m = 0, lagging_W_mK, surface_W_m2K } = pipe
  expectAbove0({ bore_m, outside_m, surface_W_m2K })
  expectNotNegative({ lagging_m })
  const over_m = outside_m + 2 * lagging_m
  const layer = (from_m: number, to_m: number, conductivity: number | undefined) =>
    conductivity === undefined ? 0 : Math.log(to_m / from_m) / (2 * Math.PI * conductivity)
  const film = pipe.film_W_m2K === undefined ? 0 : 1 / (Math.PI * bore_m * pipe.film_W_m2K)
  return (
    1 /
    (film +
      layer(bore_m, outside_m, wall_W_mK) +
      layer(outside_m, over_m, lagging_W_mK) +
      1 / (Math.PI * over_m * surface_W_m2K))
  )
}
