import type { JudgedSequence, JudgedStep } from '@hestian/core'
import { ticketWords } from '@hestian/core'
import { useSearchParams } from 'react-router'
import styled from 'styled-components'
import { useReadBy, useStanding } from '../job/JobContext'
import { Snags } from '../job/Snags'
import { CheckSheet } from '../shell/CheckSheet'
import { Answer, Prose, VerdictLine } from '../ui/Answer'
import { phone } from '../ui/phone'
import { OrderOfWork } from './OrderOfWork'
import { StepCard } from './StepCard'
import { StepRecord } from './StepRecord'
import { Visits } from './Visits'

interface Shown {
  readonly judged: JudgedStep
  readonly sequence: JudgedSequence
}

/**
 * The step that is looked at: the one the address names, or the first that is next in a sequence
 * that somebody waits for.
 */
function useShown(): {
  readonly shown: Shown | undefined
  readonly next: Shown | undefined
  readonly show: (stepId: string | undefined) => void
} {
  const { judgement } = useStanding()
  const [params, setParams] = useSearchParams()
  const { sequences } = judgement.work
  const all = sequences.flatMap((sequence) =>
    sequence.steps.map((judged): Shown => ({ judged, sequence })),
  )
  const next = all.find(
    ({ judged, sequence }) =>
      (judged.progress.state === 'now' && !sequence.waits) ||
      ('awaits' in judged.progress && judged.progress.awaits === true),
  )
  const named = params.get('step')
  const picked = all.find(({ judged }) => judged.step.id === named)
  return {
    shown: picked ?? next,
    next,
    show: (stepId) => setParams(stepId === undefined ? {} : { step: stepId }),
  }
}

/** The work on site, one step at a time: the next is offered when the guards of this one hold. */
export function CommissionPage() {
  const { judgement } = useStanding()
  const { person } = useReadBy()
  const { shown, next, show } = useShown()
  const { sequences } = judgement.work
  if (sequences.length === 0)
    return (
      <Alone>
        <Answer>
          Nothing here is <b>filled, started or opened.</b>
        </Answer>
        <VerdictLine>
          {judgement.sheets.steps.because ??
            'Add a boiler with a heating circuit, or a heater, on Rating plates.'}
        </VerdictLine>
        <Visits />
      </Alone>
    )
  /** After a step the same sequence goes on; at its end, whatever is next. */
  const goOn = (from: Shown) => {
    // An apprentice's step is shown as it waits.
    if (person?.role === 'apprentice') return show(from.judged.step.id)
    const after = from.sequence.steps[from.judged.number]
    show(after && after.progress.state === 'after' ? after.step.id : undefined)
  }
  return (
    <Columns>
      <Page>
        {shown ? (
          <OneStep shown={shown} onNext={() => show(next?.judged.step.id)} onSigned={goOn} />
        ) : (
          <>
            <Answer>
              {judgement.steps.length === 0 ? (
                <>Nothing is begun.</>
              ) : (
                <>
                  All <b>{judgement.steps.length} steps</b> are done.
                </>
              )}
            </Answer>
            <VerdictLine>
              {judgement.steps.length === 0
                ? 'Pick what is done here from the order of work.'
                : 'Check the sheet, then hand it over.'}
            </VerdictLine>
          </>
        )}
        {!next && <CheckSheet sheet="steps" />}
        <Visits />
        <Snags />
      </Page>
      <OrderOfWork
        sequences={sequences}
        shown={shown?.judged.step.id}
        onPick={(id) => show(id === next?.judged.step.id ? undefined : id)}
      />
    </Columns>
  )
}

function OneStep({
  shown,
  onNext,
  onSigned,
}: {
  readonly shown: Shown
  readonly onNext: () => void
  readonly onSigned: (from: Shown) => void
}) {
  const { judged, sequence } = shown
  const { step, progress } = judged
  const isOver = progress.state === 'done' || progress.state === 'skipped'
  if (isOver) return <StepRecord judged={judged} sequence={sequence} onBack={onNext} />
  return (
    <>
      <StepCard
        key={step.id}
        judged={judged}
        sequence={sequence}
        onSigned={() => onSigned(shown)}
      />
      {step.ticket && (
        <Prose>
          Signing this step needs the {ticketWords[step.ticket]}. Anyone may measure and confirm.
        </Prose>
      )}
    </>
  )
}

const Columns = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 380px;
  min-height: 100%;
  @media (max-width: 1000px) {
    grid-template-columns: minmax(0, 1fr);
  }
`
const Page = styled.div`
  padding: 12px 32px 20px 24px;
  min-width: 0;
  ${phone} {
    padding: 10px 14px 20px 12px;
  }
`
const Alone = styled.div`
  padding: 14px 24px;
`
