import { balancing } from './balancing/sequence'
import { boilerStart } from './boiler-start/sequence'
import { burnerPart } from './burner-part/sequence'
import { controls } from './controls/sequence'
import { drainPart } from './drain-part/sequence'
import { electricHeater } from './electric-heater/sequence'
import { exchangeParts } from './exchange/sequence'
import { firstHeat } from './first-heat/sequence'
import { gasCapped } from './gas-capped/sequence'
import { gasCut } from './gas-cut/sequence'
import { gasHeater } from './gas-heater/sequence'
import { heatingFill } from './heating/sequence'
import { instantaneous } from './instantaneous/sequence'
import { limits } from './limits/sequence'
import { secondLook } from './second-look/sequence'
import type { SequenceSpec } from './step'
import { storeFill } from './store/sequence'

/** The trade's sequences, in the order of work: the one list of them. */
export const sequenceKinds: readonly SequenceSpec[] = [
  drainPart,
  gasCut,
  exchangeParts,
  burnerPart,
  gasCapped,
  heatingFill,
  storeFill,
  gasHeater,
  instantaneous,
  electricHeater,
  boilerStart,
  limits,
  firstHeat,
  controls,
  balancing,
  secondLook,
]
