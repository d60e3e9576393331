import type { JudgedSequence, JudgedStep } from '@hestian/core'
import styled from 'styled-components'
import { useJob } from '../job/JobContext'
import { Button } from '../ui/Button'
import { Thumb } from '../ui/Photos'
import { VerdictChip } from '../ui/VerdictChip'
import { WithReason } from '../job/WithReason'

interface StepRecordProps {
  readonly judged: JudgedStep
  readonly sequence: JudgedSequence
  readonly onBack: () => void
}

/** A step that is over: who, when, what it read, and the way to take it back. */
export function StepRecord({ judged, sequence, onBack }: StepRecordProps) {
  const { perform, frozen } = useJob()
  const { step, number, progress } = judged
  if (progress.state !== 'done' && progress.state !== 'skipped') return null
  return (
    <Frame>
      <p>
        {sequence.sequence.name}. Step {number} of {sequence.steps.length}
      </p>
      <h2>{step.title}</h2>
      <What judged={judged} />
      <p>{step.why}</p>
      <Button look="text" onPress={onBack}>
        To the step that is next
      </Button>
      {!frozen && (
        <WithReason
          of={`undo:${step.id}`}
          opens="Take this step back"
          asks="Why it is taken back"
          does="Take it back"
          onDo={(because) =>
            perform({ do: 'undo', stepId: step.id, because }, `Taken back: ${step.short}`)
          }
        />
      )}
    </Frame>
  )
}

function What({ judged: { step, progress } }: { readonly judged: JudgedStep }) {
  const { show, nameOf, dates } = useJob()
  if (progress.state === 'skipped')
    return (
      <div>
        <VerdictChip verdict="not-yet" word="Passed over" />
        <span>
          {nameOf(progress.by)}, {dates.dayTime(progress.at)}: {progress.because}
        </span>
      </div>
    )
  if (progress.state !== 'done') return null
  const { si, within, body } = progress
  return (
    <>
      <div>
        <VerdictChip
          verdict={within === false ? 'stop' : 'pass'}
          word={within === false ? 'Outside its limit' : 'Done'}
        />
        <span>
          {nameOf(progress.by)}, {dates.dayTime(progress.at)}
          {step.reading && si !== undefined && (
            <>
              : <b>{show(si, step.reading.measure)}</b>
              {step.reading.target !== undefined && (
                <>, design {show(step.reading.target, step.reading.measure)}</>
              )}
            </>
          )}
        </span>
      </div>
      {body.cause !== undefined && (
        <p>
          It came from: {body.cause}. Done: {body.action}.
        </p>
      )}
      {body.photos?.map((photo) => (
        <Thumb key={photo.hash} photo={photo} />
      ))}
    </>
  )
}

const Frame = styled.section`
  display: grid;
  gap: 8px;
  justify-items: start;
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
