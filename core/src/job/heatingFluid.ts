import type { HeatingFluid } from '../methods/fluid/glycol'
import type { Heating } from './pressureDocument'

/**
 * What runs in a heating circuit, as its document says; glycol whose share nobody has measured
 * counts as water.
 */
export const heatingFluidOf = ({ fluid }: Heating): HeatingFluid => ({
  kind: fluid.kind,
  massFraction: fluid.kind === 'water' ? 0 : (fluid.massFraction?.value ?? 0),
})
