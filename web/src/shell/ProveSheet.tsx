import type { SheetId } from '@hestian/core'
import { stageSheets } from '@hestian/core'
import { useState } from 'react'
import { Link } from 'react-router'
import styled from 'styled-components'
import { useJob } from '../job/JobContext'
import { Button } from '../ui/Button'
import { dayTime } from '../ui/dates'
import { Mark } from '../ui/icons'

/** The end of a sheet: prove it, or what it still waits for, or who proved it. */
export function ProveSheet({ sheet }: { readonly sheet: SheetId }) {
  const { judgement, act, nameOf, state } = useJob()
  const [sending, setSending] = useState(false)
  const judged = judgement.sheets[sheet]
  const next = nextSheet(sheet)
  if (judged.state === 'does-not-apply')
    return (
      <Bar>
        <span>{judged.because} It counts as done.</span>
        {next && <Link to={`/jobs/${state.id}/${next}`}>Next: {judgement.sheets[next].name}</Link>}
      </Bar>
    )
  if (judged.state === 'not-begun')
    return (
      <Bar>
        <span>
          Not begun: nobody has said yet what there is on this job.{' '}
          <Link to={`/jobs/${state.id}/plates`}>Rating plates</Link> is where that begins.
        </span>
      </Bar>
    )
  if (judged.state === 'proven') {
    return (
      <Bar>
        <Mark kind="pass" />
        <span>
          Proven{judged.proof ? ` by ${nameOf(judged.proof.by)}, ${dayTime(judged.proof.at)}` : ''}.
          A later change to what it rests on opens it again.
        </span>
        {next && <Link to={`/jobs/${state.id}/${next}`}>Next: {judgement.sheets[next].name}</Link>}
      </Bar>
    )
  }
  if (judged.state === 'ready')
    return (
      <Bar>
        <Button
          look="go"
          isDisabled={sending}
          onPress={async () => {
            setSending(true)
            await act('/proofs', { sheet })
            setSending(false)
          }}
        >
          Prove this sheet
        </Button>
        <span>Your name stands beside it.</span>
      </Bar>
    )
  const waits =
    judged.state === 'stop'
      ? 'an open stop'
      : judged.missing
          .slice(0, 3)
          .map((gap) => gap.what)
          .join('; ')
  return (
    <Bar>
      <Button look="wait" isDisabled>
        Prove this sheet: waits for{' '}
        {judged.state === 'stop'
          ? 'a stop to be cleared'
          : judged.missing.length === 1
            ? 'one thing'
            : `${judged.missing.length} things`}
      </Button>
      <span>
        {judged.state === 'stop'
          ? ''
          : `Missing: ${waits}${judged.missing.length > 3 ? ' and more' : ''}.`}
      </span>
    </Bar>
  )
}

function nextSheet(sheet: SheetId): SheetId | undefined {
  const order = Object.values(stageSheets).flat()
  return order[order.indexOf(sheet) + 1]
}

const Bar = styled.div`
  display: flex;
  gap: 14px;
  align-items: center;
  flex-wrap: wrap;
  margin-top: 16px;
  padding-top: 12px;
  border-top: 1.5px solid var(--rule);
  color: var(--ink-2);
  span {
    flex: 1;
    min-width: 180px;
    font-size: 15px;
  }
  a {
    color: var(--ember-ink);
    font-weight: 650;
    text-underline-offset: 3px;
    text-decoration-thickness: 2px;
    padding: 12px 0;
  }
`
