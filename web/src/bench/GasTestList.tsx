import type { GasTestState, JudgedGasTest } from '@hestian/core'
import { useReadBy } from '../job/JobContext'
import { SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { DoneHead, DoneRow } from '../ui/DoneRow'
import { Mark } from '../ui/icons'

const marks = {
  'not-made': 'not-yet',
  running: 'not-yet',
  'not-passed': 'stop',
  changed: 'fix',
  bubbles: 'stop',
  repaired: 'fix',
  'test-point': 'fix',
  passed: 'pass',
} as const
const words: Readonly<Record<GasTestState, string>> = {
  'not-made': 'Not made yet',
  running: 'Running',
  'not-passed': 'It did not pass',
  changed: 'Passed, but the pipes are others now',
  bubbles: 'Passed, but a joint bubbled under soap: test it again',
  repaired: 'Repaired since: test it again',
  'test-point': 'Passed; the test point is still to be soaped',
  passed: 'Passed',
}

/** Every test of this gas supply, stage by stage: how each stands, and which one is shown. */
export function GasTestList({
  tests,
  shown,
  onShow,
}: {
  readonly tests: readonly JudgedGasTest[]
  readonly shown: string
  readonly onShow: (id: string) => void
}) {
  const { show } = useReadBy()
  return (
    <>
      <SectionHead>
        Tests of this gas supply<small>in the order they are made</small>
      </SectionHead>
      <ul aria-label="Tests of this gas supply">
        {tests.map(({ id, name, asked, state, test, last }) => (
          <DoneRow key={id} data-open={id === shown || undefined}>
            <Mark kind={last?.verdict.outcome === 'cannot-tell' ? 'fix' : marks[state]} size={22} />
            <div>
              <DoneHead>
                <b>{name}</b>
                {id === shown ? (
                  <small>shown above</small>
                ) : (
                  <Button
                    look="text"
                    onPress={() => onShow(id)}
                    aria-label={`${last ? 'Look' : 'Prepare'}: ${name}`}
                  >
                    {last ? 'Look' : 'Prepare'}
                  </Button>
                )}
              </DoneHead>
              <small>
                {words[state]}
                {asked ? '' : '; offered, not asked for'}.{' '}
                {show(test.plan.testGauge_Pa, 'gas-pressure')},{' '}
                {show(test.plan.volume_m3, 'small-volume')}. {test.why}
              </small>
            </div>
          </DoneRow>
        ))}
      </ul>
    </>
  )
}
