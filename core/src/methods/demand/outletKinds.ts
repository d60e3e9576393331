export const outletKinds = [
  'shower',
  'bath',
  'washbasin',
  'kitchen-sink',
  'garden-tap',
  'wc',
  'washing-machine',
  'dishwasher',
] as const
export type OutletKind = (typeof outletKinds)[number]

/**
 * What only ever draws cold: it loads the main and no heater. Machines heat their own water; common
 * practice, no source.
 */
const cold: readonly OutletKind[] = ['garden-tap', 'wc', 'washing-machine', 'dishwasher']
export const drawsHot = (kind: OutletKind): boolean => !cold.includes(kind)
