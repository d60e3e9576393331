import type { GuardState } from '@hestian/core'
import { confirmationId, nowId } from '@hestian/core'
import { useSyncExternalStore } from 'react'
import styled from 'styled-components'
import { reach } from '../api/reach'
import { useJobActions, useReadBy } from '../job/JobContext'
import { Button } from '../ui/Button'
import { Mark } from '../ui/icons'
import { phone } from '../ui/phone'
import { Leads } from './Leads'

/** Since when the server is out of reach; undefined while it answers. */
export const useAway = (): string | undefined => useSyncExternalStore(reach.subscribe, reach.since)

/** Out of reach, whether a state that a step rests on was looked at again since. */
export const isSeenNow = (state: GuardState, since: string): boolean =>
  nowId(state.guard) === undefined || (state.seenNow !== undefined && state.seenNow >= since)

interface GuardRowProps {
  readonly state: GuardState
  readonly stepId: string
  /** Everything before it holds. */
  readonly next: boolean
  /** It rests on what was recorded before the server was lost: it is looked at again. */
  readonly wantsLook: boolean
}

function standing({ holds }: GuardState, wantsLook: boolean): string {
  if (!holds) return 'open'
  return wantsLook ? 'to be looked at' : 'holds'
}

/** One guard: what must hold, whether it does, and what to press where it does not. */
export function GuardRow({ state, stepId, next, wantsLook }: GuardRowProps) {
  const { guard, holds, because } = state
  return (
    <Guard data-open={holds && !wantsLook ? undefined : true}>
      <Mark
        kind={holds && !wantsLook ? 'pass' : 'not-yet'}
        size={24}
        label={standing(state, wantsLook)}
      />
      <span>
        {guard.text}
        {!holds && because !== undefined && <small>{because}</small>}
      </span>
      {holds ? (
        <Holding state={state} stepId={stepId} wantsLook={wantsLook} />
      ) : (
        <Opening state={state} stepId={stepId} next={next} />
      )}
    </Guard>
  )
}

function Holding({ state, stepId, wantsLook }: Omit<GuardRowProps, 'next'>) {
  const { perform } = useJobActions()
  const { dates } = useReadBy()
  const since = useAway()
  const { guard, at, seenNow } = state
  const id = nowId(guard)
  if (wantsLook && id !== undefined)
    return (
      <Button
        onPress={() => perform({ do: 'guard', stepId, guardId: id }, `Seen now: ${guard.text}`)}
        aria-label={`Seen now: ${guard.text}`}
      >
        Seen now
      </Button>
    )
  const sinceWord = since === undefined ? 'since' : 'as of'
  const time = (iso: string) => dates.timeOf(Date.parse(iso))
  if (seenNow !== undefined) return <b className="tnum">seen {time(seenNow)}</b>
  if (at === undefined) return <b>holds</b>
  return (
    <b className="tnum">
      {guard.kind === 'seen' ? 'seen' : sinceWord} {time(at)}
    </b>
  )
}

function Opening({ state, stepId, next }: Omit<GuardRowProps, 'wantsLook'>) {
  const { perform } = useJobActions()
  const { guard, leadsTo } = state
  if (guard.kind !== 'seen')
    return leadsTo ? <Leads to={leadsTo} next={next} from={stepId} /> : null
  return (
    <Button
      look={next ? 'go' : 'wait'}
      isDisabled={!next}
      onPress={() =>
        perform({ do: 'guard', stepId, guardId: guard.id }, `Confirmed: ${guard.text}`)
      }
      aria-label={next ? `Confirm: ${guard.text}` : `Confirm: the one before first. ${guard.text}`}
      id={confirmationId(stepId, guard.id)}
    >
      {next ? 'Confirm' : 'Confirm: the one before first'}
    </Button>
  )
}

const Guard = styled.li`
  display: flex;
  gap: 18px;
  align-items: center;
  min-height: 46px;
  padding: 4px 0 4px 4px;
  border-bottom: 0.8px solid var(--hair);
  font-size: 19px;
  line-height: 24px;
  > span {
    flex: 1;
  }
  small {
    display: block;
    font: 450 var(--small)/19px var(--text);
    color: var(--look);
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
  &[data-open] > span {
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
