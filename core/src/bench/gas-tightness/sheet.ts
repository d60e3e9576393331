import { gasTightnessWordings } from './wording'
import { sheetSpec } from '../../sheets/sheetSpec'
import { missingTests } from './missingTest'
import { hasGas, noGas } from '../../job/hasGas'
import type { JobDocument } from '../../job/document'
import { burnsGas } from '../../job/fields'
import type { Practice } from '../../practice/practice'
import { gasTestsOf } from '../gas-test/kinds'
import type { GasTest } from '../gas-test/spec'
import { testFindings } from './plan'
import type { GasAnswer } from '../../sheets/gas/answer'
import type { Sheet } from '../../answer/sheet'
import { fitted } from '../../job/asked'

/** The pressure tests of a gas supply: their plans are the answer. */
export interface GasTestsAnswer {
  readonly tests: readonly GasTest[]
}

export function tightnessSheet(
  document: JobDocument,
  practice: Practice,
  gas: GasAnswer | undefined,
): Sheet<GasTestsAnswer> {
  const burners = fitted(document.appliances).filter((appliance) => burnsGas(appliance.kind))
  if (!hasGas(document)) return { applies: false, because: noGas }
  const tests = gas ? gasTestsOf(document, practice, gas) : []
  return {
    applies: true,
    answer: gas && { tests },
    missing: gas
      ? []
      : [
          {
            place: 'gas.segments',
            what: 'A gas supply that can be computed: its volume decides the test',
          },
        ],
    findings: testFindings(document, burners, tests, practice),
    workings: () => [],
  }
}

export const tightnessSpec = sheetSpec<{ gas: GasAnswer }>()({
  id: 'tightness',
  wordings: gasTightnessWordings,
  place: 'gas',
  restsWith: 'gas',
  inputs: (_document, { gas }) => [gas],
  beside: ({ appliances, gas, survey }) => [appliances, gas, survey.gasMeter_m3_s, survey.fuel],
  solve: (document, practice, { gas }) => tightnessSheet(document, practice, gas),
  owes: ({ gasTests, lastTestId }) => ({
    missing: missingTests(gasTests).map((what) => ({ place: 'tests', what })),
    restsOn: `/${lastTestId ?? ''}`,
  }),
})
