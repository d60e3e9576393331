import { leakRate_m3_s } from '../../methods/test/trappedGas'
import { nothingButPipe } from '../gas-test/preparations'
import type { AtGas, GasTest, GasTestKind, StageUnderTest } from '../gas-test/spec'
import { gasTestId, gasTestName, isNew } from '../gas-test/spec'
import { volumeOf_m3 } from '../gas-test/stages'

const id = 'strength'

function testOf(
  { document, practice, atmosphere_Pa }: AtGas,
  stage: StageUnderTest,
): GasTest | undefined {
  const rule = practice.tightness.strength
  const pipes = stage.pipes.filter(isNew)
  if (!rule || pipes.length === 0) return undefined
  const testGauge_Pa = Math.max(rule.least_Pa, rule.factor * stage.workingGauge_Pa)
  const volume_m3 = volumeOf_m3(pipes)
  const fall_Pa = Math.max(rule.fallRatio * testGauge_Pa, rule.perceptible_Pa)
  return {
    id: gasTestId(id, stage),
    kind: id,
    name: gasTestName('Strength with air', stage),
    why: 'New pipe stands more than it will ever carry. It says nothing of small leaks: the tightness test follows.',
    asked: false,
    after: [],
    plan: {
      testGauge_Pa,
      stabilise_s: rule.stabilise_s,
      test_s: rule.test_s,
      volume_m3,
      atmosphere_Pa,
      perceptible_Pa: fall_Pa,
      permittedLeak_m3_s: leakRate_m3_s({
        volume_m3,
        fall_Pa,
        duration_s: rule.test_s,
        atmosphere_Pa,
      }),
      permittedLeakSource: rule.source,
      methodSource: rule.source,
    },
    preparations: nothingButPipe(document, stage),
    confirms: [
      {
        id: 'people-out',
        says: 'Nobody stands by the pipe while it is pumped: air under pressure stores what water does not',
      },
    ],
    pipes: pipes.map(({ segment }) => segment.id),
  }
}

/**
 * New pipe with air, above what it carries, with nothing on it but caps. Source: the practice's.
 */
export const gasStrength: GasTestKind = {
  id,
  testsOf: (at) => at.stages.flatMap((stage) => testOf(at, stage) ?? []),
}
