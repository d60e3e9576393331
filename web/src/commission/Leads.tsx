import type { LeadsTo } from '@hestian/core'
import { Link } from 'react-router'
import styled from 'styled-components'
import { useJob } from '../job/JobContext'
import { Button } from '../ui/Button'

/** One press to where something that blocks is lifted: a step, something to put back, the bench. */
export function Leads({ to, next }: { readonly to: LeadsTo; readonly next?: boolean }) {
  const { state, perform } = useJob()
  if (to.kind === 'off')
    return (
      <Button
        look={next ? 'go' : 'wait'}
        isDisabled={!next}
        onPress={() => perform({ do: 'put-back', offId: to.offId }, `Put back: ${to.name}`)}
        aria-label={`Put back: ${to.name}`}
      >
        {next ? 'Put back' : 'Put back: the one before first'}
      </Button>
    )
  const at = to.kind === 'step' ? `steps?step=${encodeURIComponent(to.stepId)}` : to.sheet
  const name = to.kind === 'step' ? to.short : to.name
  return <Way to={`/jobs/${state.id}/${at}`}>Go to: {name}</Way>
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
