import type { JudgedSequence, JudgedStep } from '@hestian/core'
import styled from 'styled-components'
import { useReadBy } from '../job/JobContext'
import { SectionHead } from '../ui/Answer'
import { Mark } from '../ui/icons'

interface OrderProps {
  readonly sequences: readonly JudgedSequence[]
  readonly shown: string | undefined
  readonly onPick: (id: string) => void
}

/**
 * Every sequence of the job beside the step that is looked at: that one step by step, the others in
 * a line each.
 */
export function OrderOfWork({ sequences, shown, onPick }: OrderProps) {
  const asked = sequences.filter(({ waits }) => !waits)
  const offered = sequences.filter(({ waits }) => waits)
  const done = asked.reduce((sum, one) => sum + one.done, 0)
  const of = asked.reduce((sum, one) => sum + one.steps.length, 0)
  return (
    <Column aria-label="The order of work">
      <SectionHead>
        The order of work
        <small>
          {done} of {of} done
        </small>
      </SectionHead>
      {asked.map((one) => (
        <OneSequence key={one.sequence.id} judged={one} shown={shown} onPick={onPick} />
      ))}
      {offered.length > 0 && (
        <>
          <SectionHead>
            Where it is done here<small>nothing waits for it</small>
          </SectionHead>
          {offered.map((one) => (
            <OneSequence key={one.sequence.id} judged={one} shown={shown} onPick={onPick} />
          ))}
        </>
      )}
    </Column>
  )
}

function OneSequence({
  judged: { sequence, steps, done },
  shown,
  onPick,
}: {
  readonly judged: JudgedSequence
  readonly shown: string | undefined
  readonly onPick: (id: string) => void
}) {
  const isOpen = steps.some(({ step }) => step.id === shown)
  const next = steps.find(({ progress }) => progress.state === 'now')
  const first = next ?? steps.find(isAwaiting) ?? steps[0]
  const isDone = done === steps.length
  return (
    <section>
      <Head
        type="button"
        aria-expanded={isOpen}
        data-open={isOpen || undefined}
        onClick={() => first && onPick(first.step.id)}
      >
        <span>{sequence.name}</span>
        <small>
          {isDone ? (
            <Mark kind="pass" size={18} label="done" />
          ) : (
            <>
              {done} of {steps.length}
            </>
          )}
        </small>
      </Head>
      {isOpen && (
        <ol>
          {steps.map((one) => (
            <StepRow
              key={one.step.id}
              judged={one}
              isShown={one.step.id === shown}
              onPick={onPick}
            />
          ))}
        </ol>
      )}
    </section>
  )
}

function StepRow({
  judged,
  isShown,
  onPick,
}: {
  readonly judged: JudgedStep
  readonly isShown: boolean
  readonly onPick: (id: string) => void
}) {
  const { step, number, progress } = judged
  const isNow = progress.state === 'now'
  return (
    <li>
      <Row
        type="button"
        data-now={isNow || undefined}
        data-shown={isShown || undefined}
        aria-current={isNow ? 'step' : undefined}
        onClick={() => onPick(step.id)}
      >
        <Mark kind={markOf(judged)} />
        <span className="tnum">{number}</span>
        <span>
          {step.short}
          <Blocked judged={judged} />
        </span>
        <b>
          <When judged={judged} />
        </b>
      </Row>
    </li>
  )
}

const isAwaiting = ({ progress }: JudgedStep): boolean =>
  'awaits' in progress && progress.awaits === true

function markOf(judged: JudgedStep): 'pass' | 'stop' | 'now' | 'not-yet' | 'note' {
  const { progress } = judged
  if (isAwaiting(judged)) return 'now'
  if (progress.state === 'skipped') return 'note'
  if (progress.state === 'done') return progress.within === false ? 'stop' : 'pass'
  return progress.state === 'now' ? 'now' : 'not-yet'
}

/** What keeps a step that is next, in a few words: another step, something that is off, a test. */
function Blocked({ judged }: { readonly judged: JudgedStep }) {
  const { progress } = judged
  if (isAwaiting(judged)) return <em>waits for a countersign</em>
  if (progress.state === 'skipped') return <em>passed over</em>
  if (progress.state === 'done')
    return progress.within === false ? <em>outside its limit</em> : null
  if (progress.state !== 'now') return null
  const waits = progress.openGuards.find(({ guard }) => guard.kind !== 'seen')?.leadsTo
  if (!waits) return null
  return <em>waits for: {waits.kind === 'step' ? waits.short.toLowerCase() : waits.name}</em>
}

function When({ judged: { step, number, progress } }: { readonly judged: JudgedStep }) {
  const { show, dates } = useReadBy()
  switch (progress.state) {
    case 'done':
      return step.reading && progress.si !== undefined
        ? show(progress.si, step.reading.measure)
        : dates.dayOf(progress.at)
    case 'skipped':
      return dates.dayOf(progress.at)
    case 'now':
      return 'now'
    case 'after':
      return `after ${number - 1}`
  }
}

const Column = styled.aside`
  border-left: 5px double var(--rule);
  padding: 12px 0 16px;
  > h3 {
    margin: 0 20px;
  }
  @media (max-width: 1000px) {
    border-left: 0;
  }
`
const Head = styled.button`
  display: flex;
  gap: 10px;
  align-items: center;
  width: 100%;
  min-height: 44px;
  padding: 6px 20px;
  border: 0;
  border-bottom: 0.8px solid var(--hair);
  background: none;
  color: var(--ink);
  text-align: left;
  cursor: pointer;
  font: 600 var(--plain)/20px var(--head);
  span {
    flex: 1;
  }
  small {
    color: var(--ink-2);
    font: 450 var(--small)/18px var(--text);
    font-feature-settings: 'tnum';
  }
  &[data-open] {
    border-bottom: 1.5px solid var(--ink);
  }
  &:hover {
    background: var(--select);
  }
  @media (pointer: coarse) {
    min-height: 52px;
  }
`
const Row = styled.button`
  display: grid;
  grid-template-columns: 22px 22px minmax(0, 1fr) auto;
  gap: 10px;
  align-items: center;
  width: 100%;
  min-height: 38px;
  padding: 5px 20px;
  border: 0;
  background: none;
  text-align: left;
  cursor: pointer;
  font-size: var(--small);
  line-height: 19px;
  color: var(--ink-2);
  position: relative;
  &::after {
    content: '';
    position: absolute;
    left: 20px;
    right: 20px;
    bottom: 0;
    border-bottom: 0.8px solid var(--hair);
  }
  em {
    display: block;
    font-style: normal;
    font-size: var(--note);
    color: var(--look);
    font-weight: 650;
  }
  b {
    font-weight: 450;
    font-size: var(--small);
    color: var(--ink-2);
    font-feature-settings: 'tnum';
  }
  &:hover {
    background: var(--select);
  }
  &[data-shown]:not([data-now]) {
    background: var(--select);
  }
  &[data-now] {
    background: var(--off-bg);
    color: var(--off-fg);
    min-height: 48px;
    font: 650 var(--lead)/20px var(--head);
    b {
      color: var(--off-fg);
    }
    em {
      color: var(--off-2);
    }
  }
  &[data-now]:focus-visible {
    outline-color: var(--ember);
    outline-offset: -4px;
  }
  @media (pointer: coarse) {
    min-height: 48px;
  }
`
