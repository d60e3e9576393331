import type { JobDocument } from '../../job/document'
import { burnsGas } from '../../job/fields'
import type { Practice } from '../../practice/practices'
import type { TightnessDesign } from './plan'
import { testFindings, tightnessDesign } from './plan'
import type { GasAnswer } from '../../sheets/gas/answer'
import type { Sheet } from '../../answer/sheet'
import { fitted } from '../../job/asked'

export function tightnessSheet(
  document: JobDocument,
  practice: Practice,
  gas: Sheet<GasAnswer>,
): Sheet<TightnessDesign> {
  if (!gas.applies) return { applies: false, because: gas.because }
  const burners = fitted(document.appliances).filter((appliance) => burnsGas(appliance.kind))
  const supply = gas.answer && {
    volume_m3: gas.answer.volume_m3,
    workingGauge_Pa: gas.answer.supply.meterGauge_Pa,
    atmosphere_Pa: gas.answer.conditions.atmosphere_Pa,
  }
  return {
    applies: true,
    answer: supply && tightnessDesign(document, practice, supply),
    missing: gas.answer
      ? []
      : [
          {
            place: 'gas.segments',
            what: 'A gas supply that can be computed: its volume decides the test',
          },
        ],
    findings: testFindings(document, burners),
    workings: () => [],
    restsOn: gas.restsOn,
  }
}
