import type { JobDocument } from '../../job/document'
import type { Practice } from '../../practice/practice'
import type { GasAnswer } from '../../sheets/gas/answer'
import { gasExisting } from '../gas-existing/kind'
import { gasStrength } from '../gas-strength/kind'
import { gasTightness } from '../gas-tightness/kind'
import type { GasTest, GasTestKind } from './spec'
import { stagesUnderTest } from './stages'

/** The pressure tests of gas pipe, in the order they are made: the one list of them. */
export const gasTestKinds: readonly GasTestKind[] = [gasStrength, gasTightness, gasExisting]

/** Every test of this gas supply, stage by stage; asked for or offered. */
export const gasTestsOf = (
  document: JobDocument,
  practice: Practice,
  gas: Pick<GasAnswer, 'pipes' | 'supply' | 'conditions'>,
): readonly GasTest[] => {
  const stages = stagesUnderTest(document, gas)
  const { atmosphere_Pa } = gas.conditions
  return gasTestKinds.flatMap((kind) => kind.testsOf({ document, practice, stages, atmosphere_Pa }))
}
