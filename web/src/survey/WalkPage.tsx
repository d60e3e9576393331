import { inWords } from '@hestian/core'
import { useEffect, useRef, useState } from 'react'
import { Link } from 'react-router'
import styled from 'styled-components'
import { useDesign, useJobActions, useSending, useStanding } from '../job/JobContext'
import { Button } from '../ui/Button'
import { Mark } from '../ui/icons'
import { QuantityEditor } from '../ui/QuantityEditor'
import { knownOf } from '../ui/quantity'
import { DraughtTrial } from './DraughtTrial'
import { LookForm } from './LookForm'
import { MainRun } from './MainRun'
import { SupplyRow } from './SupplyRow'
import { useReading } from '../job/useReading'
import type { Stop } from './walk'
import { isAnswered, walkOf } from './walk'

/**
 * The survey one question at a time, in the order one walks the house; works on without a signal.
 */
export function WalkPage() {
  const { draft, solution } = useDesign()
  const { state } = useStanding()
  const { waiting } = useSending()
  const stops = walkOf(draft.document)
  const kept = `walk:${state.id}`
  const firstOpen = stops.findIndex((one) => !isAnswered(one, draft.document))
  // Where one stands is held from the start: an answer alone must not move the page on.
  const [key, setKey] = useState(() => {
    const last = lastStop(kept)
    return last && stops.some((stop) => stop.key === last)
      ? last
      : stops[Math.max(0, firstOpen)]?.key
  })
  const [finished, setFinished] = useState(false)
  const at = Math.max(
    0,
    stops.findIndex((stop) => stop.key === key),
  )
  const stop = stops[at]
  const heading = useRef<HTMLHeadingElement>(null)
  const go = (index: number) => {
    const next = stops[index]
    setFinished(index >= stops.length)
    if (!next) return
    setKey(next.key)
    try {
      localStorage.setItem(kept, next.key)
    } catch {
      /* the walk then begins at the first open question */
    }
  }
  useEffect(() => {
    heading.current?.focus()
  }, [key, finished])
  const open = stops.filter((one) => !isAnswered(one, draft.document))
  if (finished || !stop) {
    return (
      <Page>
        <small>The walk is over</small>
        <h2 ref={heading} tabIndex={-1}>
          {open.length === 0
            ? 'Everything was looked at.'
            : `${open.length} ${open.length === 1 ? 'question is' : 'questions are'} not looked at yet.`}
        </h2>
        <p>
          {waiting > 0
            ? `${waiting} of what you recorded waits here and is sent when the server is back, once.`
            : 'What you recorded is with the server.'}
        </p>
        <Dots stops={stops} at={-1} go={go} />
        <nav>
          {firstOpen >= 0 && (
            <Button look="go" onPress={() => go(firstOpen)}>
              Go to the first open one
            </Button>
          )}
          <Link to={`/jobs/${state.id}/site`}>Back to the survey</Link>
        </nav>
      </Page>
    )
  }
  return (
    <Page>
      <small>
        Survey, question{' '}
        <b>
          {at + 1} of {stops.length}
        </b>
        {waiting > 0 && <>; {waiting} kept here</>}
      </small>
      <h2 ref={heading} tabIndex={-1}>
        {titleOf(
          stop,
          solution.practice.words,
          draft.document.appliances.map((one) => one.name),
        )}
      </h2>
      <Ask key={stop.key} stop={stop} next={() => go(at + 1)} />
      <nav>
        <Button isDisabled={at === 0} onPress={() => go(at - 1)}>
          Back
        </Button>
        <Button onPress={() => go(at + 1)}>
          {isAnswered(stop, draft.document) ? 'On' : 'Not now'}
        </Button>
      </nav>
      <Dots stops={stops} at={at} go={go} />
      <Link to={`/jobs/${state.id}/site`}>Leave the walk</Link>
    </Page>
  )
}

const lastStop = (kept: string): string | undefined => {
  try {
    return localStorage.getItem(kept) ?? undefined
  } catch {
    return undefined
  }
}

const supplyTitles = {
  water: 'Is the water connected?',
  gas: 'Is the gas connected?',
  power: 'Is the power connected?',
} as const

function titleOf(
  stop: Stop,
  words: Readonly<Record<string, string>>,
  names: readonly string[],
): string {
  switch (stop.kind) {
    case 'supply':
      return supplyTitles[stop.utility]
    case 'reading':
      return `${stop.field.label}?`
    case 'look':
      return `${inWords(stop.question.label, words)}?`
    case 'main':
      return 'Run the main at two points.'
    case 'draught':
      return 'Try the draught.'
    case 'plate':
      return `${names[stop.index] ?? 'Appliance'}: ${stop.field.label.charAt(0).toLowerCase()}${stop.field.label.slice(1)}?`
  }
}

function Ask({ stop, next }: { readonly stop: Stop; readonly next: () => void }) {
  switch (stop.kind) {
    case 'supply':
      return (
        <ul>
          <SupplyRow utility={stop.utility} />
        </ul>
      )
    case 'reading':
      return <AskReading stop={stop} next={next} />
    case 'look':
      return (
        <Bare>
          <LookForm question={stop.question} done={next} />
        </Bare>
      )
    case 'main':
      return <MainRun />
    case 'draught':
      return <DraughtTrial />
    case 'plate':
      return <AskPlate stop={stop} next={next} />
  }
}

function AskReading({
  stop,
  next,
}: {
  readonly stop: Extract<Stop, { kind: 'reading' }>
  readonly next: () => void
}) {
  return <QuantityEditor {...useReading(stop.field)} close={next} />
}

function AskPlate({
  stop,
  next,
}: {
  readonly stop: Extract<Stop, { kind: 'plate' }>
  readonly next: () => void
}) {
  const { draft } = useDesign()
  const { edit } = useJobActions()
  const value = draft.document.appliances[stop.index]?.[stop.field.key] ?? null
  const path = ['appliances', stop.index, stop.field.key]
  return (
    <QuantityEditor
      label={stop.field.label}
      place={path.join('.')}
      measure={stop.field.measure}
      value={value}
      how={stop.field.how}
      why={stop.field.why}
      onUse={(entry) => edit([{ path, value: knownOf(entry) }])}
      onClear={() => edit([{ path, value: null }])}
      close={next}
    />
  )
}

/** The whole walk at a glance: answered or not, and where one stands. */
function Dots({
  stops,
  at,
  go,
}: {
  readonly stops: readonly Stop[]
  readonly at: number
  readonly go: (index: number) => void
}) {
  const { draft } = useDesign()
  return (
    <Strip aria-label="Questions">
      {stops.map((stop, i) => {
        const done = isAnswered(stop, draft.document)
        return (
          <li key={stop.key}>
            <button
              type="button"
              data-here={i === at || undefined}
              aria-current={i === at ? 'step' : undefined}
              aria-label={`Question ${i + 1}, ${done ? 'answered' : 'not looked at yet'}`}
              onClick={() => go(i)}
            >
              <Mark kind={done ? 'pass' : 'not-yet'} size={15} />
            </button>
          </li>
        )
      })}
    </Strip>
  )
}

const Page = styled.div`
  padding: 14px 16px 28px;
  max-width: 560px;
  margin: 0 auto;
  display: grid;
  gap: 14px;
  > small {
    font-size: var(--small);
    color: var(--ink-2);
    b {
      color: var(--ink);
    }
  }
  h2 {
    font: 700 35px/37px var(--head);
    font-stretch: 92%;
    outline: none;
    text-wrap: balance;
  }
  > a {
    color: var(--ember-ink);
    font-weight: 650;
    padding: 10px 0;
  }
  nav {
    display: flex;
    gap: 12px;
    align-items: center;
    flex-wrap: wrap;
    a {
      color: var(--ember-ink);
      font-weight: 650;
    }
    > button {
      min-width: 120px;
      min-height: 56px;
    }
  }
  p {
    color: var(--ink-2);
  }
`
const Bare = styled.div`
  h4 {
    display: none;
  }
`
const Strip = styled.ol`
  display: flex;
  flex-wrap: wrap;
  gap: 2px;
  button {
    border: 0;
    background: none;
    width: 26px;
    height: 26px;
    display: grid;
    place-items: center;
    cursor: pointer;
    padding: 0;
    border-bottom: 2.5px solid transparent;
  }
  button[data-here] {
    border-color: var(--ink);
  }
  @media (pointer: coarse) {
    button {
      width: 34px;
      height: 40px;
    }
  }
`
