import { naTestDuration_s } from '../../methods/test/trappedGas'
import type { Practice } from '../../practice/practice'
import { preparationsOf } from '../gas-test/preparations'
import type { AtGas, GasTest, GasTestKind, StageUnderTest } from '../gas-test/spec'
import { gasTestId, gasTestName, isNew } from '../gas-test/spec'
import { meterVolume_m3, volumeOf_m3 } from '../gas-test/stages'
import { testGauge_Pa } from './plan'

const id = 'tightness'

/**
 * The rule of the practice for the gas and the pressure of a stage. Propane lies low and burns from
 * less: never more of it may leak.
 */
function ruleFor(
  { document: { survey }, practice: { tightness } }: AtGas,
  { isElevated }: StageUnderTest,
) {
  const { source, ...propane } = tightness.propane
  const forPropane = { ...propane, source, permittedLeakSource: source }
  if (!isElevated) return survey.fuel === 'propane' ? forPropane : tightness
  const { elevated } = tightness
  return {
    ...elevated,
    permittedLeak_m3_s:
      survey.fuel === 'propane'
        ? Math.min(elevated.permittedLeak_m3_s, propane.permittedLeak_m3_s)
        : elevated.permittedLeak_m3_s,
    permittedLeakSource: elevated.source,
  }
}

/** Whether old pipe is tested by itself, with what hangs on it: then new pipe is tested alone. */
export const testsExisting = (
  { document, practice }: Pick<AtGas, 'document' | 'practice'>,
  { isElevated, pipes }: StageUnderTest,
): boolean =>
  practice.tightness.existing !== undefined &&
  document.survey.fuel === 'natural-gas' &&
  !isElevated &&
  pipes.some((pipe) => !isNew(pipe))

const test_s = (
  rule: { readonly pressure: Practice['tightness']['pressure']; readonly test_s: number },
  volume_m3: number,
): number =>
  rule.pressure.kind === 'north-american'
    ? // Whether it is a dwelling is not on file: the longer of the two times, by volume alone.
      naTestDuration_s({ volume_m3, dwelling: false })
    : rule.test_s

function testOf(at: AtGas, stage: StageUnderTest): GasTest | undefined {
  const { document, practice, stages, atmosphere_Pa } = at
  const alone = testsExisting(at, stage)
  const pipes = alone ? stage.pipes.filter(isNew) : stage.pipes
  if (alone && pipes.length === 0) return undefined
  const rule = ruleFor(at, stage)
  const gauge_Pa = testGauge_Pa(rule.pressure, stage.workingGauge_Pa)
  const volume_m3 =
    volumeOf_m3(pipes) + (stage.isFirst && !alone ? meterVolume_m3(document, practice) : 0)
  return {
    id: gasTestId(id, stage),
    kind: id,
    name: gasTestName(alone ? 'Tightness of the new pipe alone' : 'Tightness', stage),
    why: alone
      ? 'New pipe shows no movement by itself before it is joined to pipe that was here.'
      : 'No movement: the pipe holds what was pumped in.',
    asked: true,
    after: [],
    plan: {
      testGauge_Pa: gauge_Pa,
      stabilise_s: rule.stabilise_s,
      test_s: test_s(rule, volume_m3),
      volume_m3,
      atmosphere_Pa,
      perceptible_Pa: rule.perceptible_Pa,
      permittedLeak_m3_s: rule.permittedLeak_m3_s,
      permittedLeakSource: rule.permittedLeakSource,
      methodSource: rule.source,
    },
    preparations: preparationsOf(document, stage, gauge_Pa),
    confirms: [],
    pipes: stages.length === 1 && !alone ? 'all' : pipes.map(({ segment }) => segment.id),
  }
}

/**
 * No movement of new pipe, stage by stage: what the gas is turned on behind. Source: the
 * practice's.
 */
export const gasTightness: GasTestKind = {
  id,
  testsOf: (at) => at.stages.flatMap((stage) => testOf(at, stage) ?? []),
}
