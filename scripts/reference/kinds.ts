import type { Kind } from './inputs'
import { combustion } from './combustion'
import { dischargeFlow } from './dischargeFlow'
import { expansion } from './expansion'
import { gasPipe } from './gasPipe'
import { gasRate } from './gasRate'
import { hotWater } from './hotWater'
import { hygiene } from './hygiene'
import { pressureTest } from './pressureTest'
import { relief } from './relief'
import { water } from './water'
import { waterPipe } from './waterPipe'

/** What maps a case to core, by what the case calls its calculation. */
export const kinds: Readonly<Record<string, Kind>> = {
  ...water,
  ...expansion,
  ...relief,
  ...gasPipe,
  ...waterPipe,
  ...gasRate,
  ...pressureTest,
  ...hotWater,
  ...combustion,
  ...hygiene,
  ...dischargeFlow,
}
