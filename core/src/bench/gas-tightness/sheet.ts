import { gasTightnessWordings } from './wording'
import { sheetSpec } from '../../sheets/sheetSpec'
import { missingTest } from './missingTest'
import { hasGas, noGas } from '../../job/hasGas'
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
  gas: GasAnswer | undefined,
): Sheet<TightnessDesign> {
  const burners = fitted(document.appliances).filter((appliance) => burnsGas(appliance.kind))
  if (!hasGas(document)) return { applies: false, because: noGas }
  const supply = gas && {
    volume_m3: gas.volume_m3,
    workingGauge_Pa: gas.supply.meterGauge_Pa,
    atmosphere_Pa: gas.conditions.atmosphere_Pa,
  }
  const design = supply && tightnessDesign(document, practice, supply)
  return {
    applies: true,
    answer: design,
    missing: gas
      ? []
      : [
          {
            place: 'gas.segments',
            what: 'A gas supply that can be computed: its volume decides the test',
          },
        ],
    findings: testFindings(document, burners, design, practice),
    workings: () => [],
  }
}

export const tightnessSpec = sheetSpec<{ gas: GasAnswer }>()({
  id: 'tightness',
  name: 'Gas tightness',
  stage: 'test',
  wordings: gasTightnessWordings,
  place: 'gas',
  restsWith: 'gas',
  inputs: (_document, { gas }) => [gas],
  beside: ({ appliances, gas, survey }) => [appliances, gas.meterVolume_m3, survey.gasMeter_m3_s],
  solve: (document, practice, { gas }) => tightnessSheet(document, practice, gas),
  owes: ({ gasTight, lastTest }) => ({
    missing: gasTight ? [] : [{ place: 'tests', what: missingTest(lastTest) }],
    restsOn: `/${lastTest?.testId ?? ''}`,
  }),
})
