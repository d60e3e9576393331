import type { Carried, MaterialName } from '../methods/materials/pipes'
import { materialsFor } from '../methods/materials/pipes'
import type { Practice } from './practice'

/** Materials for a circuit that are sold under a practice, and the one that lies there already. */
export const materialsOffered = (
  { sold }: Practice,
  carried: Carried,
  current?: MaterialName,
): readonly MaterialName[] =>
  materialsFor(carried).filter((name) => sold.includes(name) || name === current)

/** Nominal sizes of valves as North America names them. */
const inches: Readonly<Record<string, string>> = {
  DN15: '1/2 in',
  DN20: '3/4 in',
  DN25: '1 in',
  DN32: '1-1/4 in',
  DN40: '1-1/2 in',
  DN50: '2 in',
}

/**
 * The name of a valve's size or outlet as it is sold under a practice: `G3/4` is 3/4 in NPT in
 * North America.
 */
export function sizeAsSold({ sizesIn }: Practice, name: string): string {
  if (sizesIn === 'millimetres') return name
  return inches[name] ?? (name.startsWith('G') ? `${name.slice(1)} in NPT` : name)
}
