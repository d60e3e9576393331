import type { JudgedSheet, SheetId } from '@hestian/core'
import { may, stageSheets } from '@hestian/core'
import type { ReactNode } from 'react'
import { useState } from 'react'
import { Link } from 'react-router'
import styled from 'styled-components'
import { useJobActions, useReadBy, useStanding } from '../job/JobContext'
import { Button } from '../ui/Button'
import { Mark } from '../ui/icons'

/** The end of a sheet: check it, or what it still waits for, or who checked it. */
export function CheckSheet({ sheet }: { readonly sheet: SheetId }) {
  const { judgement } = useStanding()
  const judged = judgement.sheets[sheet]
  switch (judged.state) {
    case 'does-not-apply':
      return <Settled judged={judged}>{judged.because} It counts as done.</Settled>
    case 'checked':
      return <Checked judged={judged} />
    case 'not-begun':
      return <NotBegun />
    case 'invited':
      return (
        <Settled judged={judged}>
          This work does not ask for this sheet. What you fill here is kept, and judged.
        </Settled>
      )
    case 'ready':
      return <Ready sheet={sheet} />
    case 'stop':
      return (
        <Bar>
          <Button look="wait" isDisabled>
            Check this sheet: waits for a stop to be cleared
          </Button>
        </Bar>
      )
    case 'incomplete':
      return <Incomplete judged={judged} />
  }
}

/** What is settled, and where to go from here. */
function Settled({
  judged,
  children,
}: {
  readonly judged: JudgedSheet
  readonly children: ReactNode
}) {
  const { judgement, state } = useStanding()
  const next = nextSheet(judged.id, judgement.sheets)
  return (
    <Bar>
      {judged.state === 'checked' && <Mark kind="pass" />}
      <span>{children}</span>
      {next && <Link to={`/jobs/${state.id}/${next}`}>Next: {judgement.sheets[next].name}</Link>}
    </Bar>
  )
}

function Checked({ judged }: { readonly judged: JudgedSheet }) {
  const { nameOf, dates } = useReadBy()
  const { proof } = judged
  return (
    <Settled judged={judged}>
      Checked{proof ? ` by ${nameOf(proof.by)}, on ${dates.dayTime(proof.at)}` : ''}. A later change
      to what it rests on opens it again.
    </Settled>
  )
}

function NotBegun() {
  const { state } = useStanding()
  return (
    <Bar>
      <span>
        Not begun: nobody has said yet what there is on this job.{' '}
        <Link to={`/jobs/${state.id}/plates`}>Rating plates</Link> is where that begins.
      </span>
    </Bar>
  )
}

function Ready({ sheet }: { readonly sheet: SheetId }) {
  const { act } = useJobActions()
  const { person } = useReadBy()
  const [sending, setSending] = useState(false)
  if (person && !may(person, 'sign'))
    return (
      <Bar>
        <Button look="wait" isDisabled>
          Check this sheet: waits for a lead installer or the owner
        </Button>
      </Bar>
    )
  return (
    <Bar>
      <Button
        look="go"
        isDisabled={sending}
        onPress={async () => {
          setSending(true)
          await act('/checks', { sheet })
          setSending(false)
        }}
      >
        Check this sheet
      </Button>
      <span>Your name stands beside it.</span>
    </Bar>
  )
}

/** So many of what is missing are named; the rest stand in the margin. */
const named = 3

function Incomplete({ judged: { missing } }: { readonly judged: JudgedSheet }) {
  const waits = missing.slice(0, named).map((gap) => gap.what)
  return (
    <Bar>
      <Button look="wait" isDisabled>
        Check this sheet: waits for{' '}
        {missing.length === 1 ? 'one thing' : `${missing.length} things`}
      </Button>
      <span>
        Missing: {waits.join('; ')}
        {missing.length > named ? ' and more' : ''}.
      </span>
    </Bar>
  )
}

/** The next one that the work asks for. */
function nextSheet(
  sheet: SheetId,
  sheets: Readonly<Record<SheetId, JudgedSheet>>,
): SheetId | undefined {
  const order = Object.values(stageSheets).flat()
  return order.slice(order.indexOf(sheet) + 1).find((id) => sheets[id].state !== 'invited')
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
    font-size: var(--small);
  }
  a {
    color: var(--ember-ink);
    font-weight: 650;
    text-underline-offset: 3px;
    text-decoration-thickness: 2px;
    padding: 12px 0;
  }
`
