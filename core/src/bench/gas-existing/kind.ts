import { permittedFall_Pa } from '../../methods/test/testRules'
import { leakRate_m3_s } from '../../methods/test/trappedGas'
import { leftOn } from '../gas-test/preparations'
import type { AtGas, GasTest, GasTestKind, StageUnderTest } from '../gas-test/spec'
import { gasTestId, gasTestName, isNew } from '../gas-test/spec'
import { meterVolume_m3, volumeOf_m3 } from '../gas-test/stages'
import { gasTightness, testsExisting } from '../gas-tightness/kind'

const id = 'existing'

/**
 * Fall that this pipe may show with its appliances on, Pa; undefined where the meter is not named
 * or a pipe is wider than the table.
 */
const allowed_Pa = ({ document: { gas } }: AtGas, { pipes }: StageUnderTest): number | undefined =>
  gas.meterKind === null
    ? undefined
    : permittedFall_Pa(
        gas.meterKind,
        // Steel goes by its bore: the table ends at 28 mm copper, or 1 in steel.
        Math.max(...pipes.map(({ pipe: { size } }) => size.outsideDiameter_m ?? size.bore_m)),
      )

function testOf(at: AtGas, stage: StageUnderTest): GasTest | undefined {
  const { document, practice, atmosphere_Pa } = at
  const rule = practice.tightness.existing
  if (!rule || !testsExisting(at, stage)) return undefined
  const volume_m3 = volumeOf_m3(stage.pipes) + meterVolume_m3(document, practice)
  const { perceptible_Pa } = practice.tightness
  const fall_Pa = allowed_Pa(at, stage) ?? perceptible_Pa
  const carried = fall_Pa > perceptible_Pa
  return {
    id: gasTestId(id, stage),
    kind: id,
    name: gasTestName('Pipe that was here, with meter and appliances', stage),
    why: carried
      ? 'What is in use may show this fall and no smell of gas.'
      : 'No fall is allowed here: the meter is not named on the gas page, or a pipe is wider than 28 mm.',
    asked: true,
    after: stage.pipes.some(isNew) ? [gasTestId(gasTightness.id, stage)] : [],
    plan: {
      testGauge_Pa: rule.gauge_Pa,
      stabilise_s: rule.stabilise_s,
      test_s: rule.test_s,
      volume_m3,
      atmosphere_Pa,
      perceptible_Pa: fall_Pa,
      permittedLeak_m3_s: carried
        ? leakRate_m3_s({ volume_m3, fall_Pa, duration_s: rule.test_s, atmosphere_Pa })
        : practice.tightness.permittedLeak_m3_s,
      permittedLeakSource: rule.source,
      methodSource: rule.source,
    },
    preparations: leftOn(document, stage, rule.gauge_Pa),
    confirms: [
      { id: 'no-smell', says: 'No smell of gas anywhere: with one this test is not made at all' },
      {
        id: 'connected',
        says: 'Appliances are connected and their valves open; burners, pilots and cookers are off',
      },
    ],
    pipes: stage.pipes.map(({ segment }) => segment.id),
  }
}

/**
 * Pipe that was here before, connected as it is used, with the fall its meter is permitted. Source:
 * the practice's.
 */
export const gasExisting: GasTestKind = {
  id,
  testsOf: (at) => at.stages.flatMap((stage) => testOf(at, stage) ?? []),
}
