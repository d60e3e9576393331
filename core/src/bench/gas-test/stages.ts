import { fitted } from '../../job/asked'
import { burnsGas } from '../../job/fields'
import type { JobDocument } from '../../job/document'
import { isElevated } from '../../methods/gas/stages'
import { pipeVolume_m3 } from '../../methods/materials/pipes'
import { meterNode } from '../../methods/network/tree'
import type { Practice } from '../../practice/practice'
import type { GasAnswer, GasPipeAnswer } from '../../sheets/gas/answer'
import type { StageUnderTest } from './spec'

/** The stages of a gas supply as they are tested, the meter's first: each at its own pressure. */
export function stagesUnderTest(
  document: JobDocument,
  gas: Pick<GasAnswer, 'pipes' | 'supply'>,
): readonly StageUnderTest[] {
  const burners = fitted(document.appliances).filter(({ kind }) => burnsGas(kind))
  const roots = [...new Set(gas.pipes.map(({ root }) => root))]
  const ordered = [meterNode, ...roots.filter((root) => root !== meterNode)]
  return ordered.map((root): StageUnderTest => {
    const pipes = gas.pipes.filter((pipe) => pipe.root === root)
    const workingGauge_Pa = pipes[0]?.conditions.meterGauge_Pa ?? gas.supply.meterGauge_Pa
    const isFirst = root === meterNode
    return {
      root,
      name: ordered.length === 1 ? '' : stageName(document, root),
      isFirst,
      isElevated: isElevated(workingGauge_Pa),
      workingGauge_Pa,
      pipes,
      // With one stage whatever burns gas is in it, joined on file or not yet.
      burners:
        ordered.length === 1
          ? burners
          : burners.filter(({ id }) => pipes.some(({ appliance }) => appliance?.id === id)),
    }
  })
}

const stageName = ({ gas }: JobDocument, root: string): string =>
  root === meterNode
    ? 'first stage'
    : `after the regulator of ${gas.segments.find(({ id }) => id === root)?.name ?? root}`

/** What pipes hold, m³. */
export const volumeOf_m3 = (pipes: readonly GasPipeAnswer[]): number =>
  pipes.reduce((sum, { pipe }) => sum + pipeVolume_m3(pipe.size.bore_m, pipe.length_m), 0)

/**
 * What meter and regulator add to the volume under test, m³; containers have no meter. Source: the
 * practice's.
 */
export const meterVolume_m3 = ({ gas, survey }: JobDocument, practice: Practice): number =>
  gas.meterVolume_m3?.value ?? (survey.fuel === 'propane' ? 0 : practice.tightness.meter_m3)
