import type { LeadsTo } from '@hestian/core'
import { Link } from 'react-router'
import styled from 'styled-components'
import { useJobActions, useStanding } from '../job/JobContext'
import { Button } from '../ui/Button'

/** One press to where something that blocks is lifted: a step, something to put back, the bench. */
export function Leads({
  to,
  next,
  from,
}: {
  readonly to: LeadsTo
  readonly next?: boolean
  /** The step that waits for it: the bench leads back to it. */
  readonly from: string
}) {
  const { state } = useStanding()
  const { perform } = useJobActions()
  if (to.kind === 'off')
    return (
      <Button
        look={next ? 'go' : 'wait'}
        isDisabled={!next}
        onPress={() => perform({ do: 'put-back', offId: to.offId }, `Put back: ${to.name}`)}
        aria-label={next ? `Put back: ${to.name}` : `Put back: the one before first. ${to.name}`}
      >
        {next ? 'Put back' : 'Put back: the one before first'}
      </Button>
    )
  const name = to.kind === 'step' ? to.short : to.name
  return <Way to={`/jobs/${state.id}/${placeOf(to, from)}`}>Go to: {name}</Way>
}

function placeOf(to: Exclude<LeadsTo, { kind: 'off' }>, from: string): string {
  switch (to.kind) {
    case 'step':
      return `steps?${new URLSearchParams({ step: to.stepId }).toString()}`
    case 'hand-test':
      return `by-hand?${new URLSearchParams({ open: to.place, from }).toString()}`
    case 'sheet':
      return to.sheet
  }
}

const Way = styled(Link)`
  display: inline-flex;
  align-items: center;
  min-height: 44px;
  color: var(--ember-ink);
  font: 650 var(--plain)/20px var(--text);
  text-decoration: underline;
  text-decoration-thickness: 2px;
  text-underline-offset: 3px;
`
