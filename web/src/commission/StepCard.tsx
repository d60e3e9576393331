import type { GuardState, JudgedStep } from '@hestian/core'
import {
  confirmationId,
  lacking,
  offKeyOf,
  parseQuantity,
  ticketWords,
  withinLimits,
} from '@hestian/core'
import { useState } from 'react'
import styled from 'styled-components'
import { useJob } from '../job/JobContext'
import { useKeptText } from '../job/useKeptText'
import { SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Mark } from '../ui/icons'
import { ReadingField } from './ReadingField'
import { phone } from '../ui/phone'

interface StepCardProps {
  readonly judged: JudgedStep
  readonly of: number
  readonly onSigned: () => void
}

/** One step: what to do, why, the guards that must hold, the reading it wants, and its signature. */
export function StepCard({ judged, of, onSigned }: StepCardProps) {
  const { solution, act, show, person } = useJob()
  const { step, number, progress } = judged
  const [typed, setTyped] = useKeptText(`reading:${step.id}`)
  const [sending, setSending] = useState(false)
  if (progress.state === 'done') return null
  const { reading } = step
  const parsed =
    reading && typed.trim() !== ''
      ? parseQuantity(typed, reading.measure, solution.practice.units[reading.measure])
      : undefined
  const si = parsed?.outcome === 'understood' ? parsed.si : undefined
  const noTicket = person && step.ticket && lacking(person, [step.ticket]).length > 0
  const waits =
    progress.state === 'after'
      ? 'the step before it'
      : progress.openGuards[0]
        ? lowerFirst(progress.openGuards[0].guard.text)
        : reading && si === undefined
          ? 'its reading'
          : noTicket
            ? `somebody with ${/^[aeiou]/.test(ticketWords[step.ticket ?? 'gas']) ? 'an' : 'a'} ${ticketWords[step.ticket ?? 'gas']}`
            : undefined
  const what =
    reading && si !== undefined ? `Record ${show(si, reading.measure)}` : 'Sign this step'
  const sign = async () => {
    setSending(true)
    const done = await act(
      `/steps/${step.id}/sign`,
      reading && si !== undefined ? { reading: { si, typed: typed.slice(0, 80) } } : {},
    )
    setSending(false)
    if (done) {
      setTyped('')
      onSigned()
    }
  }
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault()
        if (!waits) void sign()
      }}
    >
      <Number>
        Step {number} of {of}
      </Number>
      <Title>{step.title}</Title>
      <Why>{step.why}</Why>
      {step.guards.length > 0 && (
        <>
          <SectionHead>
            {reading ? 'Before you read' : 'Guards'}
            <small>
              {step.guards.length - progress.openGuards.length} of {step.guards.length} hold
            </small>
          </SectionHead>
          <ul>
            {progress.guards.map((state, i) => (
              <GuardRow
                key={i}
                state={state}
                stepId={step.id}
                next={
                  progress.state === 'now' && progress.guards.slice(0, i).every((one) => one.holds)
                }
              />
            ))}
          </ul>
        </>
      )}
      {step.leavesOff.length > 0 && (
        <Leaves>
          Signing it puts on the off strip:{' '}
          <b>{step.leavesOff.map((left) => left.name).join(', ')}</b>.
        </Leaves>
      )}
      {reading && (
        <ReadingField
          reading={reading}
          typed={typed}
          onTyped={setTyped}
          within={si === undefined ? undefined : withinLimits(reading, si)}
          parsed={parsed}
        />
      )}
      <Sign>
        {waits ? (
          <Button look="wait" isDisabled>
            {what}: waits for {waits}
          </Button>
        ) : (
          <Button type="submit" look="go" isDisabled={sending}>
            {what}
          </Button>
        )}
      </Sign>
    </form>
  )
}

const lowerFirst = (text: string) => text.charAt(0).toLowerCase() + text.slice(1)

function GuardRow({
  state,
  stepId,
  next,
}: {
  readonly state: GuardState
  readonly stepId: string
  readonly next: boolean
}) {
  const { act, judgement, dates } = useJob()
  const [sending, setSending] = useState(false)
  const { guard, holds, at } = state
  const press = async (path: string, body?: object) => {
    setSending(true)
    await act(path, body)
    setSending(false)
  }
  const item =
    guard.kind === 'put-back'
      ? judgement.off.find((one) => offKeyOf(one) === guard.offKey)
      : undefined
  const action =
    guard.kind === 'seen' ? (
      <Button
        look={next ? 'go' : 'wait'}
        isDisabled={!next || sending}
        onPress={() => void press(`/steps/${stepId}/guards`, { guardId: guard.id })}
        aria-label={`Confirm: ${guard.text}`}
        id={confirmationId(stepId, guard.id)}
      >
        {next ? 'Confirm' : 'Confirm: the one before first'}
      </Button>
    ) : guard.kind === 'put-back' && item ? (
      <Button
        look={next ? 'go' : 'wait'}
        isDisabled={!next || sending}
        onPress={() => void press(`/off/${item.id}/put-back`)}
        aria-label={`Put back: ${item.body.name}`}
      >
        {next ? 'Put back' : 'Put back: the one before first'}
      </Button>
    ) : guard.kind === 'gas-tight' ? (
      <Missing>on Test, Gas tightness</Missing>
    ) : null
  return (
    <Guard data-open={holds ? undefined : true}>
      <Mark kind={holds ? 'pass' : 'not-yet'} size={24} label={holds ? 'holds' : 'open'} />
      <span>{guard.text}</span>
      {holds ? (
        <b className="tnum">{at ? `seen ${dates.timeOf(Date.parse(at))}` : 'holds'}</b>
      ) : (
        action
      )}
    </Guard>
  )
}

const Number = styled.p`
  font: 450 var(--lead)/22px var(--head);
  color: var(--ink-2);
`
const Title = styled.h2`
  font: 700 48px/50px var(--head);
  font-stretch: 94%;
  text-wrap: balance;
  ${phone} {
    font-size: 35px;
    line-height: 36px;
  }
`
const Why = styled.p`
  font-size: var(--large);
  line-height: 25px;
  color: var(--ink-2);
  max-width: 62ch;
  margin: 6px 0 10px;
  ${phone} {
    font-size: var(--plain);
    line-height: 22px;
  }
`
const Guard = styled.li`
  display: flex;
  gap: 18px;
  align-items: center;
  min-height: 46px;
  padding: 4px 0 4px 4px;
  border-bottom: 0.8px solid var(--hair);
  font-size: 19px;
  line-height: 24px;
  span {
    flex: 1;
  }
  b {
    font-size: var(--lead);
  }
  svg {
    flex: none;
  }
  button {
    min-height: 48px;
    font-size: var(--plain);
  }
  &[data-open] span {
    font-weight: 650;
  }
  ${phone} {
    font-size: var(--lead);
    gap: 10px;
    flex-wrap: wrap;
    button {
      width: 100%;
    }
  }
`
const Missing = styled.em`
  font-style: normal;
  color: var(--look);
  font-size: var(--small);
`
const Leaves = styled.p`
  margin-top: 10px;
  color: var(--ink-2);
  font-size: var(--small);
  b {
    color: var(--ink);
  }
`
const Sign = styled.div`
  margin-top: 14px;
  > button {
    width: 100%;
    min-height: 56px;
  }
`
