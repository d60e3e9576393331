import type { JudgedStep } from '@hestian/core'
import { ticketWords } from '@hestian/core'
import { useState } from 'react'
import styled from 'styled-components'
import { useJob } from '../job/JobContext'
import { CheckSheet } from '../shell/CheckSheet'
import { Answer, Prose, VerdictLine } from '../ui/Answer'
import { StepCard } from './StepCard'
import { OrderOfWork } from './OrderOfWork'
import { StepRecord } from './StepRecord'
import { phone } from '../ui/phone'

/** The order of work, one step at a time: the next is offered when the guards of this one hold. */
export function CommissionPage() {
  const { judgement } = useJob()
  const [picked, setPicked] = useState<string>()
  const { steps } = judgement
  if (steps.length === 0)
    return (
      <Alone>
        <Answer>
          Nothing here is <b>filled and started.</b>
        </Answer>
        <VerdictLine>
          Add a boiler with a heating circuit, or a heater, on Rating plates.
        </VerdictLine>
      </Alone>
    )
  const now = steps.find((one) => one.progress.state === 'now')
  const shown: JudgedStep | undefined = steps.find((one) => one.step.id === picked) ?? now
  const done = steps.filter((one) => one.progress.state === 'done').length
  return (
    <Columns>
      <Page>
        {shown === undefined ? (
          <>
            <Answer>
              All <b>{steps.length} steps</b> are done.
            </Answer>
            <VerdictLine>Check the sheet, then hand it over.</VerdictLine>
          </>
        ) : shown.progress.state === 'done' ? (
          <StepRecord judged={shown} of={steps.length} onBack={() => setPicked(undefined)} />
        ) : (
          <StepCard
            key={shown.step.id}
            judged={shown}
            of={steps.length}
            onSigned={() => setPicked(undefined)}
          />
        )}
        {!now && <CheckSheet sheet="steps" />}
        {shown?.step.ticket && shown.progress.state !== 'done' && (
          <Prose>
            Signing this step needs the {ticketWords[shown.step.ticket]}. Anyone may measure and
            confirm.
          </Prose>
        )}
      </Page>
      <OrderOfWork
        steps={steps}
        done={done}
        shown={shown?.step.id}
        onPick={(id) => setPicked(id === now?.step.id ? undefined : id)}
      />
    </Columns>
  )
}

const Columns = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 360px;
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
