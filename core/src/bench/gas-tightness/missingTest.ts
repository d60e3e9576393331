import type { RecordedGasTest } from '../../sheets/sheetSpec'

const named = (name: string): string => (name === 'Tightness' ? 'A gas tightness test' : name)

/** What the sheet waits for: every test that is asked and does not stand. */
export const missingTests = (tests: readonly RecordedGasTest[]): readonly string[] => [
  ...waited(tests),
  ...[...new Set(tests.flatMap(({ temporary }) => temporary))].map(
    (pipe) => `The temporary joints of ${pipe} made for good`,
  ),
]

const waited = (tests: readonly RecordedGasTest[]): readonly string[] =>
  tests.flatMap(({ name, asked, state }) => {
    if (!asked || state === 'passed') return []
    return {
      'not-made': named(name),
      running: `${named(name)} that has ended`,
      'not-passed': `${named(name)} that passed`,
      changed: `${named(name)} of the pipes as they are now: they were changed since it passed`,
      bubbles: `${named(name)} anew: a joint bubbled under soap, and what bubbles is a leak`,
      repaired: `${named(name)} anew: something was repaired since it passed`,
      'test-point': 'The test point: the gauge off, its screw back and soaped dry',
    }[state]
  })
