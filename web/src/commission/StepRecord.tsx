import type { JudgedStep } from '@hestian/core'
import styled from 'styled-components'
import { useJob } from '../job/JobContext'
import { Button } from '../ui/Button'
import { VerdictChip } from '../ui/VerdictChip'

/** A step that is done: who, when, what it read. */
export function StepRecord({
  judged,
  of,
  onBack,
}: {
  readonly judged: JudgedStep
  readonly of: number
  readonly onBack: () => void
}) {
  const { show, nameOf, dates } = useJob()
  const { step, number, progress } = judged
  if (progress.state !== 'done') return null
  return (
    <Frame>
      <p>
        Step {number} of {of}
      </p>
      <h2>{step.title}</h2>
      <div>
        <VerdictChip
          verdict={progress.within === false ? 'stop' : 'pass'}
          word={progress.within === false ? 'Outside its limit' : 'Done'}
        />{' '}
        <span>
          {nameOf(progress.by)}, {dates.dayTime(progress.at)}
          {step.reading && progress.si !== undefined && (
            <>
              : <b>{show(progress.si, step.reading.measure)}</b>
              {step.reading.target !== undefined && (
                <>, design {show(step.reading.target, step.reading.measure)}</>
              )}
            </>
          )}
        </span>
      </div>
      <p>{step.why}</p>
      <Button look="text" onPress={onBack}>
        Back to the step that is next
      </Button>
    </Frame>
  )
}

const Frame = styled.section`
  display: grid;
  gap: 8px;
  h2 {
    font: 700 40px/42px var(--head);
    font-stretch: 94%;
  }
  p {
    color: var(--ink-2);
    max-width: 62ch;
  }
  div {
    display: flex;
    gap: 12px;
    align-items: center;
    flex-wrap: wrap;
  }
`
