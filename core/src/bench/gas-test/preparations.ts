import type { JobDocument } from '../../job/document'
import type { Known } from '../../job/known'
import type { Preparation, StageUnderTest } from './spec'

interface Part {
  readonly id: string
  readonly name: string
  readonly limit: Known
}

function preparationOf({ id, name, limit }: Part, testGauge_Pa: number): Preparation {
  if (limit === null) return { id, name, action: 'disconnect-and-cap', because: 'limit-unknown' }
  if (limit.value < testGauge_Pa * (1 - 1e-6))
    return {
      id,
      name,
      action: 'disconnect-and-cap',
      because: 'limit-below-test',
      limitGauge_Pa: limit.value,
    }
  return { id, name, action: 'shut', because: 'boundary' }
}

/**
 * What stands where the pipe of a stage begins: the meter, the containers, or the regulator it
 * hangs on.
 */
function headOf({ gas, survey }: JobDocument, { root, isFirst }: StageUnderTest): Part {
  if (!isFirst)
    return regulatorAt(gas.segments.find(({ id }) => id === root) ?? { id: root, name: root })
  return {
    id: 'meter',
    name: survey.fuel === 'propane' ? 'Containers and their regulator' : 'Gas meter and regulator',
    limit: gas.meterMaxTestGauge_Pa,
  }
}

/** Nobody asks what a line regulator stands under test: it is taken off. */
const regulatorAt = ({ id, name }: { readonly id: string; readonly name: string }): Part => ({
  id: `regulator.${id}`,
  name: `Regulator of ${name}`,
  limit: null,
})

const partsOf = (document: JobDocument, stage: StageUnderTest): readonly Part[] => [
  headOf(document, stage),
  ...stage.pipes.flatMap(({ segment }) => (segment.regulator ? [regulatorAt(segment)] : [])),
  ...stage.burners.map(({ id, name, maxTestGauge_Pa }) => ({ id, name, limit: maxTestGauge_Pa })),
]

/**
 * Everything at the ends of a stage: disconnected and capped where it is rated below the test
 * pressure or nobody knows, else shut.
 */
export const preparationsOf = (
  document: JobDocument,
  stage: StageUnderTest,
  testGauge_Pa: number,
): readonly Preparation[] =>
  partsOf(document, stage).map((part) => preparationOf(part, testGauge_Pa))

/** For a strength test nothing but pipe stays on, whatever it is rated for. */
export const nothingButPipe = (
  document: JobDocument,
  stage: StageUnderTest,
): readonly Preparation[] =>
  partsOf(document, stage).map(({ id, name }) => ({
    id,
    name,
    action: 'disconnect-and-cap',
    because: 'strength',
  }))

/**
 * Pipe that is in use, at its own pressure: what hangs on it stays on, but for what is known to
 * stand less.
 */
export const leftOn = (
  document: JobDocument,
  stage: StageUnderTest,
  testGauge_Pa: number,
): readonly Preparation[] => {
  const [head, ...ends] = partsOf(document, stage)
  return [
    ...(head
      ? [{ id: head.id, name: head.name, action: 'shut', because: 'boundary' } as const]
      : []),
    ...ends
      .filter(({ limit }) => limit !== null)
      .map((part) => preparationOf(part, testGauge_Pa))
      .filter(({ action }) => action === 'disconnect-and-cap'),
  ]
}
