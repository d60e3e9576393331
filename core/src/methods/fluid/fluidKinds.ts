export const fluidKinds = ['water', 'ethylene-glycol', 'propylene-glycol'] as const
export type FluidKind = (typeof fluidKinds)[number]
