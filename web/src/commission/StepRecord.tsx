import type { JudgedSequence, JudgedStep } from '@hestian/core'
import { may } from '@hestian/core'
import styled from 'styled-components'
import { useJobActions, useReadBy, useStanding } from '../job/JobContext'
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
  const { frozen } = useStanding()
  const { perform } = useJobActions()
  const { step, number, progress } = judged
  if (progress.state !== 'done' && progress.state !== 'skipped') return null
  return (
    <Frame>
      <p>
        {sequence.sequence.name}. Step {number} of {sequence.steps.length}
      </p>
      <h2>{step.title}</h2>
      <What judged={judged} />
      <Countersign judged={judged} />
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

/** Who stood up for an apprentice's step, or the way to. */
function Countersign({ judged: { step, progress } }: { readonly judged: JudgedStep }) {
  const { frozen } = useStanding()
  const { perform } = useJobActions()
  const { person, nameOf, dates } = useReadBy()
  if (progress.state !== 'done' && progress.state !== 'skipped') return null
  const { countersigned, awaits, by } = progress
  if (countersigned)
    return (
      <p>
        Countersigned by {nameOf(countersigned.by)}, {dates.dayTime(countersigned.at)}.
      </p>
    )
  if (!awaits) return null
  const isOthers = person !== undefined && may(person, 'countersign') && person.id !== by
  return (
    <>
      <p role="status">
        {nameOf(by)} signed this as an apprentice. It does not count, and nothing after it is
        reached, until a lead installer or the owner has countersigned it.
      </p>
      {isOthers && !frozen && (
        <Button
          look="go"
          onPress={() =>
            perform({ do: 'countersign', stepId: step.id }, `Countersigned: ${step.short}`)
          }
        >
          Countersign: I was there, and it is right
        </Button>
      )}
    </>
  )
}

function What({ judged: { step, progress } }: { readonly judged: JudgedStep }) {
  const { show, nameOf, dates } = useReadBy()
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
  const { si, body } = progress
  return (
    <>
      <div>
        <VerdictChip {...verdictOf(progress)} />
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

function verdictOf({
  within,
  awaits,
}: Pick<Extract<JudgedStep['progress'], { state: 'done' }>, 'within' | 'awaits'>) {
  if (within === false) return { verdict: 'stop' as const, word: 'Outside its limit' }
  return awaits
    ? { verdict: 'not-yet' as const, word: 'Waits for a countersign' }
    : { verdict: 'pass' as const, word: 'Done' }
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
