import { burnerPressure } from './burnerPressure'
import { combustionHigh, combustionLow } from './combustion'
import { gasPressure } from './gasPressure'
import { gasRate } from './gasRate'
import type { RunningKind } from './spec'
import { waterFlow } from './waterFlow'

/** What is read with the plant running, in the order it is done: the one list of it. */
export const runningKinds: readonly RunningKind[] = [
  gasPressure,
  burnerPressure,
  gasRate,
  combustionHigh,
  combustionLow,
  waterFlow,
]
