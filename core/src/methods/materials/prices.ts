import type { MaterialName, PipeSize } from './pipes'

/** A price for a metre of a size, in whatever money the firm reckons in. */
export interface PipePrice {
  readonly material: MaterialName
  readonly size: string
  readonly perMetre: number
}

/**
 * What a metre costs more or less, by bore in mm: a base and what each square millimetre of bore
 * adds. Assumed: invented to begin with.
 */
const generic: Readonly<Record<MaterialName, readonly [number, number]>> = {
  'steel-schedule-40': [6, 0.022],
  'copper-type-k': [4, 0.05],
  'copper-type-l': [3.5, 0.043],
  'copper-en1057': [3, 0.036],
  'copper-as1432': [3, 0.036],
  'stainless-corrugated': [7, 0.05],
  'polyethylene-sdr11': [1.5, 0.004],
  multilayer: [2.2, 0.014],
  'pex-s5': [1.4, 0.01],
  'pex-sdr9': [1.4, 0.01],
}

/**
 * Generic price of a metre of a size, where the firm has given none. Bore above 0. Source:
 * sources.genericPrice.
 */
export function genericPrice(material: MaterialName, bore_m: number): number {
  const [base, perSquare] = generic[material]
  return Math.round((base + perSquare * (bore_m * 1000) ** 2) * 20) / 20
}

/**
 * What a metre of a size costs: the firm's own price, or the generic one. Source:
 * sources.genericPrice.
 */
export const pricePerMetre = (
  prices: readonly PipePrice[],
  material: MaterialName,
  size: PipeSize,
): number =>
  prices.find((price) => price.material === material && price.size === size.name)?.perMetre ??
  genericPrice(material, size.bore_m)

/** Prices by material and size at hand: for a choice that asks many times. */
export function priceList(
  prices: readonly PipePrice[],
): (
  pipe: { readonly material: MaterialName; readonly length_m: number },
  size: PipeSize,
) => number {
  const own = new Map(prices.map((price) => [`${price.material}/${price.size}`, price.perMetre]))
  // A pipe of no length yet still takes the smaller size where either does.
  return ({ material, length_m }, size) =>
    (own.get(`${material}/${size.name}`) ?? genericPrice(material, size.bore_m)) *
    Math.max(length_m, 0.1)
}
