import { airInstead } from './airInstead'
import { burnerPressure } from './burnerPressure'
import { combustionHigh, combustionLow } from './combustion'
import { disinfection } from './disinfection'
import { flushing } from './flushing'
import { gasPressure } from './gasPressure'
import { gasRate } from './gasRate'
import { hydrostatic } from './hydrostatic'
import { letBy } from './letBy'
import type { HandTest } from './spec'
import { purge } from './purge'
import { spillage } from './spillage'
import { tapTemperature } from './tapTemperature'
import { waterFlow } from './waterFlow'
import { waterTestMetal, waterTestPlastic } from './waterTest'

/** What is tested with a gauge and a clock in hand, in the order it is done: the one list of it. */
export const handTests: readonly HandTest[] = [
  waterTestMetal,
  waterTestPlastic,
  airInstead,
  hydrostatic,
  flushing,
  disinfection,
  letBy,
  purge,
  gasPressure,
  burnerPressure,
  gasRate,
  combustionHigh,
  combustionLow,
  spillage,
  waterFlow,
  tapTemperature,
]
