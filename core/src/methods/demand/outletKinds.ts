export const outletKinds = ['shower', 'bath', 'washbasin', 'kitchen-sink', 'garden-tap'] as const
export type OutletKind = (typeof outletKinds)[number]
