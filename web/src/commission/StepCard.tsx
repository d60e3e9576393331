import type { DangerState, Evidence, JudgedSequence, JudgedStep, StepState } from '@hestian/core'
import { lacking, parseQuantity, ticketWords, withinLimits } from '@hestian/core'
import styled from 'styled-components'
import { useDesign, useJobActions, useReadBy } from '../job/JobContext'
import { useKept } from '../job/useKept'
import { useKeptText } from '../job/useKeptText'
import { SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Mark } from '../ui/icons'
import { Photos } from '../ui/Photos'
import { phone } from '../ui/phone'
import { CauseFields } from './CauseFields'
import { GuardRow, isSeenNow, useAway } from './GuardRow'
import { HoldClock } from './HoldClock'
import { Leads } from './Leads'
import { ReadingField } from './ReadingField'
import { WithReason } from '../job/WithReason'

interface StepCardProps {
  readonly judged: JudgedStep
  readonly sequence: JudgedSequence
  readonly onSigned: () => void
}

type Open = Extract<StepState, { state: 'now' | 'after' }>

const noPhotos: readonly Evidence[] = []

/** What is typed and taken for a step before it is signed; all of it outlives a reload. */
function useEntry({ step }: JudgedStep) {
  const { solution } = useDesign()
  const [typed, setTyped] = useKeptText(`reading:${step.id}`)
  const [cause, setCause] = useKeptText(`cause:${step.id}`)
  const [action, setAction] = useKeptText(`action:${step.id}`)
  const [photos, setPhotos] = useKept(`photos:${step.id}`, noPhotos)
  const { reading } = step
  const parsed =
    reading && typed.trim() !== ''
      ? parseQuantity(typed, reading.measure, solution.practice.units[reading.measure])
      : undefined
  const si = parsed?.outcome === 'understood' ? parsed.si : undefined
  const within = reading && si !== undefined ? withinLimits(reading, si) : undefined
  const forget = () => {
    setTyped('')
    setCause('')
    setAction('')
    setPhotos(noPhotos)
  }
  return {
    ...{ typed, setTyped, cause, setCause, action, setAction, photos, setPhotos },
    ...{ parsed, si, within, forget },
  }
}
type Entry = ReturnType<typeof useEntry>

/** What the signature still waits for, in words; undefined where nothing does. */
function useWaits({ step, progress }: JudgedStep, entry: Entry): string | undefined {
  const { person } = useReadBy()
  const since = useAway()
  if (progress.state === 'after') return 'the step before it'
  if (progress.state !== 'now') return undefined
  if (progress.dangers.length > 0) return 'what stands above its guards'
  const [open] = progress.openGuards
  if (open) return lowerFirst(open.guard.text)
  if (since !== undefined && step.admits) {
    const unseen = progress.guards.find((state) => !isSeenNow(state, since))
    if (unseen) return `somebody to look at it now: ${lowerFirst(unseen.guard.text)}`
  }
  if (step.reading && entry.si === undefined) return 'its reading'
  if (entry.within === false && (entry.cause.length < 3 || entry.action.trim().length < 3))
    return 'what it comes from, and what was done'
  return person && step.ticket && lacking(person, [step.ticket]).length > 0
    ? withTicket(ticketWords[step.ticket])
    : undefined
}

const withTicket = (ticket: string) =>
  `somebody with ${/^[aeiou]/.test(ticket) ? 'an' : 'a'} ${ticket}`
const lowerFirst = (text: string) => text.charAt(0).toLowerCase() + text.slice(1)

/**
 * One step: what to do, why, what can hurt, the guards that must hold, the reading it wants, and
 * its signature.
 */
export function StepCard({ judged, sequence, onSigned }: StepCardProps) {
  const { perform } = useJobActions()
  const { show } = useReadBy()
  const { step, number, progress } = judged
  const entry = useEntry(judged)
  const waits = useWaits(judged, entry)
  if (progress.state === 'done' || progress.state === 'skipped') return null
  const { reading } = step
  const { si } = entry
  const what =
    reading && si !== undefined ? `Record ${show(si, reading.measure)}` : 'Sign this step'
  const sign = async () => {
    const given = {
      ...(si === undefined ? {} : { reading: { si, typed: entry.typed.slice(0, 80) } }),
      ...(entry.within === false ? { cause: entry.cause, action: entry.action } : {}),
      ...(entry.photos.length > 0 ? { photos: entry.photos } : {}),
    }
    if (!(await perform({ do: 'sign', stepId: step.id, given }, `Step: ${step.short}`))) return
    entry.forget()
    onSigned()
  }
  return (
    <>
      <form
        onSubmit={(event) => {
          event.preventDefault()
          if (!waits) void sign()
        }}
      >
        <Number>
          {sequence.sequence.name}. Step {number} of {sequence.steps.length}
        </Number>
        <Title>{step.title}</Title>
        <Why>{step.why}</Why>
        {step.hazard && (
          <Hazard>
            <Mark kind="stop" size={22} label="Caution" />
            <span>{step.hazard}</span>
          </Hazard>
        )}
        <Dangers dangers={progress.dangers} stepId={step.id} />
        <Guards judged={judged} progress={progress} />
        {step.school && (
          <School>
            <b>Where schools differ.</b> {step.school}
          </School>
        )}
        {step.hold_s !== undefined && progress.state === 'now' && (
          <HoldClock stepId={step.id} hold_s={step.hold_s} />
        )}
        <Reading judged={judged} entry={entry} />
        {step.evidence && (
          <Photos
            label={`Photograph: ${lowerFirst(step.evidence)}`}
            photos={entry.photos}
            onChange={entry.setPhotos}
          />
        )}
        {step.leavesOff.length > 0 && (
          <Leaves>
            Signing it puts on the off strip:{' '}
            <b>{step.leavesOff.map((left) => left.name).join(', ')}</b>.
          </Leaves>
        )}
        <Sign>
          {waits ? (
            <Button look="wait" isDisabled>
              {what}: waits for {waits}
            </Button>
          ) : (
            <Button type="submit" look="go">
              {what}
            </Button>
          )}
        </Sign>
      </form>
      {progress.state === 'now' && (
        <WithReason
          of={`skip:${step.id}`}
          opens="Pass this step over"
          asks="Why it is passed over"
          does="Pass it over"
          onDo={async (because) => {
            const act = { do: 'skip', stepId: step.id, because } as const
            const isDone = await perform(act, `Passed over: ${step.short}`)
            if (isDone) onSigned()
            return isDone
          }}
        />
      )}
    </>
  )
}

function Guards({ judged, progress }: { readonly judged: JudgedStep; readonly progress: Open }) {
  const since = useAway()
  const { step } = judged
  if (progress.guards.length === 0) return null
  const wantsLook = (state: Open['guards'][number]) =>
    since !== undefined && step.admits !== undefined && !isSeenNow(state, since)
  return (
    <>
      <SectionHead>
        {step.reading ? 'Before you read' : 'Guards'}
        <small>
          {progress.guards.length - progress.openGuards.length} of {progress.guards.length} hold
        </small>
      </SectionHead>
      <ul>
        {progress.guards.map((state, i) => (
          <GuardRow
            key={i}
            state={state}
            stepId={step.id}
            wantsLook={state.holds && wantsLook(state)}
            next={
              progress.state === 'now' &&
              progress.dangers.length === 0 &&
              progress.guards.slice(0, i).every((one) => one.holds)
            }
          />
        ))}
      </ul>
      {since !== undefined && step.admits && progress.state === 'now' && (
        <School>
          The server is out of reach. This step lets in {step.admits}: each state it rests on is
          looked at again, there and then, before it is signed.
        </School>
      )}
    </>
  )
}

function Reading({ judged, entry }: { readonly judged: JudgedStep; readonly entry: Entry }) {
  const { record } = useJobActions()
  const { person } = useReadBy()
  const { step } = judged
  const { reading } = step
  if (!reading) return null
  return (
    <>
      <ReadingField
        reading={reading}
        typed={entry.typed}
        onTyped={entry.setTyped}
        within={entry.within}
        parsed={entry.parsed}
      />
      {entry.within === false && (
        <CauseFields
          reading={reading}
          cause={entry.cause}
          action={entry.action}
          onCause={entry.setCause}
          onAction={entry.setAction}
          onSnag={() =>
            record({
              kind: 'snag',
              what: `${step.short}: ${entry.typed} is outside its limits`,
              owner: person?.name ?? 'nobody yet',
              due: null,
            })
          }
        />
      )}
    </>
  )
}

/**
 * What must never come together and would, or cannot be told: with the way to where it is lifted.
 */
function Dangers({
  dangers,
  stepId,
}: {
  readonly dangers: readonly DangerState[]
  readonly stepId: string
}) {
  if (dangers.length === 0) return null
  return (
    <Danger role="status">
      {dangers.map(({ danger, says, leadsTo }) => (
        <div key={danger.hazard.id}>
          <Mark kind="stop" size={22} label="Not now" />
          <p>
            {says}
            {leadsTo.map((to, i) => (
              <Leads key={i} to={to} next from={stepId} />
            ))}
          </p>
        </div>
      ))}
    </Danger>
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
const Hazard = styled.p`
  display: flex;
  gap: 12px;
  align-items: center;
  margin: 0 0 12px;
  padding: 8px 14px;
  background: var(--stop-wash);
  font: 600 var(--plain)/22px var(--text);
  max-width: 760px;
  svg {
    flex: none;
  }
`
const School = styled.p`
  margin-top: 10px;
  font-size: var(--small);
  line-height: 20px;
  color: var(--ink-2);
  max-width: 70ch;
`
const Leaves = styled.p`
  margin-top: 10px;
  color: var(--ink-2);
  font-size: var(--small);
  b {
    color: var(--ink);
  }
`
const Danger = styled.div`
  margin-top: 14px;
  padding: 10px 16px;
  background: var(--stop-wash);
  > div {
    display: flex;
    gap: 12px;
    align-items: start;
  }
  svg {
    flex: none;
    margin-top: 2px;
  }
  p {
    font: 600 var(--plain)/23px var(--text);
    display: grid;
    gap: 8px;
    justify-items: start;
  }
`
const Sign = styled.div`
  margin: 14px 0 10px;
  > button {
    width: 100%;
    min-height: 56px;
  }
`
